package anabion.core.diagnosis;

import anabion.core.chassis.MeterSpec;
import anabion.core.engine.Setting;

/** Something measured. */
public sealed interface Observation {
    /** The net, or the first one, that was touched. */
    String net();

    double value();

    /**
     * Direct volts of a net against the reference.
     *
     * @param point as it was named
     */
    record Volts(String point, String net, double value, Setting setting, MeterSpec meter) implements Observation {}

    /**
     * Ohms between two nets, power off.
     *
     * @param test volts of the ohmmeter with open probes
     */
    record Ohms(String net, String other, double value, double test) implements Observation {}
}
