package anabion.instruments;

import anabion.core.chassis.Measure;

/** A meter that can be asked for a reading. */
public interface Meter extends AutoCloseable {
    /** What it calls itself. */
    String name();

    /**
     * Takes one reading, in volts or ohms.
     *
     * @throws MeterException if it does not answer, or is over its range
     */
    double read(Measure measure);

    @Override
    void close();
}
