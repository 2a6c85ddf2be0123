package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Measure;
import anabion.core.diagnosis.evidence.AlternatingVolts;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.job.Step;
import anabion.core.quantity.Figures;
import anabion.core.testing.LeftToDeep;
import anabion.core.tracing.StageOdds;
import anabion.desktop.session.Found;
import anabion.desktop.shell.Shell;
import anabion.workshop.demo.DemoWorkshop;
import java.util.concurrent.TimeUnit;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.util.WaitForAsyncUtils;

/** Cold checks by keyboard, and the odds that follow from what is read. */
class DiagnosisTest extends WindowCase {
    private void cold() {
        interact(() -> session.open(DemoWorkshop.chassis("halcyon").id(), () -> {
            session.step().set(Step.COLD_CHECKS);
            shell.go(Shell.Where.BENCH);
        }));
        until("the rows", () -> shows("Rails and filters") && shows("Discharge first: B1"));
    }

    /** The first diagnosis of a set solves it some thousand times. */
    private void weighed(String what, java.util.function.Predicate<Found> wanted) {
        try {
            WaitForAsyncUtils.waitFor(120, TimeUnit.SECONDS, () -> WaitForAsyncUtils.asyncFx(() -> session.diagnoses()
                            .found()
                            .get()
                            .filter(f -> !f.old())
                            .filter(wanted)
                            .isPresent())
                    .get());
        } catch (Exception e) {
            throw new AssertionError(what + "; the window says: " + texts(), e);
        }
    }

    /** A rail that is shorted forbids the mains at once, on every side of the window, whatever the odds are about. */
    @Test
    void aShortedRailComesBeforeAnyOdds() {
        cold();
        enter("B1 CHASSIS 120");
        until(
                "the headline",
                () -> shows("Stop, no power: B1 – CHASSIS reads 120 Ω") && shows("Part the rail at its resistors"));
        until("the strip", () -> texts().contains("stop"));
        assertThat(lookup((javafx.scene.Node n) ->
                                String.valueOf(n.getAccessibleText()).contains("First power, stop, no power"))
                        .tryQuery())
                .as("the work order")
                .isPresent();
        interact(() -> session.step().set(Step.VOLTAGES));
        until("on the other sheets, too", () -> shows("Stop, no power: B1 – CHASSIS reads 120 Ω"));
        enter("lift R9");
        interact(() -> session.step().set(Step.RECAP));
        enter("measured R9 310k");
        interact(() -> session.step().set(Step.COLD_CHECKS));
        until("a part that is bad for sure", () -> shows("Shown bad by a direct test") && shows("R9: "));
        key(KeyCode.CONTROL, KeyCode.Z);
        key(KeyCode.CONTROL, KeyCode.Z);
        key(KeyCode.CONTROL, KeyCode.Z);
        until("taken back", () -> texts().stream().noneMatch(t -> t != null && t.contains("Stop, no power")));
    }

