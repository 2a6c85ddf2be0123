package anabion.benchmarks.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.error.InputException;
import anabion.core.format.EvidenceCodec;
import anabion.core.simulation.chart.Calibrations;
import anabion.workshop.archive.SetArchive;
import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * Cases that were made elsewhere, by another simulator or on a bench: for each chassis file {@code NAME.json} a folder {@code NAME} with {@code CASE.csv}, evidence in the format of {@code diagnose}, and
 * {@code CASE.truth}, one line: the reference of the part at fault, several where either will do, or {@code sound}.
 */
public final class EvidenceSet {
    private static final String SOUND = "sound";
    private static final double SURE = 0.97;
    private static final double NOT_CONVICTED = 0.5;

    private final List<Case> cases = new ArrayList<>();
    private final Map<String, Double> seconds = new LinkedHashMap<>();

    /**
     * What came out of one.
     *
     * @param rank place of the truth among the causes one by one, from 1; 0 where it is not named
     * @param stated odds of the first
     */
    private record Case(String set, boolean sound, int rank, double stated, boolean cleared) {}

    private EvidenceSet() {}

    /**
     * Weighs all cases of some sets.
     *
     * @throws InputException if a case has no truth, or its evidence is not understood
     */
    public static Map<String, Object> measure(List<Path> chassis, Path folder) throws IOException {
        EvidenceSet all = new EvidenceSet();
        for (Path file : chassis) all.weigh(file, folder);
        if (all.cases.isEmpty())
            throw InputException.at(folder.toString())
                    .because("there is no case in it for these sets")
                    .so("put CASE.csv and CASE.truth into a folder named like the chassis file");
        return all.table();
    }

    private void weigh(Path file, Path folder) throws IOException {
        String name = file.getFileName().toString().replaceFirst("\\.[^.]+$", "");
        Chassis set = SetArchive.open(file).set().chassis();
        long start = System.nanoTime();
        PredictionModel predictions = new PredictionModel(set, Calibrations.of(set), Priors.USUAL);
        Path own = folder.resolve(name);
        if (!Files.isDirectory(own)) return;
        try (Stream<Path> files = Files.list(own)) {
            for (Path csv :
                    files.filter(p -> p.toString().endsWith(".csv")).sorted().toList())
                cases.add(weighed(name, set, predictions, csv));
        }
        seconds.put(name, Math.round((System.nanoTime() - start) / 1e8) / 10.0);
    }

    private static Case weighed(String name, Chassis set, PredictionModel predictions, Path csv) throws IOException {
        Path truth = csv.resolveSibling(csv.getFileName().toString().replaceFirst("\\.csv$", ".truth"));
        if (!Files.exists(truth))
            throw InputException.at(csv.toString())
                    .because("this case has no truth")
                    .so("write it into " + truth);
        List<String> wanted = List.of(Files.readString(truth).strip().split("[\\s,]+"));
        List<Observation> evidence;
        try (Reader in = Files.newBufferedReader(csv)) {
            evidence = EvidenceCodec.read(in, set);
        } catch (InputException e) {
            throw e.inside(csv.toString());
        }
        Diagnosis d = Diagnosis.withPairs(predictions, evidence);
        List<RankedCause> singly = d.singly();
        int rank = 0;
        for (int n = singly.size() - 1; n >= 0; n--)
            if (singly.get(n).parts().stream().anyMatch(wanted::contains)) rank = n + 1;
        double first = singly.isEmpty() ? 0 : singly.get(0).odds();
        boolean cleared = d.sound() >= NOT_CONVICTED || (!d.decided() && first < NOT_CONVICTED);
        return new Case(name, wanted.contains(SOUND), rank, first, cleared);
    }

    private Map<String, Object> table() {
        List<Case> faulty = cases.stream().filter(c -> !c.sound()).toList();
        List<Case> sound = cases.stream().filter(Case::sound).toList();
        List<Case> sure = faulty.stream().filter(c -> c.stated() >= SURE).toList();
        Map<String, Object> t = new LinkedHashMap<>();
        t.put("cases", cases.size());
        t.put("first", share(faulty, faulty.stream().filter(c -> c.rank() == 1).count()));
        t.put(
                "firstThree",
                share(
                        faulty,
                        faulty.stream()
                                .filter(c -> c.rank() >= 1 && c.rank() <= 3)
                                .count()));
        t.put(
                "statedMinusRight",
                faulty.isEmpty()
                        ? 0
                        : Math.round(1e4
                                        * (faulty.stream()
                                                        .mapToDouble(Case::stated)
                                                        .average()
                                                        .orElse(0)
                                                - faulty.stream()
                                                                .filter(c -> c.rank() == 1)
                                                                .count()
                                                        / (double) faulty.size()))
                                / 1e4);
        t.put("sure", sure.size());
        t.put(
                "sureAndRight",
                share(sure, sure.stream().filter(c -> c.rank() == 1).count()));
        t.put("sound", sound.size());
        t.put(
                "soundNotConvicted",
                share(sound, sound.stream().filter(Case::cleared).count()));
        Map<String, Object> each = new LinkedHashMap<>();
        seconds.forEach((set, s) -> {
            List<Case> own = faulty.stream().filter(c -> c.set().equals(set)).toList();
            each.put(
                    set,
                    Map.of(
                            "first",
                            share(own, own.stream().filter(c -> c.rank() == 1).count()),
                            "seconds",
                            s));
        });
        t.put("sets", each);
        return t;
    }

    private static double share(List<Case> of, long n) {
        return of.isEmpty() ? 0 : Math.round(1e4 * n / of.size()) / 1e4;
    }
}
