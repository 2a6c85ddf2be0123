package anabion.core.isolation;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Contact;
import anabion.core.chassis.Part;
import anabion.core.chassis.Winding;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The nets of a chassis in groups between which only capacitors, bleeders and separate windings lie, whatever the switches are set to.
 *
 * <p>A bleeder is a resistor of at least {@value #BLEEDER} Ω that lies beside a capacitor, or that leads to the metal.
 */
final class ConductiveIslands {
    static final double BLEEDER = 47e3;

    private final Map<String, String> parent = new HashMap<>();
    private final Map<String, Set<String>> islands = new HashMap<>();

    ConductiveIslands(Chassis chassis) {
        for (Part p : chassis.parts()) p.nets().values().forEach(n -> parent.putIfAbsent(n, n));
        for (Part p : chassis.parts()) if (!bridges(p, chassis)) joined(p).forEach(this::join);
        for (String net : parent.keySet())
            islands.computeIfAbsent(root(net), r -> new HashSet<>()).add(net);
    }

    /** The nets that conduct to this one; none for a net that the chassis has not. */
    Set<String> of(String net) {
        return islands.getOrDefault(root(net), Set.of());
    }

    /** Whether a part bridges islands rather than joins them. */
    static boolean bridges(Part p, Chassis chassis) {
        return p.component() instanceof Component.Capacitor
                || (p.component() instanceof Component.Resistor r && r.ohms() >= BLEEDER && bleeds(p, chassis));
    }

    private static boolean bleeds(Part p, Chassis chassis) {
        Set<String> ends = Set.copyOf(p.nets().values());
        return ends.contains(Chassis.METAL)
                || chassis.parts().stream()
                        .anyMatch(c -> c.component() instanceof Component.Capacitor
                                && c.nets().values().containsAll(ends));
    }

    /** The groups of nets between which a part conducts, in some position of a switch; each winding by itself. */
    static List<Collection<String>> joined(Part p) {
        List<Collection<String>> all = new ArrayList<>();
        if (p.component() instanceof Component.Windings w) {
            for (Winding x : w.windings())
                all.add(List.of(p.nets().getOrDefault(x.from(), ""), p.nets().getOrDefault(x.to(), "")));
        } else if (p.component() instanceof Component.Switch s && !s.contacts().isEmpty()) {
            for (Contact c : s.contacts())
                all.add(List.of(p.nets().getOrDefault(c.from(), ""), p.nets().getOrDefault(c.to(), "")));
        } else all.add(p.nets().values());
        return all;
    }

    private void join(Collection<String> nets) {
        String first = "";
        for (String net : nets) {
            if (net.isEmpty()) continue;
            if (first.isEmpty()) first = net;
            else parent.put(root(net), root(first));
        }
    }

    private String root(String net) {
        String at = net;
        while (parent.containsKey(at) && !parent.get(at).equals(at)) at = parent.get(at);
        return at;
    }
}
