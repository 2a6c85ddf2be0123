package anabion.core.power;

import anabion.core.simulation.dc.Overload;
import java.util.List;
import java.util.Map;

/**
 * A set in its steady state at one line.
 *
 * @param volts at the set, behind any lamp
 * @param amperes effective from the mains, or from the battery with the highest volts
 * @param watts that the set takes
 * @param rails direct volts of each rail against the reference
 * @param ripples effective alternating volts on each rail, as a meter shows them: of a sawtooth
 * @param overloads what bears more than it is rated for
 */
public record SupplyPoint(
        double volts,
        double amperes,
        double watts,
        Map<String, Double> rails,
        Map<String, Double> ripples,
        List<Overload> overloads) {
    public SupplyPoint {
        rails = Map.copyOf(rails);
        ripples = Map.copyOf(ripples);
        overloads = List.copyOf(overloads);
    }

    /** With what a transformer's iron takes beside, in phase with the line. */
    SupplyPoint with(double iron) {
        return new SupplyPoint(volts, amperes + iron / volts, watts + iron, rails, ripples, overloads);
    }

    /** Effective ripple of a rail; 0 for a net that is none. */
    public double ripple(String net) {
        return ripples.getOrDefault(net, 0.0);
    }

    /** Volts of a rail; 0 for a net that is none. */
    public double rail(String net) {
        return rails.getOrDefault(net, 0.0);
    }
}