    @Test
    void ohmsAreTakenAndTheOddsFollow() {
        cold();
        weighed("both planted faults", f -> f.diagnosis().singly().stream()
                .limit(2)
                .flatMap(s -> s.parts().stream())
                .toList()
                .containsAll(java.util.List.of("C14", "R7")));
        until("odds in panel and strip", () -> shows("R7 drifted") && shows("odds "));
        int before = session.need().readings().size();
        enter("R7 68k");
        until("stored", () -> session.need().readings().size() == before + 1);
        var last = session.need().readings().get(before);
        assertThat(last.measure()).isEqualTo(Measure.OHMS);
        assertThat(last.value()).isEqualTo(68e3);
        assertThat(java.util.Set.of(last.point(), last.reference())).containsExactlyInAnyOrder("V2.6", "B2");
        weighed(
                "surer of R7",
                f -> f.diagnosis().singly().get(0).parts().contains("R7")
                        && f.diagnosis().singly().get(0).odds() > 0.9);
        Measurement first = session.diagnoses()
                .found()
                .get()
                .orElseThrow()
                .next()
                .get(0)
                .test()
                .measurement();
        key(KeyCode.CONTROL, KeyCode.G);
        until("at the sheet of the most telling test", () -> leadsTo(first));
        cold();
        enter("V4.1 V2.6 1M2");
        until("any pair can be read", () -> session.need().readings().size() == before + 2);
        key(KeyCode.CONTROL, KeyCode.Z);
        until("undone", () -> session.need().readings().size() == before + 1);
        enter("V4.1 V99 33k");
        until("no such pin", () -> shows("V99"));
        key(KeyCode.ESCAPE);
        enter("B2 B2 33k");
        until("two ends are wanted", () -> shows("the same net"));
        key(KeyCode.ESCAPE);
        assertThat(session.need().readings()).hasSize(before + 1);
        enter("B2 fish");
        until("said what is wrong", () -> shows("fish"));
        key(KeyCode.ESCAPE);
        enter("B2 -5");
        until("no ohms below zero", () -> shows("below zero"));
        assertThat(session.need().readings()).hasSize(before + 1);
        key(KeyCode.ESCAPE);
        key(KeyCode.CONTROL, KeyCode.Z);
        until("undone", () -> session.need().readings().size() == before);
    }

    private boolean leadsTo(Measurement p) {
        String begun = shell.probe().field().getText();
        if (p instanceof Measurement.PartTest x)
            return begun.matches("(across|swapped|measured|leak|gain) " + x.part() + " ");
        if (p instanceof Measurement.Value v) return begun.equals("measured " + v.part() + " ");
        boolean lifting = (p instanceof Measurement.Volts v && !v.lifted().isEmpty())
                || (p instanceof Measurement.Ohms o && !o.lifted().isEmpty());
        if (lifting) return begun.startsWith("lift");
        Step at = session.step().get();
        if (p instanceof Measurement.Volts || p instanceof AlternatingVolts) return at == Step.VOLTAGES;
        if (p instanceof Measurement.Powered) return at == Step.FIRST_POWER;
        if (p instanceof Measurement.Ohms) return at == Step.COLD_CHECKS;
        boolean traced = p instanceof Measurement.Inject || p instanceof Measurement.Level;
        return at == (traced ? Step.TRACE : Step.ARRIVAL);
    }

    /** Every band at once, where a switch matters; and how a band does against a good receiver. */
    @Test
    void bandsStandSideBySideAndAgainstAReference() {
        interact(() -> session.open(DemoWorkshop.chassis("concerto").id(), () -> {
            session.step().set(Step.VOLTAGES);
            shell.go(Shell.Where.BENCH);
        }));
        until("one band", () -> shows("should read V") && shows("V1.1"));
        enter("V7.7");
        until("a row further down", () -> shows("V7.7"));
        key(KeyCode.CONTROL, KeyCode.B);
        until("all bands, and what no switch moves is gone", () -> shows("you type on FM") && !shows("V7.7"));
        enter("V3.8 107");
        key(KeyCode.F3);
        until("the next band", () -> shows("you type on MW"));
        enter("V3.8 104");
        until("stored under its own band", () -> session.need().readings().stream()
                .anyMatch(r -> r.value() == 104 && r.condition().band().equals("MW")));
        enter("reference FM S4 S7");
        until("said in decibels and steps", () -> shows("FM −18 dB (−3 S), weak"));
        enter("reference UHF -3dB");
        until("no such band", () -> shows("there is no such band") || shows("UHF"));
        key(KeyCode.ESCAPE);
        assertThat(session.need().job().compared()).hasSize(1);
        key(KeyCode.CONTROL, KeyCode.B);
        until("one band again", () -> shows("should read V"));
    }

