package anabion.core.diagnosis.prediction;

import anabion.core.simulation.Simulator;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * Computes what the severities of each fault do, and leaves out those between two that do the same.
 *
 * <p>Method: bisection of each ladder of severities, all ladders at once. It fails where a severity between two that do the same does something else; with
 * leaks and drifts what is seen goes one way.
 */
final class SeverityBisection {
    private final ParallelSolver together;

    /** What is asked of each state. */
    interface Answer {
        /** Whether a state has it already. */
        boolean known(FaultState state);

        /** Computes it; each state on one thread. */
        void compute(Simulator engine, FaultState state);

        /** Gives the states between two that have it what these two have in common; whether that is all. */
        boolean settles(FaultState least, List<FaultState> between, FaultState most);
    }

    private record Interval(List<FaultState> ladder, int low, int high) {
        FaultState least() {
            return ladder.get(low);
        }

        FaultState most() {
            return ladder.get(high);
        }

        int middle() {
            return (low + high) / 2;
        }
    }

    SeverityBisection(ParallelSolver together) {
        this.together = together;
    }

    /** Gives every state its answer. */
    void over(List<List<FaultState>> ladders, Answer answer) {
        Set<FaultState> wanted = new LinkedHashSet<>();
        List<Interval> open = new ArrayList<>();
        for (List<FaultState> ladder : ladders) {
            Interval whole = new Interval(ladder, 0, ladder.size() - 1);
            wanted.add(whole.least());
            wanted.add(whole.most());
            open.add(whole);
        }
        while (!wanted.isEmpty()) {
            together.each(wanted.stream().filter(s -> !answer.known(s)).toList(), answer::compute);
            wanted.clear();
            List<Interval> narrower = new ArrayList<>();
            for (Interval i : open) {
                if (i.high() - i.low() < 2) continue;
                if (answer.settles(i.least(), i.ladder().subList(i.low() + 1, i.high()), i.most())) continue;
                wanted.add(i.ladder().get(i.middle()));
                narrower.add(new Interval(i.ladder(), i.low(), i.middle()));
                narrower.add(new Interval(i.ladder(), i.middle(), i.high()));
            }
            open = narrower;
        }
    }
}
