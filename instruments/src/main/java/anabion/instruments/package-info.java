/**
 * Measuring instruments on the bench, spoken to in the open command language for instruments (SCPI) over a network socket.
 *
 * <p>Laws: a reading is either a number the instrument sent or an error that says what to do; nothing here blocks for longer
 * than the timeout.
 *
 * <p>Example: {@code ScpiMeter.connect("192.0.2.7:5025").read(Measure.DC_VOLTS)}.
 */
package anabion.instruments;
