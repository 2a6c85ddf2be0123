/** The Shelf: every set, where it stands, what it waits for, what can be done right now; today's timers. */
package anabion.desktop.shelf;
