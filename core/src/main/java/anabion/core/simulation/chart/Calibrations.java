package anabion.core.simulation.chart;

import anabion.core.chassis.Chassis;
import anabion.core.simulation.Simulator;
import java.util.Optional;

/** What a set's own chart says about its parts. */
public final class Calibrations {
    private Calibrations() {}

    /** The healthy model brought to agree with a set's chart; empty without one. */
    public static Optional<Calibration> of(Chassis chassis) {
        return chassis.chart().map(chart -> Calibration.of(new Simulator(), chassis, chart));
    }
}
