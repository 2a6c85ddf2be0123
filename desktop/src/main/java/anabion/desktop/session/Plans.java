package anabion.desktop.session;

import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.format.StockCodec;
import anabion.core.job.PartTest;
import anabion.core.job.RecapLog;
import anabion.core.job.Step;
import anabion.core.recap.Plan;
import anabion.core.recap.Planner;
import anabion.core.recap.Policy;
import anabion.core.recap.Role;
import anabion.core.recap.Stock;
import anabion.core.recap.Tested;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

/** Keeps the recap of the set on the bench, while its sheet is in hand: planned anew only when something that it rests on changes. */
public final class Plans {
    private final Session session;
    private final ObjectProperty<Optional<Plan>> plan = new SimpleObjectProperty<>(Optional.empty());
    private final ObjectProperty<String> trouble = new SimpleObjectProperty<>("");
    private final ObjectProperty<String> stock = new SimpleObjectProperty<>("");
    private final ObjectProperty<String> shop = new SimpleObjectProperty<>("");
    private Optional<Ground> planned = Optional.empty();

    /** What a plan rests on. */
    private record Ground(
            Chassis chassis,
            String school,
            String shop,
            String stock,
            Map<String, String> roles,
            Map<String, PartTest> tests) {}

    Plans(Session session) {
        this.session = session;
        session.set().addListener((o, a, b) -> look());
        session.step().addListener((o, a, b) -> look());
        shop.addListener((o, a, b) -> look());
        stock.addListener((o, a, b) -> look());
    }

    ObjectProperty<Optional<Plan>> plan() {
        return plan;
    }

    /** Why there is no plan, in words; empty where there is one or none is wanted. */
    public ObjectProperty<String> trouble() {
        return trouble;
    }

    /** What is in the workshop's drawers, as the CSV that {@link anabion.core.recap.Stock} reads. */
    public ObjectProperty<String> stock() {
        return stock;
    }

    /** The recapping school of the workshop, in the words of {@link anabion.core.recap.Policy}. */
    public ObjectProperty<String> shop() {
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
        Ground ground =
                new Ground(chassis, log.school(), shop.get(), stock.get(), log.roles(), Tested.deciding(log, chassis));
        if (planned.filter(ground::equals).isPresent()) return;
        if (planned.filter(p -> p.chassis().id().equals(chassis.id())).isEmpty()) plan.set(Optional.empty());
        planned = Optional.of(ground);
        session.compute()
                .ask(
                        ComputeScheduler.Job.PLAN,
                        () -> plan(ground),
                        p -> {
                            trouble.set("");
                            plan.set(Optional.of(p));
                        },
                        this::failed);
    }

    private static Plan plan(Ground g) {
        Policy policy = Policy.USUAL.with(g.shop()).with(g.school());
        return Planner.plan(g.chassis(), policy, drawers(g.stock()), Role.said(g.roles()), g.tests());
    }

    private static Stock drawers(String csv) {
        if (csv.isEmpty()) return Stock.NONE;
        try {
            return StockCodec.read(new StringReader(csv));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void failed(Throwable t) {
        if (!(t instanceof InputException)) session.report(t);
        trouble.set(String.valueOf(t.getMessage()));
        plan.set(Optional.empty());
    }
}
