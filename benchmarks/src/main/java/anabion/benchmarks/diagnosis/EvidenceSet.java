package anabion.benchmarks.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.error.InputException;
import anabion.core.format.EvidenceCodec;
import anabion.core.simulation.chart.Calibrations;
import anabion.workshop.archive.SetArchive;
import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * Cases that were made elsewhere, by another simulator or on a bench: for each chassis file {@code NAME.json} a folder {@code NAME} with {@code CASE.csv}, evidence in the format of {@code diagnose}, and
 * {@code CASE.truth}, one line: the reference of the part at fault, several where either will do, or {@code sound}.
 */
public final class EvidenceSet {
    private final EvidenceScore score = new EvidenceScore();

    private EvidenceSet() {}

    /**
     * Weighs all cases of some sets.
     *
     * @throws InputException if a case has no truth, or its evidence is not understood
     */
    public static Map<String, Object> measure(List<Path> chassis, Path folder) throws IOException {
        EvidenceSet all = new EvidenceSet();
        for (Path file : chassis) all.weigh(file, folder);
        if (all.score.isEmpty())
            throw InputException.at(folder.toString())
                    .because("there is no case in it for these sets")
                    .so("put CASE.csv and CASE.truth into a folder named like the chassis file");
        return all.score.table();
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
                weigh(name, set, predictions, csv);
        }
        score.took(name, System.nanoTime() - start);
    }

    private void weigh(String name, Chassis set, PredictionModel predictions, Path csv) throws IOException {
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
        score.add(name, csv.getFileName().toString(), EvidenceScore.weighed(predictions, evidence, wanted));
    }
}
