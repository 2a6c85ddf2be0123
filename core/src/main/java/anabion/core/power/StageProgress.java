package anabion.core.power;

import anabion.core.job.Job;
import anabion.core.job.PowerEntry;
import anabion.core.job.PowerStage;
import anabion.core.power.StageTable.What;
import anabion.core.quantity.Figures;
import anabion.core.reading.Standing;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** One stage before the whole set, with what was read in it. */
public record StageProgress(StageTable table, List<Taken> rows) {
    public StageProgress {
        rows = List.copyOf(rows);
    }

    /**
     * A row with what was read of it.
     *
     * @param halfWidths how far it lies from what is expected, in half-widths of what may be
     */
    public record Taken(StageTable.Row row, Optional<Double> value, double halfWidths, Standing standing) {}

    /**
     * Of every stage, what was read while the set was fitted as it is now, and on the load that is in hand now: the last where it was read more than once.
     */
    public static List<StageProgress> of(Job job, List<StageTable> tables) {
        List<StageProgress> all = new ArrayList<>();
        Set<PowerEntry> onThisLoad = new HashSet<>(sinceLoad(job.power().entries()));
        for (StageTable t : tables) {
            List<PowerEntry> entries = job.power().runs().stream()
                    .filter(run -> PowerStage.begun(run.get(0)) == t.stage())
                    .flatMap(List::stream)
                    .filter(e -> e.state().equals(job.fitted().id()))
                    .filter(e -> t.load() == 0 || onThisLoad.contains(e))
                    .toList();
            all.add(new StageProgress(
                    t, t.rows().stream().map(r -> taken(r, entries)).toList()));
        }
        return all;
    }

    private static List<PowerEntry> sinceLoad(List<PowerEntry> entries) {
        int from = 0;
        for (int i = 0; i < entries.size(); i++) if (entries.get(i).kind() == PowerEntry.Kind.LOAD) from = i;
        return entries.subList(from, entries.size());
    }

    /** The resistor in hand, as it was last named; empty where nobody named one. */
    public static Optional<Double> load(Job job) {
        return job.power().entries().stream()
                .filter(e -> e.kind() == PowerEntry.Kind.LOAD)
                .reduce((a, b) -> b)
                .map(PowerEntry::value);
    }

    private static Taken taken(StageTable.Row row, List<PowerEntry> entries) {
        Optional<Double> value = entries.stream()
                .filter(e -> e.kind() == kind(row.what())
                        && e.dial() == row.line()
                        && e.what().equals(name(row, e))
                        && e.against().equals(row.against()))
                .reduce((a, b) -> b)
                .map(PowerEntry::value);
        if (value.isEmpty()) return new Taken(row, value, 0, Standing.NOT_TAKEN);
        double off = value.get() - row.expected();
        double half = off > 0 ? row.most() - row.expected() : row.expected() - row.least();
        double halfWidths = off == 0 ? 0 : off / Math.max(half, 1e-9);
        double beyond = Math.abs(halfWidths);
        // nothing lies between a hand that stays and one that does not
        double out = row.what() == What.WARMTH ? 1 : 2;
        Standing standing = beyond <= 1 ? Standing.WITHIN : beyond <= out ? Standing.DRIFTING : Standing.OUT;
        return new Taken(row, value, halfWidths, standing);
    }

    private static String name(StageTable.Row row, PowerEntry e) {
        return row.what() == What.WARMTH ? e.what() : row.point();
    }

    /** How the log names what a row is about. */
    public static PowerEntry.Kind kind(What what) {
        return switch (what) {
            case DIRECT_VOLTS -> PowerEntry.Kind.RAIL;
            case ALTERNATING_VOLTS -> PowerEntry.Kind.RIPPLE;
            case WATTS -> PowerEntry.Kind.WATTS;
            case AMPERES -> PowerEntry.Kind.AMPERES;
            case WARMTH -> PowerEntry.Kind.WARMTH;
        };
    }

    /** The first stage that is not passed; the whole set once it has been on. */
    public static PowerStage next(Job job, List<StageProgress> stages) {
        if (!job.power().whole().isEmpty()) return PowerStage.WHOLE_SET;
        return stages.stream()
                .filter(s -> !s.passed())
                .map(s -> s.table().stage())
                .findFirst()
                .orElse(PowerStage.WHOLE_SET);
    }

    /** Whether all its rows are read and none is out. */
    public boolean passed() {
        return rows.stream().allMatch(r -> r.standing() == Standing.WITHIN || r.standing() == Standing.DRIFTING);
    }

    /** Why it goes no further: the first row that is out, and what that means. */
    public Optional<Phrase> stop() {
        return rows.stream()
                .filter(r -> r.standing() == Standing.OUT)
                .findFirst()
                .map(this::meaning);
    }

    private Phrase meaning(Taken t) {
        boolean high = t.halfWidths() > 0;
        return switch (t.row().what()) {
            case WATTS ->
                Phrase.of("power.stage.stop.watts", Figures.fixed(t.value().orElseThrow(), 1));
            case WARMTH -> Phrase.of("power.stage.stop.hot", t.row().point());
            case AMPERES -> Phrase.of("power.stage.stop.amperes." + (high ? "high" : "low"));
            case ALTERNATING_VOLTS ->
                Phrase.of(
                        "power.stage.stop.winding",
                        t.row().point(),
                        t.row().against(),
                        Figures.volts(t.value().orElseThrow()),
                        Figures.volts(t.row().expected()));
            case DIRECT_VOLTS ->
                Phrase.of(
                        "power.stage.stop." + table.stage().code() + (high ? ".high" : ".low"),
                        t.row().point(),
                        Figures.volts(t.value().orElseThrow()),
                        Figures.volts(t.row().expected()));
        };
    }
}
