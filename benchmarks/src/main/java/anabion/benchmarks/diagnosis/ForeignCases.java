package anabion.benchmarks.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Identity;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Part;
import anabion.core.chassis.Points;
import anabion.core.chassis.SetKind;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.prediction.Measurements;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.error.InputException;
import anabion.core.json.Extra;
import anabion.core.simulation.setting.Setting;
import anabion.core.typical.TypicalCircuit;
import anabion.workshop.demo.DemoWorkshop;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.stream.Stream;

/**
 * Makes cases with the general solver under {@link ForeignLaws}: volts at the points of a chart, which is that of a sound specimen under the same laws, and what is heard on each band (by our own small signals, with the errors of an
 * ear). What is there already is kept, so that the command can be stopped and begun again.
 */
public final class ForeignCases {
    /** Cases of a set; of so many one is sound, and one in so many is held back from tuning. */
    private static final int EACH = 40;

    private static final int SOUND_IN = 8;
    private static final int HELD_IN = 4;
    private static final double LINE = 0.1;
    private static final double METER_ERROR = 0.02;
    private static final double DIGIT = 0.01;
    /** A meter that draws nothing: the solver's volts are those without one. */
    private static final String METER = "1000M";
    /** Volts of a point below which it is not worth a row of a chart. */
    private static final double WORTH = 0.3;

    private static final int TRIES = 8;

    private final String name;
    private final Chassis chassis;
    private final Path file;
    private final ForeignSolver solver;
    private final PredictionModel predictions;

    private ForeignCases(String name, Chassis chassis, Path folder) {
        this.name = name;
        this.chassis = chassis;
        this.file = folder.resolve(name + ".csv");
        this.predictions = new PredictionModel(chassis, Priors.USUAL);
        this.solver =
                new ForeignSolver(new ForeignLaws(chassis, chassis.supply().volts()));
    }

    /** The demo's sets that have a circuit, and six circuits that no rule was tuned on. */
    static Map<String, Chassis> sets() {
        Map<String, Chassis> all = new LinkedHashMap<>();
        for (String n : DemoWorkshop.names()) {
            Chassis c = DemoWorkshop.chassis(n);
            if (!c.parts().isEmpty()) all.put(n, c);
        }
        for (TypicalCircuit t : List.of(
                TypicalCircuit.FIVE_TUBE,
                TypicalCircuit.FIVE_TUBE_AC_DC,
                TypicalCircuit.BATTERY_FOUR_TUBE,
                TypicalCircuit.SEVEN_TRANSISTOR,
                TypicalCircuit.DIRECTLY_HEATED_RECTIFIER,
                TypicalCircuit.SILICON_TRANSISTORS)) {
            Identity identity =
                    new Identity("Typical", t.code(), "", "", OptionalInt.empty(), "", SetKind.HOME, Extra.NONE);
            all.put(t.code(), t.into(Chassis.blank(new UUID(2, t.ordinal()), identity, t.supply())));
        }
        return all;
    }

    /** Whether there is a solver to ask. */
    public static boolean solverIsHere() {
        return Stream.of(System.getenv("PATH").split(File.pathSeparator))
                .anyMatch(p -> Files.isExecutable(Path.of(p, ForeignSolver.COMMAND)));
    }

    /**
     * Makes what is missing in a folder, one file a set.
     *
     * @return by set how many were there already
     */
    public static Map<String, Object> make(Path folder, long seed) throws IOException, InterruptedException {
        Files.createDirectories(folder);
        Map<String, Object> made = new LinkedHashMap<>();
        for (Map.Entry<String, Chassis> e : sets().entrySet())
            made.put(e.getKey(), new ForeignCases(e.getKey(), e.getValue(), folder).make(seed));
        return made;
    }

    private int make(long seed) throws IOException, InterruptedException {
        if (!Files.exists(file)) begin(random(seed, -1));
        Set<String> there = new LinkedHashSet<>();
        for (String line : Files.readAllLines(file)) there.add(line.replaceFirst(",.*", ""));
        for (int n = 0; n < EACH; n++) {
            String id = String.format(Locale.ROOT, "%02d", n);
            if (there.contains(id)) continue;
            Random random = random(seed, n);
            Optional<List<String>> rows = Optional.empty();
            for (int k = 0; k < TRIES && rows.isEmpty(); k++) rows = rows(id, n % SOUND_IN == SOUND_IN - 1, random);
            if (rows.isEmpty()) continue;
            Files.write(file, rows.get(), StandardOpenOption.APPEND);
            System.err.println(name + " " + id);
        }
        return there.size() - 2;
    }

