/**
 * Instruments and the sheets: which are connected, what the lit row wants of them, and the words in which their answers are entered.
 *
 * <p>Laws: nothing here waits on the interface's thread; a reading is entered only for the row it was asked for; a variac is turned up only while the log says
 * that the set is on, and down whenever it says off.
 */
package anabion.desktop.instrument;
