package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.job.PowerEntry;
import anabion.core.job.Step;
import anabion.core.power.GateItem;
import anabion.core.power.LookAlike;
import anabion.core.power.PowerProgress;
import anabion.core.reading.Standing;
import anabion.desktop.session.PowerUps.PowerUp;
import anabion.desktop.shell.Ports;
import anabion.desktop.shell.Shell;
import anabion.instruments.Address;
import anabion.instruments.InstrumentRole;
import anabion.instruments.process.BenchProcess;
import anabion.instruments.scpi.ScpiConnector;
import anabion.workshop.demo.DemoWorkshop;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/**
 * The window and a simulated bench, which is another process: a set that hums is brought up with a meter that fails in every way, the fault is found and mended,
 * and the set comes up sound. Nothing is known of it but what instruments say. It takes the time of two power-ups, a late answer of three seconds among them.
 */
class SimulatedBenchTest extends WindowCase {
    private static final List<Double> DIALS = List.of(138.0, 184.0, 230.0);

    private volatile Optional<BenchProcess> bench = Optional.empty();

    @Override
    Ports ports() {
        return new Ports(files, new ScpiConnector(), (chassis, condition) -> {
            bench = Optional.of(BenchProcess.start(chassis, condition, 1));
            return bench.get();
        });
    }

    private PowerUp now() {
        return session.power().shown().get().orElseThrow();
    }

    private PowerProgress progress() {
        return now().progress();
    }

    private PowerProgress.Row row(double dial) {
        return progress().rows().stream()
                .filter(r -> r.step().dial() == dial && r.step().lamp())
                .findFirst()
                .orElseThrow();
    }

    private void switchedOn() {
        enter("ok all");
        until("what is seen to by hand", () -> lookedAt() && missing().stream().noneMatch(GateItem.Kind::isByHand));
        for (GateItem.Kind k : missing()) enter("overrule " + k.code() + " seen to yesterday");
        until("the gate is open", () -> lookedAt() && now().open());
        enter("on all");
        until("on", () -> progress().on());
    }

    /** Whether the conditions are those of the record as it is: they are looked at anew after each line, in the background. */
    private boolean lookedAt() {
        return now().of().equals(session.need());
    }

    private List<GateItem.Kind> missing() {
        return now().gate().stream()
                .filter(i -> i.state() == GateItem.State.MISSING)
                .map(GateItem::kind)
                .toList();
    }

    private void turned(double dial) {
        enter("dial " + dial);
        enter("turn");
        until("turned to " + dial, () -> said(InstrumentRole.VARIAC).startsWith(Math.round(dial) + " V"));
        enter("pause 90s");
        until("waited", () -> shows("90 s have passed"));
    }

    private String said(InstrumentRole role) {
        return session.instruments().of(role).map(s -> s.last()).orElse("");
    }

    private void readByKey(double dial) {
        turned(dial);
        key(KeyCode.F6);
        until(
                "read at " + dial,
                () -> row(dial).rail().isPresent() && row(dial).watts().isPresent());
    }

    private LookAlike.Kind likeliest() {
        return progress().judged().kinds().get(0).kind();
    }

