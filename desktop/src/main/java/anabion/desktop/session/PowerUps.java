package anabion.desktop.session;

import anabion.core.chassis.Chassis;
import anabion.core.coldcheck.ColdRow;
import anabion.core.coldcheck.ColdTable;
import anabion.core.error.InputException;
import anabion.core.job.Job;
import anabion.core.job.PowerStage;
import anabion.core.job.RecapLog;
import anabion.core.job.Step;
import anabion.core.power.Gate;
import anabion.core.power.GateItem;
import anabion.core.power.PowerModel;
import anabion.core.power.PowerProgress;
import anabion.core.power.StageProgress;
import anabion.core.power.StageTable;
import anabion.core.power.StageTables;
import anabion.core.recap.Plan;
import anabion.core.recap.Planner;
import anabion.workshop.SetRecord;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** Follows the power-up of the set on the bench, while its step is in hand: the circuit is solved once, each line of the log is weighed. */
public final class PowerUps {
    private final Session session;
    private final ReadOnlyObjectWrapper<Optional<PowerUp>> shown = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<String> trouble = new ReadOnlyObjectWrapper<>("");
    private Optional<SetRecord> ground = Optional.empty();
    /** Solved on the compute side, where one job of a name runs at a time. */
    private volatile Optional<Solved> solved = Optional.empty();

    private record Solved(
            Chassis chassis,
            PowerModel model,
            RecapLog log,
            Optional<Plan> recap,
            Optional<Double> load,
            List<StageTable> stages) {
        static Solved of(Chassis chassis, Job job) {
            PowerModel model = PowerModel.of(chassis);
            Optional<Double> load = StageProgress.load(job);
            return new Solved(
                    chassis,
                    model,
                    job.recap(),
                    Planner.logged(chassis, job.recap()),
                    load,
                    StageTables.of(chassis, model, load));
        }

        /** The circuit is solved anew with another circuit alone, and its stages with another load. */
        Solved with(Job now) {
            Optional<Double> inHand = StageProgress.load(now);
            return new Solved(
                    chassis,
                    model,
                    now.recap(),
                    now.recap().equals(log) ? recap : Planner.logged(chassis, now.recap()),
                    inHand,
                    inHand.equals(load) ? stages : StageTables.of(chassis, model, inHand));
        }
    }

    /** All that the sheet shows. */
    public record PowerUp(
            PowerModel model, PowerProgress progress, List<StageProgress> stages, List<GateItem> gate, SetRecord of) {
        /** The stage before the whole set that is on. */
        public Optional<StageProgress> atHand() {
            return stages.stream()
                    .filter(s -> progress.stage().equals(Optional.of(s.table().stage())))
                    .findFirst();
        }

        /** The stage that should be next. */
        public PowerStage next() {
            return StageProgress.next(of.job(), stages);
        }

        /** What must be seen to before a stage. */
        public List<GateItem> missing(PowerStage stage) {
            return Gate.missing(gate, stage);
        }

        /** Whether nothing keeps the set from being switched on. */
        public boolean open() {
            return Gate.open(gate);
        }
    }

    PowerUps(Session session) {
        this.session = session;
        session.set().addListener((o, a, b) -> look());
        session.step().addListener((o, a, b) -> look());
    }

    /** Empty before it is computed, and for a set without a circuit. */
    public ReadOnlyObjectProperty<Optional<PowerUp>> shown() {
        return shown.getReadOnlyProperty();
    }

    /** Why nothing can be foreseen; empty where it can. */
    public ReadOnlyObjectProperty<String> trouble() {
        return trouble.getReadOnlyProperty();
    }

    private void look() {
        if (session.step().get() != Step.FIRST_POWER) return;
        Optional<SetRecord> now = session.set().get();
        if (now.equals(ground)) return;
        boolean same = now.map(g -> g.chassis().id())
                .equals(ground.map(g -> g.chassis().id()));
        ground = now;
        if (!same) shown.set(Optional.empty());
        trouble.set("");
        if (now.isEmpty()) return;
        session.compute()
                .ask(ComputeScheduler.Job.POWER, () -> computed(now.get()), p -> shown.set(Optional.of(p)), t -> {
                    if (!(t instanceof InputException)) session.report(t);
                    shown.set(Optional.empty());
                    trouble.set(String.valueOf(t.getMessage()));
                });
    }

    private PowerUp computed(SetRecord g) {
        Solved s = solved.filter(x -> x.chassis().equals(g.chassis()))
                .map(x -> x.with(g.job()))
                .orElseGet(() -> Solved.of(g.chassis(), g.job()));
        solved = Optional.of(s);
        PowerProgress progress = PowerProgress.of(g.chassis(), g.job(), s.model());
        List<ColdRow> cold = ColdTable.of(g.chassis(), g.readings(), g.job());
        List<StageProgress> stages = StageProgress.of(g.job(), s.stages());
        return new PowerUp(
                s.model(),
                progress,
                stages,
                Gate.of(g.chassis(), g.job(), cold, s.recap(), progress.plan(), s.model(), stages),
                g);
    }
}
