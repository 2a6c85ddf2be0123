/** One class per sheet of the Bench. A sheet shows the session's snapshot and turns entries into changes; it computes nothing. */
package anabion.desktop.sheet;
