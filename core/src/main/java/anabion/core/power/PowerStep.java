package anabion.core.power;

import java.util.Map;

/**
 * One step up: where the variac or supply stands, and what a sound set shows there.
 *
 * @param dial volts that the variac or supply gives
 * @param lamp whether the lamp is in the line
 * @param warm what the set takes and gives once it has settled
 * @param cold volts of the rails before the tubes draw anything
 * @param glow of the lamp; dark without one
 * @param seconds before its readings are taken
 */
public record PowerStep(
        double dial, boolean lamp, SupplyPoint warm, Map<String, Double> cold, SeriesLamp.Glow glow, double seconds) {
    public PowerStep {
        cold = Map.copyOf(cold);
    }

    /** Volts across the lamp; 0 without one. */
    public double lampVolts() {
        return lamp ? dial - warm.volts() : 0;
    }
}
