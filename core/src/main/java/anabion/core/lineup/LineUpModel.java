package anabion.core.lineup;

import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Place;
import anabion.core.chassis.Points;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.evidence.Evidence;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.error.InputException;
import anabion.core.job.Job;
import anabion.core.reading.Reading;
import anabion.core.simulation.chart.Calibrations;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** What a set's readings say while only its line-up and its chart are entered: odds over places. */
public final class LineUpModel {
    /** What the inferred circuit reads otherwise than the chart by more than this share and these volts it does not explain. */
    private static final double OFF = 0.2;

    private static final double LITTLE = 0.3;

    private final Chassis inferred;
    /** Volts of the inferred battery for a volt of the line. */
    private final double scale;

    private final PredictionModel predictions;
    /** Points of which the inferred circuit reads the charted volts. */
    private final Set<String> explained;

    private LineUpModel(Chassis inferred, double scale, PredictionModel predictions) {
        this.inferred = inferred;
        this.scale = scale;
        this.predictions = predictions;
        this.explained = explained();
    }

    private Set<String> explained() {
        Chart chart = inferred.chart().orElseThrow();
        Points points = Points.of(inferred);
        Setting setting = Setting.of(chart.conditions().line());
        MeterSpec meter = MeterSpec.parse(chart.conditions().meter());
        return chart.rows().stream()
                .filter(r -> {
                    Measurement.Volts v = new Measurement.Volts(
                            r.point(), points.need(r.point()).net(), setting, meter);
                    return predictions
                            .at(predictions.healthy(), v)
                            .filter(p -> Math.abs(p.value() - r.value()) <= OFF * Math.abs(r.value()) + LITTLE)
                            .isPresent();
                })
                .map(ChartRow::point)
                .collect(Collectors.toUnmodifiableSet());
    }

    /** Empty without a tube that has a charted plate or screen or a transistor that has a charted collector, without a line that the chart was taken at, and where no circuit reads such a chart. */
    public static Optional<LineUpModel> of(Chassis chassis, Priors priors) {
        double line = line(chassis);
        if (line <= 0) return Optional.empty();
        try {
            return InferredCircuit.of(chassis)
                    .or(() -> InferredTransistors.of(chassis))
                    .map(c -> new LineUpModel(
                            c, c.supply().volts() / line, new PredictionModel(c, Calibrations.of(c), priors)));
        } catch (InputException e) {
            return Optional.empty(); // nobody has entered what does not settle
        }
    }

    private static double line(Chassis chassis) {
        double charted = chassis.chart()
                .map(c -> c.conditions().line())
                .filter(v -> v > 0)
                .orElse(0.0);
        return charted > 0 ? charted : chassis.supply().volts();
    }

    /** What weighs the places. */
    public PredictionModel predictions() {
        return predictions;
    }

    /** Direct volts at the pins of the line-up, as the inferred circuit is fed: of the chart's band, with nothing off that it does not know. */
    public List<Observation> evidence(List<Reading> readings, Job job) {
        String band = inferred.chart().orElseThrow().conditions().band();
        List<Reading> here = readings.stream()
                .filter(r -> r.measure() == Measure.DC_VOLTS && explains(r.point()))
                .filter(r ->
                        r.condition().band().isEmpty() || r.condition().band().equals(band))
                .filter(r -> r.condition().openEnds().stream()
                        .allMatch(o -> inferred.part(o).isPresent()))
                .map(r -> r.withCondition(
                        r.condition().withLine(r.condition().line() * scale).withBand("")))
                .toList();
        return Evidence.of(inferred, here, job).stream()
                .filter(o -> o.measurement() instanceof Measurement.Volts)
                .toList();
    }

    /** Of evidence in the set's own terms what this weighs: volts at pins, as the inferred circuit is fed. */
    public List<Observation> restated(List<Observation> evidence) {
        Points points = Points.of(inferred);
        List<Observation> all = new ArrayList<>();
        for (Observation o : evidence)
            if (o instanceof Observation.Measured m
                    && m.measurement() instanceof Measurement.Volts v
                    && v.lifted().isEmpty()
                    && explains(v.point()))
                all.add(new Observation.Measured(
                        new Measurement.Volts(
                                v.point(),
                                points.need(v.point()).net(),
                                Setting.of(v.setting().line() * scale),
                                v.meter()),
                        m.value()));
        return all;
    }

    /** Weighs the places; what is asked next are volts at pins that the chart has. */
    public Diagnosis diagnosis(List<Observation> evidence) {
        List<Measurement> volts = Diagnosis.allowed(predictions, evidence).stream()
                .filter(m -> m instanceof Measurement.Volts v && v.lifted().isEmpty() && explains(v.point()))
                .toList();
        Diagnosis d = Diagnosis.withPairs(predictions, evidence, volts);
        return new Diagnosis(
                d.suspects(),
                d.quiet(),
                d.sound(),
                d.other(),
                d.unsettled(),
                d.next().stream().filter(t -> volts.contains(t.measurement())).toList(),
                d.backed());
    }

    /** Share of the odds by the tube at whose parts they lie, the most first: whose parts to enter next. */
    public static Map<String, Double> byTube(Diagnosis d) {
        Map<String, Double> sums = new LinkedHashMap<>();
        for (RankedCause c : d.suspects())
            c.causes().stream()
                    .map(h -> h.from().get(0).part())
                    .map(Place::owner)
                    .distinct()
                    .forEach(t -> sums.merge(t, c.odds(), Double::sum));
        Map<String, Double> sorted = new LinkedHashMap<>();
        sums.entrySet().stream()
                .sorted(Map.Entry.<String, Double>comparingByValue(Comparator.reverseOrder()))
                .forEach(e -> sorted.put(e.getKey(), e.getValue()));
        return sorted;
    }

    /** Whether a point's charted volts are what its place explains: what is read there is weighed. */
    public boolean explains(String point) {
        return explained.contains(point);
    }
}
