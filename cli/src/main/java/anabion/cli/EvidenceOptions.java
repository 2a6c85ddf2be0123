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
import anabion.core.simulation.chart.Calibrations;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.workshop.archive.SetArchive;
import java.io.IOException;
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
     */
    record Case(PredictionModel predictions, List<Observation> evidence, Optional<LineUpModel> lineUp) {
        Diagnosis diagnosis(boolean pairs) {
            if (lineUp.isPresent()) return lineUp.get().diagnosis(evidence);
            return pairs ? Diagnosis.withPairs(predictions, evidence) : Diagnosis.of(predictions, evidence);
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
        PredictionModel predictions = new PredictionModel(chassis, Calibrations.of(chassis), priors);
        Measurements.check(predictions, all);
        return new Case(predictions, all, Optional.empty());
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
        return new Case(lineUp.predictions(), weighed, Optional.of(lineUp));
    }
}
