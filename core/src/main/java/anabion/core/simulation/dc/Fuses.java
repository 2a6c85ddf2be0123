package anabion.core.simulation.dc;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.circuit.Element;
import anabion.core.circuit.Solution;
import anabion.core.simulation.supply.AcSupply;
import anabion.core.simulation.supply.PassiveStamps;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Which fuses a solved set blows. */
public final class Fuses {
    /** Times its rating at which a slow fuse lasts no minute (usual curves of such fuses). */
    private static final double BLOWS = 2.5;
    /** Times the rating of a set's line fuse that the house's does not stand, or what takes it: a capacitor before the fuse. */
    private static final double ABSURD = 10;

    private Fuses() {}

    /**
     * Fuses that carry so much more than their rating that nobody reads anything behind them, as faults; those of which no rating is known blow never. Where
     * something before a line fuse takes ten times its rating, the house's goes: the set's own stands for it, since behind it all is as dead.
     */
    public static List<Fault> blown(Chassis chassis, OperatingPoint solved) {
        Set<String> line = line(chassis);
        List<Fault> all = new ArrayList<>();
        for (Part p : chassis.parts()) {
            if (!(p.component() instanceof Component.Fuse f) || f.amperes() <= 0) continue;
            boolean inLine = p.nets().values().stream().anyMatch(line::contains);
            boolean blows = inLine
                    ? inLine(p, solved) > BLOWS * f.amperes() || solved.mainsAmperes() > ABSURD * f.amperes()
                    : elsewhere(p, solved) > BLOWS * f.amperes();
            if (blows) all.add(Fault.of(p.reference(), FaultMode.OPEN));
        }
        return all;
    }

    /** The nets of an alternating line before its first transformer or dropper. */
    private static Set<String> line(Chassis chassis) {
        Set<String> reached = new HashSet<>(List.of(AcSupply.L, AcSupply.N));
        Deque<String> open = new ArrayDeque<>(reached);
        while (!open.isEmpty()) {
            String net = open.pop();
            for (Part p : chassis.parts())
                if (p.touches(net)
                        && (p.component() instanceof Component.Fuse || p.component() instanceof Component.Switch))
                    for (String n : PassiveStamps.joined(p, net)) if (reached.add(n)) open.push(n);
        }
        return reached;
    }

    /** Its own alternating current, and what rectifiers take, which is not in that circuit. */
    private static double inLine(Part fuse, OperatingPoint solved) {
        if (solved.mains().isEmpty()) return elsewhere(fuse, solved);
        double line = solved.mains().get().circuit().elements().stream()
                .filter(e -> e instanceof Element.Source)
                .mapToDouble(e -> Math.abs(solved.mains().get().amperes(e)[0]))
                .max()
                .orElse(0);
        return own(fuse, solved.mains().get()) + Math.max(0, solved.mainsAmperes() - line);
    }

    /** In a rail, before heaters or behind a battery. */
    private static double elsewhere(Part fuse, OperatingPoint solved) {
        return Math.max(solved.mains().map(m -> own(fuse, m)).orElse(0.0), own(fuse, solved.direct()));
    }

    private static double own(Part fuse, Solution solved) {
        return solved.circuit().elements().stream()
                .filter(e -> e instanceof Element.Resistor && e.name().equals(fuse.reference()))
                .mapToDouble(e -> Math.abs(solved.amperes(e)[0]))
                .max()
                .orElse(0);
    }
}
