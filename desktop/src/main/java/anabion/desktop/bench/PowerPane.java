package anabion.desktop.bench;

import anabion.core.job.PowerStage;
import anabion.core.power.GateItem;
import anabion.core.power.LookAlike;
import anabion.core.power.PowerJudgement;
import anabion.core.power.PowerProgress;
import anabion.core.power.PowerStep;
import anabion.core.power.Rail;
import anabion.core.power.SeriesLamp;
import anabion.core.power.StageProgress;
import anabion.core.power.WatchSign;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.reading.Standing;
import anabion.core.text.Phrase;
import anabion.desktop.control.Texts;
import anabion.desktop.session.PowerUps.PowerUp;
import anabion.desktop.session.Session;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What a power-up says so far: which set its readings look like, what to do next, and what stops it at once. */
final class PowerPane extends VBox {
    private static final int NAMED = 4;

    private final Session session;
    private final PowerUp power;
    private final PowerProgress progress;

    PowerPane(Session session, PowerUp power) {
        super(8);
        this.session = session;
        this.power = power;
        this.progress = power.progress();
        getChildren().add(Texts.wrapped(headline(), "headline"));
        progress.seen().ifPresent(this::seen);
        if (!progress.readings().isEmpty() && power.atHand().isEmpty()) odds();
        getChildren().addAll(Texts.rule(), Texts.label(session.say("ui.next"), "soft", "small"));
        next().forEach(n -> getChildren().add(Texts.wrapped(n)));
        if (progress.on()) watched();
    }

    private String headline() {
        if (progress.seen().isPresent())
            return session.say(
                    "power.off-now",
                    session.say("power.sign." + progress.seen().get().code()));
        if (progress.stop().isPresent() || staged().isPresent()) return session.say("power.off-first");
        if (power.atHand().isPresent())
            return session.say(
                    power.atHand().get().passed() ? "power.stage.passed" : "power.stage.on",
                    session.say("power.stage."
                            + power.atHand().get().table().stage().code()));
        if (!progress.readings().isEmpty()) {
            if (progress.judged().healthy()) return session.say("power.follows");
            List<PowerJudgement.Odds> kinds = progress.judged().kinds();
            return kinds.isEmpty() || kinds.get(0).odds() < progress.judged().other()
                    ? session.say("power.follows-none")
                    : session.say(
                            "power.looks",
                            session.say("power.alike." + kinds.get(0).kind().code()));
        }
        if (progress.on()) return session.say("power.is-on-now");
        PowerStage next = power.next();
        boolean barred = power.missing(next).stream().anyMatch(i -> i.state() == GateItem.State.BARRED);
        boolean ready = power.missing(next).isEmpty();
        String key = barred ? "power.barred" : ready ? "power.ready" : "power.not-ready";
        return next == PowerStage.WHOLE_SET
                ? session.say(key)
                : session.say(key + ".stage", session.say("power.stage." + next.code()));
    }

    private Optional<Phrase> staged() {
        return power.atHand().flatMap(StageProgress::stop);
    }

    private void seen(WatchSign sign) {
        getChildren().add(Texts.wrapped(session.say("power.sign." + sign.code() + ".first"), "out"));
        List<LookAlike> suspects = sign.suspects(power.model());
        if (!suspects.isEmpty())
            getChildren()
                    .add(Texts.wrapped(session.say(
                            "power.sign.suspects",
                            suspects.stream()
                                    .map(l -> l.fault().part())
                                    .distinct()
                                    .limit(NAMED)
                                    .collect(Collectors.joining(", ")))));
        getChildren().add(Texts.wrapped(session.say("power.sign." + sign.code() + ".next")));
    }

    private void odds() {
        GridPane grid = new GridPane();
        grid.setVgap(4);
        grid.setHgap(8);
        int row = 0;
        PowerJudgement j = progress.judged();
        boolean soundFirst = j.healthy();
        if (soundFirst) OddsPane.row(grid, row++, session.say("power.sound"), j.sound(), "medium");
        for (PowerJudgement.Odds o : j.kinds()) {
            if (row == NAMED) break;
            String words = session.say("power.alike." + o.kind().code()) + " ("
                    + o.likeliest().fault().target() + ")";
            OddsPane.row(grid, row, words, o.odds(), row == 0 ? "medium" : "soft");
            row++;
        }
        if (!soundFirst && j.sound() >= OddsPane.WORTH)
            OddsPane.row(grid, row++, session.say("power.sound"), j.sound(), "soft");
        if (j.other() >= OddsPane.WORTH) OddsPane.row(grid, row, session.say("cause.other"), j.other(), "soft");
        getChildren().add(grid);
    }

    private List<String> next() {
        if (progress.seen().isPresent() || progress.stop().isPresent() || staged().isPresent())
            return List.of(session.say("power.next.off"));
        if (!progress.on()) {
            PowerStage stage = power.next();
            List<String> missing = power.missing(stage).stream()
                    .map(i -> session.say("power.gate.name." + i.kind().code()))
                    .toList();
            if (!missing.isEmpty()) return List.of(session.say("power.next.gate", String.join(", ", missing)));
            return stage == PowerStage.WHOLE_SET
                    ? List.of(session.say(
                            "power.next.on", dial(progress.plan().steps().get(0))))
                    : List.of(session.say("power.stage.about." + stage.code()), session.say("power.next.stage"));
        }
        if (power.atHand().isPresent()) return stage(power.atHand().get());
        return progress.rows().stream()
                .filter(r -> r.standing() == Standing.NOT_TAKEN)
                .findFirst()
                .map(r -> step(r.step()))
                .orElse(List.of(session.say("power.next.done")));
    }

    private List<String> stage(StageProgress s) {
        if (s.passed()) return List.of(session.say("power.next.stage-done"));
        return List.of(session.say(
                "power.next.stage." + s.table().stage().code(),
                Figures.fixed(power.model().nominal(), 0)));
    }

    private List<String> step(PowerStep s) {
        Optional<String> rail = power.model().rectified() ? power.model().rail().map(Rail::net) : Optional.empty();
        String wait = Figures.fixed(s.seconds(), 0);
        String first = rail.map(r -> session.say(
                        "power.next.step",
                        dial(s),
                        wait,
                        r,
                        Figures.volts(s.warm().rail(r))))
                .orElse(session.say(
                        "power.next.step-battery",
                        dial(s),
                        wait,
                        Figures.si(Quantity.amperes(s.warm().amperes()), 2)));
        if (!s.lamp())
            return progress.plan().lamp().isPresent()
                    ? List.of(session.say("power.next.lamp-out"), first)
                    : List.of(first);
        return List.of(
                first,
                session.say(
                        "power.next.lamp." + (s.glow() == SeriesLamp.Glow.DARK ? "dark" : "glow"),
                        session.say("power.glow." + s.glow().code())));
    }

    private static String dial(PowerStep s) {
        return Figures.fixed(s.dial(), s.dial() < 20 ? 1 : 0);
    }

    private void watched() {
        getChildren().addAll(Texts.rule(), Texts.label(session.say("power.stop-if"), "soft", "small"));
        FlowPane keys = new FlowPane(10, 6);
        for (WatchSign s : WatchSign.values()) {
            Label key = Texts.label(String.valueOf(Character.toUpperCase(s.key())), "key");
            HBox one = new HBox(5, key, Texts.label(session.say("power.sign." + s.code()), "small"));
            one.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
            keys.getChildren().add(one);
        }
        getChildren().add(keys);
    }
}
