package anabion.desktop.session;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import anabion.core.error.InputException;
import anabion.core.handback.SafetyLimits;
import anabion.core.isolation.Isolation;
import anabion.core.job.Alteration;
import anabion.core.job.Job;
import anabion.core.job.Step;
import anabion.core.job.WorkOrder;
import anabion.core.reading.Condition;
import anabion.core.reading.judgement.Judge;
import anabion.core.recap.Plan;
import anabion.core.signal.CircuitCheck;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.History;
import anabion.workshop.Op;
import anabion.workshop.Photo;
import anabion.workshop.PinVolts;
import anabion.workshop.Predictors;
import anabion.workshop.Question;
import anabion.workshop.SetRecord;
import anabion.workshop.StorageThread;
import anabion.workshop.Summary;
import anabion.workshop.Timer;
import anabion.workshop.Workshop;
import anabion.workshop.storage.CheckedPicture;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;

/** The state of the window: the shelf, the set on the bench, the verdict on it, and what is chosen. */
public final class Session implements AutoCloseable {
    private static final History NO_HISTORY = new History(Optional.empty(), Optional.empty());
    private final StorageThread storage;
    private final Predictors predictors;
    private final ComputeScheduler compute = new ComputeScheduler();
    private final Clock clock;
    private final Path folder;

    private final ObjectProperty<List<Timer>> timers = new SimpleObjectProperty<>(List.of());
    private final ObjectProperty<Optional<SetRecord>> set = new SimpleObjectProperty<>(Optional.empty());
    private final ObjectProperty<Optional<Judge.Verdict>> verdict = new SimpleObjectProperty<>(Optional.empty());
    private final ObjectProperty<Optional<Condition>> condition = new SimpleObjectProperty<>(Optional.empty());
    private final ObjectProperty<Optional<String>> part = new SimpleObjectProperty<>(Optional.empty());
    private final ObjectProperty<Optional<String>> stage = new SimpleObjectProperty<>(Optional.empty());
    private final PhotoLoader photos;
    private final ObjectProperty<SafetyLimits> limits = new SimpleObjectProperty<>(SafetyLimits.USUAL);
    private final ObjectProperty<Step> step = new SimpleObjectProperty<>(Step.ARRIVAL);
    private final ObjectProperty<History> history = new SimpleObjectProperty<>(NO_HISTORY);
    private final BooleanProperty motion = new SimpleBooleanProperty(true);
    private final ObjectProperty<Words> words = new SimpleObjectProperty<>(new Words(Vocabulary.STANDARD));
    private final ShelfLines shelf = new ShelfLines(this);
    private final CircuitFacts circuit = new CircuitFacts(compute, this::report);
    private final Types types = new Types(this);
    private final Plans plans = new Plans(this);
    private final Diagnoses diagnoses = new Diagnoses(this);
    private final PowerUps power = new PowerUps(this);
    private final Alignments alignments = new Alignments(this);
    private final InstrumentStates instruments = new InstrumentStates();
    private Consumer<Throwable> trouble = t -> {};
    private Optional<SetRecord> ahead = Optional.empty();
    private int writing;

    public Session(Workshop workshop) {
        this.storage = new StorageThread(workshop);
        this.predictors = workshop.predictors();
        this.clock = workshop.clock();
        this.folder = workshop.folder();
        this.photos = new PhotoLoader(folder, workshop.thumbnails());
        set.addListener((o, a, b) -> {
            judge();
            if (a.map(SetRecord::chassis).equals(b.map(SetRecord::chassis))) return;
            circuit.of(b.map(SetRecord::chassis), a.map(SetRecord::id).equals(b.map(SetRecord::id)));
        });
        condition.addListener((o, a, b) -> judge());
        compute.onTrouble(t -> trouble.accept(t));
        types.read();
    }

    /** Says that something went wrong. */
    public void report(Throwable t) {
        trouble.accept(t);
    }

    public void onTrouble(Consumer<Throwable> handler) {
        trouble = handler;
    }

    public ObjectProperty<List<Summary>> shelf() {
        return shelf.summaries();
    }

    public ObjectProperty<List<Timer>> timers() {
        return timers;
    }

    public ObjectProperty<Optional<SetRecord>> set() {
        return set;
    }