    private Random random(long seed, long n) {
        return new Random(new SplittableRandom(seed * 1_000_003 + n + 7919L * name.hashCode()).nextLong());
    }

    /** The head, and the chart of a sound specimen. */
    private void begin(Random random) throws IOException, InterruptedException {
        double line = chassis.supply().volts();
        Setting setting = Setting.of(line).withTrims(Specimen.of(chassis, random, false));
        Map<String, Double> means = solver.means(chassis, setting).orElseThrow(() -> InputException.at(name)
                .because("the general solver finds no chart for it")
                .so("look at its deck"));
        List<String> rows = new ArrayList<>();
        rows.add("case,truth,held,kind,at,value,against,line,band,meter,lifted");
        for (Map.Entry<String, String> p : points(means).entrySet())
            rows.add(row(ForeignSet.CHART, "sound", false, "volts", p.getKey(), number(means.get(p.getValue())), line));
        Files.write(file, rows);
    }

    /** Points of the chart with their nets; where there is no chart, the pins that have volts. */
    private Map<String, String> points(Map<String, Double> means) {
        Map<String, String> all = new LinkedHashMap<>();
        Points known = Points.of(chassis);
        chassis.chart().ifPresent(c -> c.rows().stream()
                .filter(r -> r.measure() == Measure.DC_VOLTS)
                .forEach(r -> all.put(r.point(), known.need(r.point()).net())));
        if (all.isEmpty())
            for (Part p : chassis.parts())
                if (p.device().isPresent())
                    p.nets().forEach((pin, net) -> {
                        if (Math.abs(means.getOrDefault(net, 0.0)) >= WORTH && !all.containsValue(net))
                            all.put(p.reference() + "." + pin, net);
                    });
        all.values().removeIf(net -> !means.containsKey(net));
        return all;
    }

    private Optional<List<String>> rows(String id, boolean sound, Random random)
            throws IOException, InterruptedException {
        Planted planted = sound ? new Planted(chassis, List.of(), Set.of()) : Planted.listed(chassis, random);
        double line = chassis.supply().volts() * (1 + LINE * Specimen.even(random));
        Map<String, Double> trims = Specimen.of(chassis, random, false);
        SimulatedBench bench = new SimulatedBench(chassis, planted, trims, line, random);
        List<Measurement> shown = Measurements.of(predictions, Setting.of(line), MeterSpec.parse(METER)).stream()
                .filter(m -> m instanceof Measurement.Volts || m instanceof Measurement.Listen)
                .toList();
        if (!sound && (!bench.settles() || !bench.shows(shown))) return Optional.empty();
        Optional<Map<String, Double>> means =
                solver.means(chassis, Setting.of(line).withTrims(trims).withFaults(bench.standing()));
        if (means.isEmpty()) return Optional.empty();
        String truth = sound
                ? ForeignSet.SOUND
                : planted.faults().get(0).part() + " " + planted.faults().get(0).text();
        boolean held = random.nextInt(HELD_IN) == 0;
        double read = bench.lineRead();
        List<String> rows = new ArrayList<>();
        trims.forEach((part, factor) -> rows.add(row(id, truth, held, ForeignSet.TRIM, part, factor(factor), read)));
        for (Measurement m : shown)
            if (m instanceof Measurement.Listen l && bench.answer(l) instanceof Observation.Heard h)
                rows.add(row(id, truth, held, "symptom", l.band(), h.outcome().code(), read));
        for (String point : ForeignSet.charted(file)) {
            double volts =
                    means.get().getOrDefault(Points.of(chassis).need(point).net(), 0.0);
            double shows = Math.rint(volts * (1 + METER_ERROR * Specimen.even(random)) / DIGIT) * DIGIT;
            rows.add(row(id, truth, held, "volts", point, number(shows), read));
        }
        return Optional.of(rows);
    }

    private static String row(
            String id, String truth, boolean held, String kind, String at, String value, double line) {
        boolean volts = kind.equals("volts");
        return String.join(
                ",",
                id,
                truth,
                held ? "held" : "",
                kind,
                at,
                value,
                "",
                volts ? number(line) : "",
                "",
                volts ? METER : "",
                "");
    }

    private static String factor(double v) {
        return String.format(Locale.ROOT, "%.4f", v);
    }

    private static String number(double v) {
        return String.format(Locale.ROOT, "%.2f", v + 0.0);
    }
}
