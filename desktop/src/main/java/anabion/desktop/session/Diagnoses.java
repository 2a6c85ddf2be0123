package anabion.desktop.session;

import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Stage;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.ExpectedAnswer;
import anabion.core.diagnosis.evidence.Evidence;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.inference.Explanation;
import anabion.core.diagnosis.nexttest.RatedMeasurement;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.job.Job;
import anabion.core.job.Step;
import anabion.core.lineup.LineUpModel;
import anabion.core.reading.Reading;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.core.tracing.StageOdds;
import anabion.workshop.SetRecord;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;

/** Weighs the evidence on the set on the bench, while a step is in hand that looks for faults. */
public final class Diagnoses {
    private static final Set<Step> SEEKING = EnumSet.of(Step.COLD_CHECKS, Step.VOLTAGES, Step.TRACE);
    private static final int EXPLAINED = 3;
    /** As many rows as one takes in at a glance. */
    private static final int TELLING = 5;

    private final Session session;
    private final DirectFindings direct;
    private final ObjectProperty<Optional<Found>> found = new SimpleObjectProperty<>(Optional.empty());
    private final ReadOnlyObjectWrapper<Optional<StageOdds>> alone = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<List<Measurement.Ohms>> telling = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyBooleanWrapper weighing = new ReadOnlyBooleanWrapper();
    private Map<Priors.Key, Double> experience = Map.of();
    private Optional<Ground> weighed = Optional.empty();

    /** What a diagnosis rests on: evidence is gathered from it off the interface thread. */
    private record Ground(
            Chassis chassis, Priors priors, List<Reading> readings, Job job, boolean cold, boolean unpowered) {
        List<Observation> evidence() {
            return chassis.parts().isEmpty() ? List.of() : Evidence.of(chassis, readings, job);
        }
    }

    /** What one round of weighing brings. */
    private record Weighed(Optional<Found> found, List<Measurement.Ohms> telling) {}

    Diagnoses(Session session) {
        this.session = session;
        this.direct = new DirectFindings(session);
        session.set().addListener((o, a, b) -> {
            if (!a.map(SetRecord::id).equals(b.map(SetRecord::id))) learn();
            look();
        });
        session.step().addListener((o, a, b) -> look());
        direct.known().addListener((o, a, b) -> {
            if (a.stops() != b.stops()) look();
        });
    }

    /** What is known without odds. */
    public DirectFindings direct() {
        return direct;
    }

    /** Empty without evidence, and before a step that looks for faults. */
    public ObjectProperty<Optional<Found>> found() {
        return found;
    }

    private void look() {
        alone.set(session.set()
                .get()
                .filter(s -> session.step().get() == Step.TRACE)
                .flatMap(Diagnoses::alone));
        Optional<Ground> now = session.set().get().map(this::ground);
        boolean same = now.isPresent() && now.equals(weighed);
        if (same || !SEEKING.contains(session.step().get())) {
            if (!same) outdated(now);
            return;
        }
        outdated(now);
        weighed = now;
        if (now.isEmpty()) {
            weighing.set(false);
            found.set(Optional.empty());
            return;
        }
        weighing.set(true);
        session.compute().ask(ComputeScheduler.Job.DIAGNOSIS, () -> weigh(now.get()), this::show, t -> {
            show(new Weighed(Optional.empty(), List.of()));
            session.report(t);
        });
    }

    /** What the other sets have taught, once for each set that comes to the bench. */
    private void learn() {
        session.set()
                .get()
                .map(SetRecord::id)
                .ifPresent(id -> session.ask(w -> w.sets().tested(), sets -> session.compute()
                        .ask(ComputeScheduler.Job.PRIORS, () -> sets.experience(id), this::learned)));
    }

    private void learned(Map<Priors.Key, Double> factors) {
        if (experience.equals(factors)) return;
        experience = factors;
        look();
    }

    /** Whether odds are on their way: the first of a set take a while. */
    public ReadOnlyBooleanProperty weighing() {
        return weighing.getReadOnlyProperty();
    }

    private void show(Weighed w) {
        weighing.set(false);
        found.set(w.found());
        telling.set(w.telling());
    }

    /** The ohms that tell most for their time, while cold checks are in hand. */
    public ReadOnlyObjectProperty<List<Measurement.Ohms>> telling() {
        return telling.getReadOnlyProperty();
    }

    /** A ranking older than the evidence says so; one of another set goes. */
    private void outdated(Optional<Ground> now) {
        boolean mine = now.isPresent()
                && weighed.filter(
                                w -> w.chassis().id().equals(now.get().chassis().id()))
                        .isPresent();
        found.set(mine ? found.get().map(Found::behind) : Optional.empty());
        if (!mine) {
            weighed = Optional.empty();
            telling.set(List.of());
        }
    }

