/**
 * The probe line's language: what one typed line means. Pure; the window only carries it out.
 *
 * <p>Example: {@code V4.1 3.1} is a reading at V4.1, {@code 240~} an AC reading at the lit row, {@code lift R14} an open end.
 */
package anabion.desktop.probe;
