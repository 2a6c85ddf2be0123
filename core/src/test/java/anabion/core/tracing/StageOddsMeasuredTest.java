package anabion.core.tracing;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Stage;
import anabion.core.diagnosis.prediction.AudibilityModel;
import anabion.core.job.Arrival;
import anabion.core.job.Complaint;
import anabion.core.job.FittedState;
import anabion.core.job.Heard;
import anabion.core.job.Job;
import anabion.core.job.Outcome;
import anabion.core.job.SymptomKind;
import anabion.core.json.Extra;
import anabion.core.signal.Loudness;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.fault.FaultList;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.Deep;
import anabion.core.testing.SharedSets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Odds that are said to somebody have to be right as often as they say: stage odds on sets whose true circuit is known, every audible fault once. */
class StageOddsMeasuredTest {
    private static final Map<SymptomKind, Outcome> HEARD = Map.of(
            SymptomKind.FINE, Outcome.LOUD,
            SymptomKind.DEAD, Outcome.NOTHING,
            SymptomKind.WEAK, Outcome.WEAK,
            SymptomKind.HUM, Outcome.HUM);

    static List<String> sets() {
        return Deep.some("sets whose stage odds are measured", 1, List.of("halcyon", "brae"));
    }

    private final Simulator engine = new Simulator();
    private final Random random = new Random(5);

    /** Now and then an ear is wrong. */
    private Outcome ear(Loudness good, Optional<Loudness> bad, String point) {
        if (random.nextDouble() > 0.04) return AudibilityModel.usual(good, bad, point);
        return random.nextBoolean() ? Outcome.LOUD : Outcome.NOTHING;
    }

    private Optional<Loudness> loudness(Chassis set, Band band, List<Fault> faults) {
        Setting loud = Setting.of(set.supply().volts())
                .withControls(Controls.volume(set, 1))
                .withFaults(faults);
        return Loudness.of(engine, set, loud, band);
    }

    /** Of every stage the point nearest the aerial: its input. */
    private static Map<String, TracePoint> inputs(List<TracePoint> points) {
        Map<String, TracePoint> last = new LinkedHashMap<>();
        for (TracePoint p : points) last.put(p.stage(), p);
        return last;
    }

    private static TracePoint nameless(TracePoint p) {
        return new TracePoint(p.stage(), p.stage(), p.signal(), p.hertz(), p.volts(), p.farads(), p.induced());
    }

    private static Job complaining(List<Complaint> all) {
        return Job.NEW.withArrival(new Arrival("", "", all, Set.of(), List.of(), "", Extra.NONE));
    }

    @ParameterizedTest
    @MethodSource("sets")
    void stagesAreNamedAboutAsOftenRightlyAsTheOddsSay(String name) {
        Chassis set = SharedSets.named(name);
        Band band = set.bands().get(0);
        Map<String, TracePoint> inputs = inputs(TraceTable.points(set, band));
        List<TracePoint> points =
                inputs.values().stream().map(StageOddsMeasuredTest::nameless).toList();
        Loudness good = loudness(set, band, List.of()).orElseThrow();
        double said = 0;
        double right = 0;
        int cases = 0;
        for (List<Fault> way : FaultList.ways(set)) {
            Fault fault = way.get(way.size() / 2);
            Optional<Loudness> bad = loudness(set, band, List.of(fault));
            if (AudibilityModel.usual(good, bad, good.whole()) == Outcome.LOUD) continue;
            List<Complaint> complaints = new ArrayList<>();
            for (Band b : set.bands())
                loudness(set, b, List.of()).ifPresent(sound -> complaint(
                                b, AudibilityModel.usual(sound, loudness(set, b, List.of(fault)), sound.whole()))
                        .ifPresent(complaints::add));
            Job job = traced(
                    band,
                    points,
                    complaining(complaints),
                    r -> ear(
                            good,
                            bad,
                            r.signal().code() + " " + inputs.get(r.stage()).point()));
            StageOdds odds = StageOdds.of(set, job, b -> true).orElseThrow();
            StageOdds.Cause first = odds.odds().keySet().iterator().next();
            said += odds.of(first.stage());
            right += owner(set, fault).filter(s -> s.equals(first.stage())).isPresent() ? 1 : 0;
            cases++;
        }
        assertThat(cases).isGreaterThan(60);
        assertThat(said / cases)
                .as("right %.2f of %d", right / cases, cases)
                .isBetween(right / cases - 0.1, right / cases + 0.1);
        assertThat(right / cases).as("of some ten stages").isGreaterThan(0.4);
    }

    private static Optional<Complaint> complaint(Band b, Outcome outcome) {
        return HEARD.entrySet().stream()
                .filter(e -> e.getValue() == outcome)
                .findFirst()
                .map(e -> new Complaint(b.name(), e.getKey(), "", Extra.NONE));
    }

    private static Job traced(
            Band band, List<TracePoint> points, Job begun, java.util.function.Function<TraceRow, Outcome> ear) {
        Job job = begun;
        for (Optional<TraceRow> next = next(band, points, job); next.isPresent(); next = next(band, points, job))
            job = job.with(new Heard(
                    UUID.randomUUID(),
                    Instant.EPOCH,
                    band.name(),
                    Heard.How.INJECT,
                    next.get().signal(),
                    next.get().point(),
                    ear.apply(next.get()),
                    0,
                    FittedState.AS_FOUND,
                    Extra.NONE));
        return job;
    }

    private static Optional<TraceRow> next(Band band, List<TracePoint> points, Job job) {
        return TraceTable.of(band.name(), points, job).next(School.HALF, s -> 0);
    }

    private static Optional<String> owner(Chassis set, Fault fault) {
        return set.owner(fault.part()).map(Stage::name);
    }
}
