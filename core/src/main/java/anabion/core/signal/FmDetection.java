package anabion.core.signal;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Part;
import anabion.core.circuit.Solution;
import anabion.core.simulation.dc.Detector;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.setting.Setting;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;

/**
 * What the diodes of an FM detector make of a carrier's deviation.
 *
 * <p>Method: a carrier off its middle is stronger at one diode and weaker at the other; the circuit is solved with it to either side, and what the audio net moves
 * in between is the sound. That the transformer makes a difference of volts from one of frequency is taken from {@link FmDetector}'s sources, and is the same in
 * every state of a set.
 */
final class FmDetection {
    /** Share of a deviation that a detector follows straight. */
    private static final double DEVIATION = 0.3;
    /** Farads from which on a capacitor holds the loads of a ratio detector against changes of the carrier's strength. */
    private static final double HOLDS = 5e-7;
    /** Share of it that still does. */
    private static final double HELD = 0.05;

    private final Chassis chassis;
    private final Setting setting;
    private final Detector detector;
    private final List<Detector> diodes;

    FmDetection(Chassis chassis, Setting setting, Detector detector) {
        this.chassis = chassis;
        this.setting = setting;
        this.detector = detector;
        this.diodes = Detector.feeding(chassis, chassis.part(detector.coil()).orElseThrow());
    }

    /**
     * Volts of sound per volt of difference; of a detector with one diode 1, for a slope of the coil does what the other would.
     *
     * @param solved the set in a setting
     */
    double efficiency(double carrier, Function<Setting, OperatingPoint> solved) {
        if (diodes.size() < 2) return 1;
        double up = audio(carrier, DEVIATION, solved);
        double down = audio(carrier, -DEVIATION, solved);
        return Math.abs(up - down) / (2 * DEVIATION * carrier);
    }

    private double audio(double carrier, double deviation, Function<Setting, OperatingPoint> solved) {
        return solved.apply(setting.withCarrier(carrier).withDeviation(deviation))
                .volts(detector.audio())
                .orElse(0);
    }

    /** Amperes through each of two diodes under a carrier in tune; empty for a detector that has not two. */
    double[] amperes(Solution direct) {
        if (diodes.size() != 2) return new double[0];
        return diodes.stream()
                .mapToDouble(d -> direct.circuit()
                        .device(d.element())
                        .map(x -> Math.abs(direct.amperes(x)[0]))
                        .orElse(0.0))
                .toArray();
    }

    /** Whether nothing holds the loads any more against changes of the carrier's strength, where in a sound set something does: it hisses and crackles. */
    boolean noisy() {
        if (diodes.size() != 2) return false;
        List<String> ends = diodes.stream().map(FmDetection::free).distinct().toList();
        Faults faults = new Faults(chassis, setting.faults());
        for (Part p : chassis.parts())
            if (ends.size() == 2 && p.joins(ends.get(0), ends.get(1)) && p.component() instanceof Capacitor c) {
                double farads = c.farads().get(0);
                if (farads >= HOLDS && faults.farads(p, 1, farads) < HELD * farads) return true;
            }
        return false;
    }

    /** The end of a diode that is not on the coil. */
    private static String free(Detector d) {
        return d.fed().equals(d.plate()) ? d.cathode() : d.plate();
    }

    /** Whether one diode does next to nothing beside the other. */
    boolean lopsided(Solution direct, double share) {
        double[] both = amperes(direct);
        return both.length == 2
                && Arrays.stream(both).min().orElse(0)
                        < share * Arrays.stream(both).max().orElse(0);
    }
}