    @Test
    void aSetThatHumsIsBroughtUpFoundMendedAndBroughtUpSound() throws IOException {
        interact(() -> session.open(DemoWorkshop.chassis("brae").id(), () -> {
            session.step().set(Step.FIRST_POWER);
            shell.go(Shell.Where.BENCH);
        }));
        until("the plan", () -> session.power().shown().get().isPresent() && shows("A simulated bench is ready"));
        enter("turn 50");
        until("not before it is on", () -> shows("the log says that the set is off"));
        key(KeyCode.ESCAPE);
        enter("connect bench");
        until("its instruments", () -> session.instruments().all().get().size() == InstrumentRole.values().length);
        switchedOn();
        int port = ((Address.Network) Address.parse(bench.orElseThrow().address())).port();
        try (Relay relay = new Relay(port)) {
            enter("connect " + relay.address() + "/meter");
            until("by another way", () -> session.instruments()
                    .of(InstrumentRole.METER)
                    .filter(s -> s.address().startsWith(relay.address()))
                    .isPresent());
            badMeter(relay);
            readByKey(DIALS.get(0));
        }
        enter("connect " + bench.orElseThrow().address() + "/meter");
        until("the meter is back", () -> session.instruments()
                .of(InstrumentRole.METER)
                .filter(s -> s.trouble().isEmpty() && s.address().endsWith(port + "/meter"))
                .isPresent());
        for (double dial : DIALS.subList(1, DIALS.size())) readByKey(dial);
        assertThat(row(230).standing()).isNotEqualTo(Standing.NOT_TAKEN);
        until(
                "what hums",
                () -> likeliest() == LookAlike.Kind.RESERVOIR_DRIED
                        && !progress().judged().healthy());
        voltsByKey();
        enter("tester C18");
        until("proof", () -> shows("C18 is bad, by the tester"));
        enter("off");
        until("off", () -> !progress().on() && said(InstrumentRole.VARIAC).equals("0 V"));
        enter("renew C18 16u 32u");
        until("in the record", () -> session.need().job().alterations().stream()
                .anyMatch(a -> a.part().equals("C18")));
        switchedOn();
        for (double dial : DIALS) readByKey(dial);
        until("as it should be", () -> progress().judged().healthy());
        enter("listen");
        until("what is heard", () -> said(InstrumentRole.HANDS).equals("loud"));
        enter("off");
        until("off at last", () -> said(InstrumentRole.VARIAC).equals("0 V"));
        interact(() -> session.open(
                DemoWorkshop.chassis("lark").id(), () -> session.step().set(Step.VOLTAGES)));
        until("another set", () -> shows("Dunmarrow Lark") && shows("OC71"));
        key(KeyCode.F6);
        until("which is not on the bench", () -> shows("has another set on it: Tarnholt Brae"));
    }

    /** Late, garbled, twice or lost: each is said, and nothing is entered. The window works on meanwhile. */
    private void badMeter(Relay relay) {
        turned(DIALS.get(0));
        int rails = rails();
        for (Relay.Way way : List.of(Relay.Way.LATE, Relay.Way.GARBLED, Relay.Way.TWICE, Relay.Way.LOST)) {
            relay.goes(way);
            key(KeyCode.F6);
            until(way + " is said", () -> session.instruments()
                    .of(InstrumentRole.METER)
                    .filter(s -> s.trouble().isPresent())
                    .isPresent());
            assertThat(rails()).as("%s", way).isEqualTo(rails);
            key(KeyCode.ESCAPE);
            relay.goes(Relay.Way.WELL);
            key(KeyCode.F6);
            until("it answers again after " + way, () -> session.instruments()
                    .of(InstrumentRole.METER)
                    .filter(s -> s.trouble().isEmpty())
                    .isPresent());
            until("and is read", () -> rails() > 0);
            enter("note " + way);
            key(KeyCode.CONTROL, KeyCode.Z);
            rails = rails();
        }
    }

    private int rails() {
        return (int) session.need().job().power().entries().stream()
                .filter(e -> e.kind() == PowerEntry.Kind.RAIL)
                .count();
    }

    /** On another sheet the lit row is another, and the line is what the wattmeter says. */
    private void voltsByKey() {
        interact(() -> session.step().set(Step.VOLTAGES));
        until("rows", () -> shows("V4.7"));
        enter("V4.7");
        key(KeyCode.F6);
        until("a pin, at the line that the wattmeter shows behind the lamp", () -> session.need().readings().stream()
                .anyMatch(r -> r.point().equals("V4.7")
                        && r.condition().line() > 170
                        && r.condition().line() < 215));
        interact(() -> session.step().set(Step.COLD_CHECKS));
        until("its rows", () -> shows("MAINS-L"));
        key(KeyCode.F6);
        until("no ohms while it is on", () -> shows("the set is on"));
        key(KeyCode.ESCAPE);
        interact(() -> session.step().set(Step.FIRST_POWER));
    }
}
