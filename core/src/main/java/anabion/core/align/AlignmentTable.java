package anabion.core.align;

import anabion.core.align.TrackingAdvice.Point;
import anabion.core.job.AlignmentEntry;
import anabion.core.job.AlignmentEntry.Kind;
import anabion.core.job.Job;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * The lines of a band with what came of them.
 *
 * @param leftAlone why the band is left as it is; empty where it is not
 */
public record AlignmentTable(
        AlignmentProcedure procedure, List<Row> rows, List<Point> stations, Optional<String> leftAlone) {
    /** Decibels that no drift of parts explains: somebody turned it before. */
    public static final double MOVED = 10;
    /** Decibels below which another pass is not worth while. */
    public static final double WORTH = 1;

    /**
     * One line.
     *
     * @param entries on it, oldest first, in the state that the set is in
     */
    public record Row(AlignmentLine line, List<AlignmentEntry> entries) {
        public Row {
            entries = List.copyOf(entries);
        }

        public Optional<AlignmentEntry> last() {
            return entries.isEmpty() ? Optional.empty() : Optional.of(entries.get(entries.size() - 1));
        }

        /** Whether the last word on it says that it is in tune: a first reading alone says nothing yet. */
        public boolean done() {
            return last().map(AlignmentEntry::kind)
                    .filter(k -> k.done() && (k != Kind.READ || gained().isPresent() || turned() != 0))
                    .isPresent();
        }

        /** Whether the last word on it says that something else is wrong. */
        public boolean finding() {
            return last().map(AlignmentEntry::kind).filter(Kind::finding).isPresent();
        }

        /** Decibels gained by all that was done on it, from one reading to the next where one was typed at a time; empty where nothing was read twice. */
        public Optional<Double> gained() {
            Optional<Double> all = Optional.empty();
            double last = 0;
            for (AlignmentEntry e : entries) {
                double before = e.before() > 0 ? e.before() : last;
                if (before > 0 && e.after() > 0)
                    all = Optional.of(all.orElse(0.0) + 20 * Math.log10(e.after() / before));
                if (e.after() > 0) last = e.after();
            }
            return all;
        }

        /** Whether it stood so far off that somebody must have turned it. */
        public boolean moved() {
            return gained().filter(g -> g > MOVED).isPresent();
        }

        /** Turns from where it stood at first, positive inwards. */
        public double turned() {
            return entries.stream().mapToDouble(AlignmentEntry::turns).sum();
        }
    }

    public AlignmentTable {
        rows = List.copyOf(rows);
        stations = List.copyOf(stations);
    }

    /** What a job says of a procedure, in the state that the set is in now: a part that is renewed asks for its lines again. */
    public static AlignmentTable of(AlignmentProcedure p, Job job) {
        UUID state = job.fitted().id();
        List<AlignmentEntry> own = job.alignment().stream()
                .filter(e -> e.band().equals(p.band().name()))
                .toList();
        List<Row> rows = new ArrayList<>();
        for (AlignmentLine l : p.lines())
            rows.add(new Row(
                    l,
                    own.stream()
                            .filter(e -> e.state().equals(state))
                            .filter(e -> e.purpose().equals(Optional.of(l.purpose()))
                                    && e.adjusters().equals(l.letters()))
                            .toList()));
        // an adjuster that was turned makes the stations heard before it those of another set
        int turned = -1;
        for (int n = 0; n < own.size(); n++)
            if (own.get(n).purpose().filter(x -> x.ofOscillator()).isPresent()) turned = n;
        List<Point> stations = own.subList(turned + 1, own.size()).stream()
                .filter(e -> e.kind() == Kind.STATION && e.state().equals(state))
                .map(e -> new Point(e.before(), e.after()))
                .toList();
        Optional<String> left = own.stream()
                .filter(e -> e.kind() == Kind.LEFT_ALONE)
                .map(AlignmentEntry::text)
                .reduce((a, b) -> b);
        return new AlignmentTable(p, rows, stations, left);
    }

    /** The first line on which nothing is done; empty where all are. */
    public Optional<Row> next() {
        return rows.stream().filter(r -> !r.done() && !r.finding()).findFirst();
    }

    /** Decibels gained in all; empty where nothing was read twice. */
    public Optional<Double> gained() {
        return rows.stream().flatMap(r -> r.gained().stream()).reduce(Double::sum);
    }

    /** Whether another pass is worth while: all is done, and the last pass gained something. */
    public boolean again() {
        return next().isEmpty()
                && rows.stream()
                        .flatMap(r -> r.last().stream())
                        .flatMap(e -> e.gained().stream())
                        .anyMatch(g -> g > WORTH);
    }
}
