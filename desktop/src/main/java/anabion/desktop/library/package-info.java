/** The types of tubes and semiconductors: browsed, looked at as curves with the set's own load, added and corrected. */
package anabion.desktop.library;