    /** Of a set without a circuit diagram the stages alone are traced, by generator, tracer and finger. */
    @Test
    void aSetWithoutACircuitIsTracedByItsStages() {
        interact(() -> session.open(DemoWorkshop.chassis("moor").id(), () -> {
            session.step().set(Step.TRACE);
            shell.go(Shell.Where.BENCH);
        }));
        until("the likeliest stages", () -> shows("Left: Detector, RF 2") && shows("Not decided yet"));
        assertThat(texts()).contains("Detector", "RF 2", percent("Detector"), percent("RF 2"));
        int before = session.need().job().heard().size();
        enter("touch Speaker h");
        until("no finger where the output ends", () -> shows("no finger here"));
        key(KeyCode.ESCAPE);
        enter("touch Output h");
        until("a finger hums", () -> shows("touched: hum"));
        enter("tap Detector l");
        until("the tracer hears it before", () -> shows("tracer: loud") && shows("Left: Detector") && !shows("RF 2,"));
        until("so it is said", () -> shows("Most likely: Detector") && texts().contains(percent("Detector")));
        assertThat(session.need().job().heard()).hasSize(before + 2);
        enter("touch RF 2 h");
        until("no finger at a tuned circuit", () -> shows("no finger here"));
        key(KeyCode.ESCAPE);
        assertThat(session.need().job().heard()).hasSize(before + 2);
    }

    /** The odds of a stage, as the stages alone have it. */
    private String percent(String stage) {
        return session.diagnoses()
                .alone()
                .get()
                .map(o -> Figures.percent(o.odds().get(new StageOdds.Cause(stage, ""))))
                .orElse("no odds");
    }

    private void traced(String name) {
        interact(() -> session.open(DemoWorkshop.chassis(name).id(), () -> {
            session.step().set(Step.TRACE);
            shell.go(Shell.Where.BENCH);
        }));
    }

    /** A signal put in, point by point, with a letter for what comes out. */
    @Test
    void theSignalIsTracedByLetters() {
        traced("rover");
        until("the points", () -> shows("the point that divides"));
        enter("school voltages");
        until("volts come first", () -> shows("Voltages first"));
        enter("school half");
        traced("brae");
        until("the points", () -> shows("modulated 473 kHz") && shows("the point that divides"));
        enter("school back");
        until("from the sound", () -> shows("from the sound backwards"));
        enter("l");
        until(
                "the speaker's side is cleared",
                () -> session.need().job().heard().size() == 1 && shows("Left: "));
        enter("V3.3 n");
        until("between", () -> shows("Left: Output, Audio"));
        assertThat(session.need().job().heard().get(1).point()).isEqualTo("V3.3");
        enter("purple");
        until("said what is wrong", () -> shows("nothing that is heard"));
        key(KeyCode.ESCAPE);
        key(KeyCode.CONTROL, KeyCode.Z);
        until("undone", () -> session.need().job().heard().size() == 1);
        enter("V3.2 2V");
        until("how much more it took", () -> shows("dB more"));
        assertThat(session.need().job().heard().get(1).volts()).isEqualTo(2);
        key(KeyCode.CONTROL, KeyCode.Z);
        until("undone", () -> session.need().job().heard().size() == 1);
        enter("V3.2 12");
        until("millivolts or volts?", () -> shows("nothing that is heard"));
        key(KeyCode.ESCAPE);
        enter("tap V3.2 2V");
        until("a tracer has no level", () -> shows("what the generator gives"));
        key(KeyCode.ESCAPE);
        enter("across R1 same");
        until("only across a capacitor", () -> shows("only a capacitor"));
        key(KeyCode.ESCAPE);
        enter("swapped V99 same");
        until("no such part", () -> shows("no such part"));
        assertThat(session.need().job().trials()).isEmpty();
    }

    /** The odds of every fault of a set of four tubes, before and after: half a minute. */
    @Test
    @LeftToDeep
    void whatIsHeardIsWeighed() {
        traced("brae");
        enter("school back");
        enter("l");
        weighed("an outcome alone is weighed", f -> !f.diagnosis().suspects().isEmpty());
        enter("across C18 better");
        weighed(
                "a good one across counts",
                f -> f.diagnosis().singly().get(0).parts().contains("C18")
                        && f.diagnosis().singly().get(0).odds() > 0.5);
        assertThat(session.need().job().trials()).hasSize(1);
    }
}
