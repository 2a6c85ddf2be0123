/**
 * Instruments on the bench: what each role can do, and where it is. How they speak is {@link anabion.instruments.scpi}'s; a bench to try them on is
 * {@link anabion.instruments.simulated}'s, which is a program of its own.
 *
 * <p>Laws: a reading is either what the instrument sent for this very question or an error that says what to do; nothing here blocks for longer than some
 * seconds.
 *
 * <p>Example: {@code ((Meter) new ScpiConnector().connect(InstrumentRole.METER, "192.0.2.7:5025")).read(Measure.DC_VOLTS, OptionalDouble.of(85))}.
 */
package anabion.instruments;