    public ObjectProperty<Optional<Judge.Verdict>> verdict() {
        return verdict;
    }

    /** How the set on the bench is isolated from the mains; empty without a set. */
    public ObjectProperty<Optional<Isolation>> isolation() {
        return circuit.isolation();
    }

    /** What is odd about the circuit of the set on the bench. */
    public ObjectProperty<List<CircuitCheck.Remark>> remarks() {
        return circuit.remarks();
    }

    /** The instruments that are connected or remembered. */
    public InstrumentStates instruments() {
        return instruments;
    }

    public ObjectProperty<Optional<Condition>> condition() {
        return condition;
    }

    /** Reference of the part in hand. */
    public ObjectProperty<Optional<String>> part() {
        return part;
    }

    /** The types that can be named. */
    public Types types() {
        return types;
    }

    /** The recap of the set on the bench; empty while it is not asked for. */
    public ObjectProperty<Optional<Plan>> plan() {
        return plans.plan();
    }

    public Diagnoses diagnoses() {
        return diagnoses;
    }

    public Alignments alignments() {
        return alignments;
    }

    public PowerUps power() {
        return power;
    }

    /** What is to be recapped, how, and from which drawers. */
    public Plans plans() {
        return plans;
    }

    /** Where all is computed that the window shows. */
    public ComputeScheduler compute() {
        return compute;
    }

    public ObjectProperty<Optional<String>> stage() {
        return stage;
    }

    /** Photos as they are shown. */
    public PhotoLoader photos() {
        return photos;
    }

    /** Limits of the tests before a set is handed back. */
    public ObjectProperty<SafetyLimits> limits() {
        return limits;
    }

    public ObjectProperty<Step> step() {
        return step;
    }

    public ObjectProperty<History> history() {
        return history;
    }

    public ObjectProperty<Words> words() {
        return words;
    }

    public Clock clock() {
        return clock;
    }

    public Path folder() {
        return folder;
    }

    public String say(String key, Object... fillings) {
        return words.get().say(key, fillings);
    }

    /** The work order of the set on the bench; empty without one. */
    public List<WorkOrder.Item> order() {
        if (set.get().isEmpty()) return List.of();
        int read = verdict.get().map(Judge.Verdict::read).orElse(0);
        int charted = verdict.get().map(Judge.Verdict::charted).orElse(0);
        return WorkOrder.of(set.get().get().chassis(), set.get().get().job(), read, charted);
    }

    // --- asking the storage thread ---

    /** Runs storage work; the answer or the trouble arrives on the interface thread. */
    public <T> CompletableFuture<T> ask(Function<Workshop, T> work, Consumer<T> answer) {
        return told(storage.ask(work), answer);
    }

    /** Brings a photo to the set on the bench, once its picture was looked at. */
    public void addPhoto(Supplier<CheckedPicture> picture, String caption) {
        told(storage.addPhoto(need().id(), picture, caption, step.get()), this::changed);
    }

    /** Photos that are on their way. */
    public int photosComing() {
        return storage.coming();
    }

    private <T> CompletableFuture<T> told(CompletableFuture<T> future, Consumer<T> answer) {
        future.whenComplete((result, error) -> Platform.runLater(() -> {
            if (error == null) answer.accept(result);
            else trouble.accept(error.getCause() == null ? error : error.getCause());
        }));
        return future;
    }

    /** Shows the Shelf as it is kept, then what is made anew. */
    public void refreshShelf() {
        shelf.refresh();
        ask(Workshop::timers, timers::set);
    }

    /** Puts a set on the bench. */
    public void open(UUID id, Runnable then) {
        ask(
                w -> {
                    w.setting("last.set", id.toString());
                    return w.sets().get(id);
                },
                opened -> {
                    stage.set(Optional.empty());
                    part.set(Optional.empty());
                    condition.set(Optional.of(opened.usual()));
                    set.set(Optional.of(opened));
                    refreshHistory(id);
                    then.run();
                });
    }

    private void refreshHistory(UUID id) {
        ask(w -> w.sets().history(id), history::set);
    }

