package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import java.util.ArrayList;
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
public final class FaultStates {
    private static final int PAIRS = 300;

    private final Chassis chassis;
    private final FaultState well;
    private final Map<List<Fault>, FaultState> single = new HashMap<>();
    /** Of pairs there are thousands: only those last asked for are kept. */
    private final Map<List<Fault>, FaultState> pairs = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<List<Fault>, FaultState> eldest) {
            return size() > PAIRS;
        }
    };

    private final IdentityHashMap<Hypothesis, SeverityInterval> spans = new IdentityHashMap<>();

    /** No state is computed before it is asked for. */
    public FaultStates(Chassis chassis) {
        this.chassis = chassis;
        this.well = new FaultState(chassis, List.of(), Optional.empty());
    }

    /** Without a fault. */
    public FaultState well() {
        return well;
    }

    /** Of two faults both as severe. */
    public SeverityInterval of(Hypothesis h) {
        return h.from().size() > 1 ? found(h) : spans.computeIfAbsent(h, this::found);
    }

    private SeverityInterval found(Hypothesis h) {
        FaultState from = of(h.from());
        return h.graded()
                ? new SeverityInterval(from, of(h.at(n -> SeverityInterval.HALF).from()), of(h.to()))
                : SeverityInterval.of(from);
    }

    /** The state without a fault and those of single faults that were asked for. */
    List<FaultState> singly() {
        List<FaultState> all = new ArrayList<>(single.values());
        all.add(well);
        return all;
    }

    /** The state of some faults. */
    FaultState of(List<Fault> faults) {
        if (faults.isEmpty()) return well;
        return (faults.size() > 1 ? pairs : single)
                .computeIfAbsent(faults, f -> new FaultState(chassis, f, Optional.of(well)));
    }

    /**
     * The ends of single faults: those that differ in severity alone stand in one ladder, the least first. Where a severity between is not asked for a ladder
     * ends.
     */
    public List<List<FaultState>> ladders(Collection<Hypothesis> of) {
        List<List<FaultState>> all = new ArrayList<>();
        Set<FaultState> met = new LinkedHashSet<>();
        List<FaultState> ladder = List.of();
        for (Hypothesis h : of) {
            if (h.from().size() > 1) continue;
            SeverityInterval ends = of(h);
            boolean further = !ladder.isEmpty() && ladder.get(ladder.size() - 1) == ends.least();
            if (!further) {
                ladder = new ArrayList<>();
                all.add(ladder);
            }
            if (met.add(ends.least())) ladder.add(ends.least());
            if (met.add(ends.most())) ladder.add(ends.most());
        }
        return all.stream().filter(l -> !l.isEmpty()).toList();
    }
}
