package anabion.instruments;

import anabion.core.chassis.Measure;
import java.util.OptionalDouble;

/** A meter that can be asked for a reading. */
public interface Meter extends Instrument {
    /**
     * Takes one reading, in volts or ohms.
     *
     * @param expected by which it may choose its range; empty to let it search for one
     * @return infinite for ohms beyond its highest range: leads in the air
     * @throws InstrumentException if it does not answer, or volts are over its range
     */
    double read(Measure measure, OptionalDouble expected);
}