    /** Changes the set on the bench; the future completes once the change is on disk. */
    public CompletableFuture<SetRecord> change(String label, Op... ops) {
        UUID id = need().id();
        ahead = Optional.of(need().with(List.of(ops)));
        writing++;
        CompletableFuture<SetRecord> stored = ask(w -> w.sets().change(id, label, List.of(ops)), this::changed);
        stored.whenComplete((r, e) -> Platform.runLater(() -> {
            writing--;
            if (writing == 0 || e != null) ahead = Optional.empty();
        }));
        return stored;
    }

    public CompletableFuture<SetRecord> change(UUID id, String label, Op... ops) {
        return ask(w -> w.sets().change(id, label, List.of(ops)), this::changed);
    }

    /** Shows a set as it is after a change, if it is still on the bench. */
    public void changed(SetRecord now) {
        if (set.get().filter(s -> s.id().equals(now.id())).isPresent()) {
            List<String> open =
                    now.job().fitted().openEnds().stream().map(Alteration::part).toList();
            condition.set(condition.get().map(c -> c.withOpenEnds(open)));
            set.set(Optional.of(now));
            refreshHistory(now.id());
        }
        refreshShelf();
    }

    public void undo() {
        set.get().ifPresent(s -> ask(w -> w.sets().undo(s.id()), now -> now.ifPresent(this::changed)));
    }

    public void redo() {
        set.get().ifPresent(s -> ask(w -> w.sets().redo(s.id()), now -> now.ifPresent(this::changed)));
    }

    /** The set on the bench as it will be once all that is being written is on disk: the next change builds on it. */
    public SetRecord need() {
        return ahead.filter(a -> set.get().filter(s -> s.id().equals(a.id())).isPresent())
                .or(set::get)
                .orElseThrow(
                        () -> InputException.at("").because(say("ui.no-set")).so(say("ui.no-set.remedy")));
    }

    public CompletableFuture<SetRecord> putChassis(String label, Chassis chassis) {
        return change(label, new Op.PutChassis(chassis));
    }

    public CompletableFuture<SetRecord> putJob(String label, Job job) {
        return change(label, new Op.PutJob(job));
    }

    /** The point that a typed name means. */
    public Point point(String name) {
        return Points.of(need().chassis()).need(name);
    }

    /** Computes what a sound set shows, off the interface thread. */
    public CompletableFuture<Optional<CircuitPredictor.Answer>> ask(Question question) {
        Chassis chassis = need().chassis();
        return compute.answer(() -> question.answer(predictors.of(chassis)));
    }

    /** Whether pointer and needles may move. */
    public BooleanProperty motion() {
        return motion;
    }

    /** What the circuits of the workshop's sets say, for work off the interface thread. */
    public Predictors predictors() {
        return predictors;
    }

    /** What the meter should show at each pin of a tube or transistor, by pin. */
    public void shouldRead(Part device, Consumer<Map<String, String>> answer) {
        Chassis chassis = need().chassis();
        Condition now = condition.get().orElseThrow();
        compute.ask(ComputeScheduler.Job.PINS, () -> PinVolts.of(chassis, device, now, predictors.of(chassis)), answer);
    }

    /** Completes once everything asked for so far has been computed, but for the search for a fault. */
    public CompletableFuture<Void> computed() {
        return compute.idle();
    }

    private void judge() {
        if (set.get().isEmpty() || condition.get().isEmpty()) {
            verdict.set(Optional.empty());
            return;
        }
        SetRecord snapshot = set.get().get();
        Condition now = condition.get().get();
        compute.ask(ComputeScheduler.Job.VERDICT, () -> snapshot.judged(now, predictors), v -> {
            verdict.set(Optional.of(v));
            shelf.judged(snapshot, now, v);
        });
    }

    /** Saves all that is in the workshop in a new folder, whose own may be gone. */
    public void saveTo(Path elsewhere, Consumer<List<Photo>> saved, Consumer<Throwable> failed) {
        storage.saveTo(elsewhere)
                .whenComplete((lost, e) -> Platform.runLater(() -> {
                    if (e == null) saved.accept(lost);
                    else failed.accept(e);
                }));
    }

    public void remember(String name, String value) {
        ask(
                w -> {
                    w.setting(name, value);
                    return value;
                },
                v -> {});
    }

    @Override
    public void close() {
        photos.close();
        compute.close();
        storage.close();
    }
}
