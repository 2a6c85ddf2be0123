package anabion.core.simulation.chart;

import anabion.core.chassis.Chassis;
import anabion.core.simulation.Simulator;
import java.util.Map;

/** What a set's own chart says about its parts. */
public final class Calibrations {
    private Calibrations() {}

    /** Factors by which the charted specimen's parts differ from nominal, by part; empty without a chart, or where none is explained. */
    public static Map<String, Double> trims(Chassis chassis) {
        return chassis.chart()
                .map(chart -> Calibration.of(new Simulator(), chassis, chart).trims())
                .orElse(Map.of());
    }
}