    /** Of the bands of which no circuit tells: all of a set without one, else the segments of a display. */
    private static Optional<StageOdds> alone(SetRecord set) {
        boolean circuit = !set.chassis().parts().isEmpty() && CircuitPredictor.powered(set.chassis());
        return StageOdds.of(set.chassis(), set.job(), b -> !circuit || b.kind() == BandKind.DISPLAY);
    }

    private Ground ground(SetRecord set) {
        Priors usual = Priors.USUAL
                .from(set.chassis().identity().year().orElse(0))
                .with(experience)
                .afterAccidents(set.job().accidents());
        return new Ground(
                set.compared().unnamed(),
                set.job().arrival().visited() ? usual.visited() : usual,
                set.readings(),
                set.job(),
                session.step().get() == Step.COLD_CHECKS
                        && !set.chassis().parts().isEmpty(),
                direct.known().get().stops());
    }

    /** On the worker. */
    private Weighed weigh(Ground g) {
        List<Observation> evidence = g.evidence();
        boolean tried = evidence.stream()
                .anyMatch(o -> o instanceof Observation.Measured
                        || o.measurement() instanceof Measurement.Inject
                        || o.measurement() instanceof Measurement.Tap);
        if (!CircuitPredictor.powered(g.chassis())) return places(g);
        if (!tried && !g.cold()) return new Weighed(Optional.empty(), List.of());
        return session.predictors()
                .foreseen(g.chassis(), g.priors(), predictions -> weigh(predictions, evidence, g, tried));
    }

    /** Of a set of which only the line-up and the chart are entered. */
    private Weighed places(Ground g) {
        boolean read = g.readings().stream().anyMatch(r -> r.measure() == Measure.DC_VOLTS);
        if (!read || g.unpowered()) return new Weighed(Optional.empty(), List.of());
        return session.predictors().ofLineUp(g.chassis(), g.priors(), m -> {
            List<Observation> evidence =
                    m.map(l -> l.evidence(g.readings(), g.job())).orElse(List.of());
            if (evidence.isEmpty()) return new Weighed(Optional.empty(), List.of());
            LineUpModel model = m.orElseThrow();
            Diagnosis d = model.diagnosis(evidence);
            return new Weighed(Optional.of(found(model.predictions(), evidence, d, d.next(), true)), List.of());
        });
    }

    private static Weighed weigh(PredictionModel predictions, List<Observation> evidence, Ground g, boolean tried) {
        List<Measurement.Ohms> telling = g.cold()
                ? Diagnosis.ohms(predictions, evidence).stream()
                        .limit(TELLING)
                        .map(t -> (Measurement.Ohms) t.measurement())
                        .toList()
                : List.of();
        return new Weighed(
                tried ? Optional.of(found(predictions, evidence, g.unpowered())) : Optional.empty(), telling);
    }

    /** @param unpowered whether nothing may be asked that needs the set switched on */
    private static Found found(PredictionModel predictions, List<Observation> evidence, boolean unpowered) {
        Diagnosis d = Diagnosis.withPairs(predictions, evidence);
        return found(predictions, evidence, d, unpowered ? Diagnosis.ohms(predictions, evidence) : d.next(), false);
    }

    private static Found found(
            PredictionModel predictions,
            List<Observation> evidence,
            Diagnosis d,
            List<RatedMeasurement> worth,
            boolean inferred) {
        List<Explanation> why = new ArrayList<>();
        d.suspects().stream().limit(EXPLAINED).forEach(s -> why.add(d.explained(predictions, evidence, s)));
        List<Found.Next> next = worth.stream()
                .limit(EXPLAINED)
                .map(t -> new Found.Next(t, ExpectedAnswer.of(predictions, evidence, d, t.measurement(), 2)))
                .toList();
        return new Found(d.sized(predictions, evidence), why, next, evidence.size(), inferred, false);
    }

    /** What the stages alone say, where no circuit has said more. */
    public ReadOnlyObjectProperty<Optional<StageOdds>> alone() {
        return alone.getReadOnlyProperty();
    }

    /** Odds that the fault is in a stage, from the circuit where it is known, else from the stages alone. */
    public Optional<Double> odds(Stage stage) {
        return alone.get()
                .filter(a -> a.covers(stage.name()))
                .map(a -> a.of(stage.name()))
                .or(() -> found.get().map(f -> f.odds(stage)));
    }

    /** Completes once the evidence entered so far has been weighed. */
    public CompletableFuture<Integer> done() {
        return session.compute().searched();
    }
}
