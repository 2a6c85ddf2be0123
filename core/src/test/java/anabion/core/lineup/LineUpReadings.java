package anabion.core.lineup;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.job.Job;
import anabion.core.json.Extra;
import anabion.core.reading.Condition;
import anabion.core.reading.Reading;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.chart.MeterModel;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.tolerance.Specimen;
import anabion.core.testing.SharedSets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;

/** Sets as their line-ups are typed, and what specimens of them read. */
final class LineUpReadings {
    static final double LINE = 227;
    static final MeterSpec METER = MeterSpec.parse("10M");
    private static final Map<String, LineUpModel> MODELS = new LinkedHashMap<>();

    /** A fault and the place at which somebody who has not entered the circuit should look. */
    record Story(String set, String fault, String place) {}

    /** What a specimen with a fault reads at all that its chart has. */
    static List<Reading> readings(Chassis set, List<Fault> faults, long seed) {
        Setting setting =
                Setting.of(line(set)).withTrims(Specimen.of(set, seed)).withFaults(faults);
        MeterModel meter = new MeterModel(new Simulator().prepare(set, setting));
        List<Reading> all = new ArrayList<>();
        for (ChartRow r : set.chart().orElseThrow().rows()) {
            if (r.measure() != Measure.DC_VOLTS) continue;
            Point p = Points.of(set).need(r.point());
            all.add(reading(
                    r.point(),
                    set.reference(),
                    line(set),
                    meter.read(p.net(), Measure.DC_VOLTS, METER).orElseThrow()));
        }
        return all;
    }

    /** Of the mains a little low, of a battery as it should be. */
    static double line(Chassis set) {
        return set.supply().volts() < 50 ? set.supply().volts() : LINE;
    }

    static Reading reading(String point, String reference, double volts) {
        return reading(point, reference, LINE, volts);
    }

    static Reading reading(String point, String reference, double line, double volts) {
        return new Reading(
                UUID.randomUUID(),
                point,
                reference,
                Measure.DC_VOLTS,
                volts,
                false,
                Condition.of(line, METER, ""),
                Job.NEW.fitted().id(),
                Instant.EPOCH,
                Extra.NONE);
    }

    static synchronized LineUpModel model(String set) {
        return MODELS.computeIfAbsent(set, s -> LineUpModel.of(LineUp.alone(SharedSets.named(s)), Priors.USUAL)
                .orElseThrow());
    }

    static Optional<LineUpModel> model(Chassis set) {
        return LineUpModel.of(set, Priors.USUAL);
    }

    static Diagnosis diagnosis(String set, List<Fault> faults, long seed) {
        LineUpModel model = model(set);
        return model.diagnosis(model.evidence(readings(SharedSets.named(set), faults, seed), Job.NEW));
    }

    static void theRightPlaceComesFirst(List<Story> stories, int atLeast) {
        List<String> told = new ArrayList<>();
        int right = 0;
        for (Story s : stories) {
            List<RankedCause> causes =
                    diagnosis(s.set(), List.of(Fault.parse(s.fault())), 7).singly();
            boolean first = !causes.isEmpty()
                    && causes.get(0).causes().stream()
                            .anyMatch(h -> h.from().get(0).part().startsWith(s.place()));
            if (first) right++;
            told.add((first ? "  " : "! ") + s + " "
                    + causes.stream()
                            .limit(2)
                            .map(c -> c.odds() + " " + c.causes())
                            .toList());
        }
        assertThat(right).as(String.join("\n", told)).isGreaterThanOrEqualTo(atLeast);
    }

    static ChartRow row(ChartRow r, double volts) {
        return new ChartRow(
                r.id(), r.point(), r.band(), r.measure(), volts, r.sourceOhms(), r.tolerance(), true, Extra.NONE);
    }

    private LineUpReadings() {}
}
