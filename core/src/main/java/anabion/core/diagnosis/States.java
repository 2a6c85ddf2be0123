package anabion.core.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import java.util.Collection;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The states of a set that hypotheses speak of, each once. */
final class States {
    private static final int PAIRS = 300;

    private final Chassis chassis;
    private final State well;
    private final Map<List<Fault>, State> single = new HashMap<>();
    /** Of pairs there are thousands: only those last asked for are kept. */
    private final Map<List<Fault>, State> pairs = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<List<Fault>, State> eldest) {
            return size() > PAIRS;
        }
    };

    private final IdentityHashMap<Hypothesis, Span> spans = new IdentityHashMap<>();

    States(Chassis chassis) {
        this.chassis = chassis;
        this.well = new State(chassis, List.of(), Optional.empty());
    }

    /** Without a fault. */
    State well() {
        return well;
    }

    /** Of two faults both as severe. */
    Span of(Hypothesis h) {
        return h.from().size() > 1 ? found(h) : spans.computeIfAbsent(h, this::found);
    }

    private Span found(Hypothesis h) {
        State from = of(h.from());
        return h.graded() ? new Span(from, of(h.at(n -> Span.HALF).from()), of(h.to())) : Span.of(from);
    }

    private State of(List<Fault> faults) {
        if (faults.isEmpty()) return well;
        return (faults.size() > 1 ? pairs : single)
                .computeIfAbsent(faults, f -> new State(chassis, f, Optional.of(well)));
    }

    /** The ends of single faults. */
    List<State> ends(Collection<Hypothesis> of) {
        Set<State> all = new LinkedHashSet<>();
        of.stream()
                .filter(h -> h.from().size() < 2)
                .map(this::of)
                .forEach(s -> all.addAll(List.of(s.least(), s.most())));
        return List.copyOf(all);
    }
}
