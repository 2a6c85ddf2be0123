package anabion.desktop.session;

import anabion.core.chassis.Chassis;
import anabion.core.input.BadInput;
import anabion.core.job.Step;
import anabion.core.recap.PartTest;
import anabion.core.recap.Plan;
import anabion.core.recap.Planner;
import anabion.core.recap.Policy;
import anabion.core.recap.RecapLog;
import anabion.core.recap.Role;
import anabion.core.recap.Stock;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

/** Keeps the recap of the set on the bench, while its sheet is in hand: planned anew only when something that it rests on changes. */
final class Plans implements AutoCloseable {
    private final Session session;
    private final Latest worker = new Latest();
    private final ObjectProperty<Optional<Plan>> plan = new SimpleObjectProperty<>(Optional.empty());
    private final ObjectProperty<String> trouble = new SimpleObjectProperty<>("");
    private final ObjectProperty<String> shop = new SimpleObjectProperty<>("");
    private Optional<Ground> planned = Optional.empty();

    /** What a plan rests on. */
    private record Ground(
            Chassis chassis, String school, String shop, Map<String, Role> roles, Map<String, PartTest> tests) {}

    Plans(Session session) {
        this.session = session;
        session.set().addListener((o, a, b) -> look());
        session.step().addListener((o, a, b) -> look());
        shop.addListener((o, a, b) -> look());
    }

    ObjectProperty<Optional<Plan>> plan() {
        return plan;
    }

    ObjectProperty<String> trouble() {
        return trouble;
    }

    ObjectProperty<String> shop() {
        return shop;
    }

    private void look() {
        if (session.set().get().isEmpty()) {
            planned = Optional.empty();
            plan.set(Optional.empty());
            return;
        }
        if (session.step().get() != Step.RECAP) return;
        Chassis chassis = session.need().chassis();
        RecapLog log = session.need().job().recap();
        Ground ground = new Ground(chassis, log.school(), shop.get(), log.roles(), log.last());
        if (planned.filter(ground::equals).isPresent()) return;
        if (planned.filter(p -> p.chassis().id().equals(chassis.id())).isEmpty()) plan.set(Optional.empty());
        planned = Optional.of(ground);
        worker.ask(
                () -> plan(ground),
                p -> {
                    trouble.set("");
                    plan.set(Optional.of(p));
                },
                this::failed);
    }

    private static Plan plan(Ground g) {
        Policy policy = Policy.USUAL.with(g.shop()).with(g.school());
        return Planner.plan(g.chassis(), policy, Stock.NONE, g.roles(), g.tests());
    }

    private void failed(Throwable t) {
        if (!(t instanceof BadInput)) throw new IllegalStateException(t);
        trouble.set(String.valueOf(t.getMessage()));
        plan.set(Optional.empty());
    }

    CompletableFuture<Integer> done() {
        return worker.run(() -> 0);
    }

    @Override
    public void close() {
        worker.close();
    }
}
