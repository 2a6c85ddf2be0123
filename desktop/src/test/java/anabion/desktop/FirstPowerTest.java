package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.job.PowerEntry;
import anabion.core.job.PowerStage;
import anabion.core.job.Step;
import anabion.core.power.GateItem;
import anabion.core.power.PowerProgress;
import anabion.desktop.session.PowerUps.PowerUp;
import anabion.desktop.shell.Shell;
import anabion.workshop.demo.DemoWorkshop;
import java.util.List;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** A set is brought up by keyboard; its circuit is solved a few hundred times for that, which takes seconds. */
class FirstPowerTest extends WindowCase {
    private void power(String name) {
        interact(() -> session.open(DemoWorkshop.chassis(name).id(), () -> {
            session.step().set(Step.FIRST_POWER);
            shell.go(Shell.Where.BENCH);
        }));
        until("the plan", () -> now().isPresent() && shows("Before it is switched on"));
    }

    private Optional<PowerUp> now() {
        return session.power().shown().get();
    }

    private PowerProgress progress() {
        return now().orElseThrow().progress();
    }

    private List<PowerEntry> log() {
        return session.need().job().power().entries();
    }

    private void switchedOn() {
        enter("ok all");
        for (GateItem i : now().orElseThrow().gate())
            if (!i.kind().isByHand() && i.state() == GateItem.State.MISSING)
                enter("overrule " + i.kind().code() + " seen to yesterday");
        until("the gate is open", () -> now().orElseThrow().open());
        enter("on all");
        until("on", () -> progress().on() && shows("Steps"));
    }

    @Test
    void whatIsMissingIsNamedAndASetIsNotSwitchedOnBefore() {
        power("brae");
        enter("on");
        until("refused", () -> shows("the set may not be switched on yet: line parts"));
        assertThat(log()).isEmpty();
        enter("ok cold-checks");
        until("a reading says that", () -> shows("the record says that, not a word"));
        enter("lamp led 10W");
        until("no filament", () -> shows("it has no filament that gets hot"));
        enter("lamp 40W");
        until("planned anew", () -> shows("lamp of 40 W"));
        switchedOn();
        assertThat(log()).extracting(PowerEntry::kind).contains(PowerEntry.Kind.OVERRULED, PowerEntry.Kind.BEGAN);
        key(KeyCode.CONTROL, KeyCode.Z);
        until("taken back", () -> !progress().on());
    }

    @Test
    void aSoundSetIsBroughtUpAndAFilterThatGivesWayStopsIt() {
        power("brae");
        enter("12");
        until("off", () -> shows("the set is off"));
        key(KeyCode.ESCAPE);
        switchedOn();
        for (int n = 0; n < 4; n++) {
            PowerProgress.Row r = progress().rows().get(n);
            enter(String.format("%.1f", r.step().warm().rail("B1")));
            enter(String.format("%.1f W", r.step().warm().watts()));
            int taken = n;
            until("read", () -> progress().rows().get(taken).watts().isPresent());
            key(KeyCode.ENTER);
        }
        until("it follows a sound set", () -> shows("It follows a sound set so far"));
        enter("show watts");
        until("another picture", () -> shows("watts against the volts at the set (also show supply, show warm-up)"));
        enter("show me");
        until("none of that name", () -> shows("there is no such picture"));
        key(KeyCode.ESCAPE);
        enter("heard XX loud");
        until("no such band", () -> shows("this set has no such band"));
        key(KeyCode.ESCAPE);
        assertThat(progress().stop()).isEmpty();
        enter("9");
        until("stopped", () -> progress().stop().isPresent() && shows("Off first, then look"));
        enter("off");
        until("off", () -> !progress().on());
        assertThat(log().get(log().size() - 1).kind()).isEqualTo(PowerEntry.Kind.OFF);
    }

    @Test
    void aSignIsOneLetterAndSaysWhatToDoFirst() {
        power("halcyon");
        switchedOn();
        enter("r");
        until("what to do", () -> shows("a red plate loses its tube in seconds") && shows("C14"));
        assertThat(progress().seen()).isPresent();
    }

    /** Of all stages but the last it takes seconds: sets are solved without their tubes. */
    @Test
    void aTransformerAndARectifierArePoweredByThemselvesFirst() {
        power("halcyon");
        enter("ok all");
        for (GateItem i : now().orElseThrow().missing(PowerStage.TRANSFORMER))
            if (!i.kind().isByHand()) enter("overrule " + i.kind().code() + " seen to yesterday");
        until("ready", () -> now().orElseThrow().missing(PowerStage.TRANSFORMER).isEmpty());
        until("said", () -> shows("Ready: Transformer alone"));
        enter("on");
        until("alone", () -> shows("All tubes out") && !shows("Steps"));
        enter("12 mA");
        until("another unit", () -> shows("the lit row asks for something else"));
        key(KeyCode.ESCAPE);
        for (String line : List.of("239", "240 V", "6.2", "6.6 W", "warm")) enter(line);
        until("passed", () -> shows("Transformer alone: all is as it should be"));
        assertThat(log()).extracting(PowerEntry::kind).contains(PowerEntry.Kind.WARMTH, PowerEntry.Kind.RIPPLE);
        enter("300");
        until("a row that is not asked", () -> shows("the lit row asks for something else"));
        key(KeyCode.ESCAPE);
        enter("hot");
        until("stopped", () -> shows("T1 gets hot without load"));
        enter("warm");
        enter("off");
        enter("load 10k");
        until("another load", () -> shows("Rectifier on a load of 10 kΩ"));
    }
}
