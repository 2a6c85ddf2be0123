package anabion.core.simulation.supply;

import anabion.core.circuit.Circuit;
import anabion.core.rectifier.Characteristic;
import anabion.core.rectifier.RailCurrent;
import anabion.core.rectifier.Rectifier;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiPredicate;

/**
 * One rectifier in the set.
 *
 * @param output the net of its cathode
 * @param back the net to which its current returns: the end of the winding, or of the mains
 * @param reservoir the net of the reservoir
 * @param foot the net of the reservoir's other end
 * @param siemens of the filter resistors at the reservoir
 * @param plates the nets of its plates, in the order of the paths
 * @param ports all its rectifiers, the one of the first path first
 * @param through the nets at which its direct current comes out of what feeds it, or goes back into it where {@code below}; empty where none flows there, as in a bridge
 * @param below whether it makes its plates negative: its cathodes are driven
 */
public record SupplyRail(
        String name,
        String output,
        String back,
        String reservoir,
        String foot,
        double siemens,
        Rectifier rectifier,
        List<String> plates,
        List<Port> ports,
        Characteristic characteristic,
        List<String> through,
        boolean below) {
    /** With its current straight from where it returns, unless direct current finds its way from there to what drives it. */
    public SupplyRail passing(BiPredicate<String, String> conducts) {
        String from = below ? output : back;
        if (through.stream().allMatch(n -> conducts.test(n, from))) return this;
        return new SupplyRail(
                name,
                output,
                back,
                reservoir,
                foot,
                siemens,
                rectifier,
                plates,
                ports,
                characteristic,
                List.of(),
                below);
    }

    /** With another characteristic of its rectifier. */
    public SupplyRail with(Characteristic other) {
        return new SupplyRail(
                name, output, back, reservoir, foot, siemens, rectifier, plates, ports, other, through, below);
    }

    /** What it does in a circuit. */
    public void add(String element, Circuit.Builder c) {
        List<String> given = below && !through.isEmpty() ? through : List.of(output);
        List<String> drawn = below || through.isEmpty() ? List.of(back) : through;
        List<String> nets = new ArrayList<>(given);
        nets.addAll(drawn);
        nets.addAll(List.of(reservoir, foot));
        c.device(element, new RailCurrent(characteristic, given.size(), drawn.size()), nets.toArray(new String[0]));
    }
}
