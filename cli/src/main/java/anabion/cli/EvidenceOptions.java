package anabion.cli;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.prediction.Measurements;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.error.InputException;
import anabion.core.format.EvidenceCodec;
import anabion.core.lineup.LineUpModel;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.workshop.KeptPredictions;
import anabion.workshop.archive.SetArchive;
import anabion.workshop.storage.ComputedFiles;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import picocli.CommandLine.Spec.Target;

/** A set and what has been found out about it: shared by the commands that diagnose. */
final class EvidenceOptions {
    @Parameters(paramLabel = "SET", description = "chassis file or set archive")
    private Path file;

    @Option(
            names = "--evidence",
            required = true,
            paramLabel = "CSV",
            description = "kind,at,value and against,line,band,meter,lifted")
    private Path list;

    @Option(
            names = "--workshop",
            paramLabel = "FOLDER",
            description =
                    "what was computed of the set is taken from there and kept there (default: ~/anabion-workshop, if there is one)")
    private Optional<Path> workshop = Optional.empty();

    @Spec(Target.MIXEE)
    private CommandSpec spec;

    @Option(
            names = "--visited",
            description = "an earlier visitor's work was seen: joints and wrong values are likelier")
    private boolean visited;

    /**
     * A set's predictions, and the evidence to weigh.
     *
     * @param lineUp where no circuit is entered: the predictions are those of its places
     * @param keep keeps what was computed
     */
    record Case(PredictionModel predictions, List<Observation> evidence, Optional<LineUpModel> lineUp, Runnable keep) {
        Diagnosis diagnosis(boolean pairs) {
            if (lineUp.isPresent()) return lineUp.get().diagnosis(evidence);
            Diagnosis found = pairs ? Diagnosis.withPairs(predictions, evidence) : Diagnosis.of(predictions, evidence);
            keep.run();
            return found;
        }
    }

    Case read() throws IOException {
        Chassis chassis = SettingOptions.wired(SetArchive.open(file).set().chassis(), spec);
        List<Observation> all = Lists.read(list, in -> EvidenceCodec.read(in, chassis));
        Priors usual = Priors.USUAL.from(chassis.identity().year().orElse(0));
        Priors priors = visited ? usual.visited() : usual;
        if (!CircuitPredictor.powered(chassis)) {
            Optional<LineUpModel> lineUp = LineUpModel.of(chassis, priors);
            if (lineUp.isPresent()) return places(lineUp.get(), all);
        }
        Optional<ComputedFiles> files = files();
        KeptPredictions kept = new KeptPredictions(chassis, priors, files);
        Measurements.check(kept.model(), all);
        return new Case(kept.model(), all, Optional.empty(), () -> files.ifPresent(kept::keep));
    }

    /** The workshop that was named, or the usual one where there is one. */
    private Optional<ComputedFiles> files() {
        Path folder = workshop.orElse(Path.of(System.getProperty("user.home"), "anabion-workshop"));
        if (Files.isDirectory(folder)) return Optional.of(new ComputedFiles(folder, () -> true));
        if (workshop.isEmpty()) return Optional.empty();
        throw InputException.at(folder.toString())
                .because("there is no such folder")
                .so("name that of a workshop, or leave --workshop out");
    }

    /** By line-up and chart alone. */
    private Case places(LineUpModel lineUp, List<Observation> all) {
        List<Observation> weighed = lineUp.restated(all);
        if (weighed.isEmpty())
            throw InputException.at(list.toString())
                    .because("no circuit is entered, and none of this is direct volts at a pin that the chart has")
                    .so("read a pin of the chart, or enter the parts and nets first");
        spec.commandLine()
                .getErr()
                .printf(
                        "anabion: no circuit is entered: places are weighed by line-up and chart, with %d of %d pieces of evidence%n",
                        weighed.size(), all.size());
        return new Case(lineUp.predictions(), weighed, Optional.of(lineUp), () -> {});
    }
}
