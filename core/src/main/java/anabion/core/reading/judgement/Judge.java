package anabion.core.reading.judgement;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Part;
import anabion.core.chassis.Place;
import anabion.core.chassis.Stage;
import anabion.core.job.Alteration;
import anabion.core.job.Complaint;
import anabion.core.reading.BandCompare;
import anabion.core.reading.Board;
import anabion.core.reading.Condition;
import anabion.core.reading.Finding;
import anabion.core.reading.Finding.Suspect;
import anabion.core.reading.Predictor;
import anabion.core.reading.Reading;
import anabion.core.reading.ReadingRow;
import anabion.core.reading.ReadingTable;
import anabion.core.reading.Standing;
import anabion.core.reading.Tolerances;
import anabion.core.reading.pattern.Pattern;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Judges all readings of a set on one band. A pure function of its arguments. */
public final class Judge {
    /** Public supplies are kept within a tenth of their nominal voltage. */
    private static final double LINE_TOLERANCE = 0.1;

    private Judge() {}

    /**
     * The verdict on a set.
     *
     * @param rows one per charted or read point, in chart order
     * @param findings most telling first
     * @param stages stage name to how it stands and whether it is suspected
     */
    public record Verdict(List<ReadingRow> rows, List<Finding> findings, Map<String, StageHealth> stages) {
        /** Suspects of all findings, each once, in the order of the findings. */
        public List<Suspect> suspects() {
            Map<String, Suspect> once = new LinkedHashMap<>();
            for (Finding f : findings)
                for (Suspect s : f.suspects())
                    once.putIfAbsent(s.fault().target() + s.fault().mode(), s);
            return List.copyOf(once.values());
        }

        /** Charted rows that have a reading. */
        public int read() {
            return (int) rows.stream()
                    .filter(r -> r.charted() && r.reading().isPresent())
                    .count();
        }

        /** How many rows the chart has. */
        public int charted() {
            return (int) rows.stream().filter(ReadingRow::charted).count();
        }
    }

    /**
     * How one stage stands.
     *
     * @param suspicion 0 for none, 1 for the stage that the first finding points at, less for later ones
     */
    public record StageHealth(Standing standing, double suspicion) {}

    /**
     * @param readings all readings of the set, in any order
     * @param alterations what was done to the set, oldest first
     * @param complaints what each band does wrong, as it came in or was heard since
     * @param predictor what the set's circuit says; {@link Predictor#NONE} to restate the chart alone
     * @param now the condition in which unread points would be read; its band selects what is judged
     */
    public static Verdict judge(
            Chassis chassis,
            List<Reading> readings,
            List<Alteration> alterations,
            List<Complaint> complaints,
            Condition now,
            Tolerances policy,
            Predictor predictor) {
        List<ReadingRow> rows = new ReadingTable(chassis, readings, alterations, now, policy, predictor).rows();
        List<Finding> findings = new ArrayList<>();
        Board board = new Board(chassis, rows, now);
        for (Pattern p : Pattern.all()) findings.addAll(p.look(board));
        findings.addAll(BandCompare.look(chassis, readings, alterations, now, policy, predictor));
        findings.addAll(SharedStages.look(chassis, complaints));
        findings.sort(Comparator.comparingInt((Finding f) -> -f.weight()));
        List<ReadingRow> said = rows.stream().map(r -> said(r, findings)).toList();
        return new Verdict(said, List.copyOf(findings), stages(chassis, said, findings, now));
    }

    /** A row at which a pattern shows says so in its own verdict. */
    private static ReadingRow said(ReadingRow row, List<Finding> findings) {
        Optional<Finding> here = findings.stream()
                .filter(f -> f.point().equals(row.point().label()) && row.measure() == Measure.DC_VOLTS)
                .findFirst();
        if (here.isEmpty() || row.volts().isEmpty()) return row;
        Phrase words = here.get().verdict();
        return row.judged(row.standing().worse(words.equals(row.verdict()) ? row.standing() : Standing.OUT), words);
    }

    private static Map<String, StageHealth> stages(
            Chassis chassis, List<ReadingRow> rows, List<Finding> findings, Condition now) {
        Map<String, StageHealth> health = new LinkedHashMap<>();
        for (Stage stage : chassis.stages())
            health.put(stage.name(), new StageHealth(standing(chassis, stage, rows, now), suspicion(stage, findings)));
        return health;
    }

    private static Standing standing(Chassis chassis, Stage stage, List<ReadingRow> rows, Condition now) {
        if (stage.point().equals(Stage.LINE)) {
            double nominal = chassis.supply().volts();
            return Math.abs(now.line() - nominal) <= LINE_TOLERANCE * nominal ? Standing.WITHIN : Standing.DRIFTING;
        }
        Standing worst = Standing.OFF_BY_DESIGN;
        boolean any = false;
        for (ReadingRow row : rows) {
            boolean named = row.point().label().equals(stage.point());
            boolean owned = row.point()
                    .device()
                    .map(Part::reference)
                    .filter(stage.parts()::contains)
                    .isPresent();
            boolean own = named || (owned && stage.point().isEmpty());
            if (!own) continue;
            worst = any ? worst.worse(row.standing()) : row.standing();
            any = true;
        }
        return any ? worst : Standing.UNCHARTED;
    }

    private static double suspicion(Stage stage, List<Finding> findings) {
        for (int i = 0; i < findings.size(); i++) {
            List<Suspect> suspects = findings.get(i).suspects();
            if (!suspects.isEmpty()
                    && stage.parts()
                            .contains(Place.owner(suspects.get(0).fault().part()))) return 1.0 / (1 + i);
        }
        return 0;
    }

    /** The names of the stages on a band, signal stages first in order, then the supply. */
    public static List<Stage> strip(Chassis chassis, String band, Set<anabion.core.chassis.StripRow> lines) {
        Optional<Band> chosen = chassis.band(band);
        List<Stage> stages = new ArrayList<>();
        if (chosen.isPresent())
            chosen.get().stages().forEach(name -> chassis.stage(name).ifPresent(stages::add));
        else
            stages.addAll(chassis.stages().stream()
                    .filter(s -> s.line() == anabion.core.chassis.StripRow.SIGNAL)
                    .toList());
        chassis.stages().stream()
                .filter(s -> s.line() == anabion.core.chassis.StripRow.SUPPLY)
                .forEach(stages::add);
        return stages.stream().filter(s -> lines.contains(s.line())).toList();
    }
}
