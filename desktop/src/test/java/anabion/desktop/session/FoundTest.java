package anabion.desktop.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Stage;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.workshop.demo.DemoWorkshop;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The odds of stages are sums of those of their parts. */
class FoundTest {
    private static final Chassis SET = DemoWorkshop.chassis("halcyon");

    private static Hypothesis cause(String fault) {
        return new Hypothesis(List.of(Fault.parse(fault)), List.of(Fault.parse(fault)), 0.1);
    }

    private static Found found(RankedCause... suspects) {
        Diagnosis d = new Diagnosis(List.of(suspects), List.of(), 0.05, 0.05, List.of(), List.of(), 0);
        return new Found(d, List.of(), List.of(), 3, false, false);
    }

    private static Stage stage(String name) {
        return SET.stage(name).orElseThrow();
    }

    @Test
    void aStageHasTheOddsOfItsParts() {
        Found f = found(
                new RankedCause(List.of(cause("C14:leaky:3M3")), 0.6),
                new RankedCause(List.of(cause("V4:dead")), 0.1),
                new RankedCause(List.of(cause("R7:open")), 0.2));
        assertThat(f.odds(stage("Output"))).isCloseTo(0.7, within(1e-9));
        assertThat(f.odds(stage("IF"))).isCloseTo(0.2, within(1e-9));
        assertThat(f.odds(stage("Audio"))).isZero();
    }

    /** What looks alike in two stages is shared out between them. */
    @Test
    void aGroupOverTwoStagesIsSharedOut() {
        Found f = found(new RankedCause(List.of(cause("V4:dead"), cause("R7:open")), 0.8));
        assertThat(f.odds(stage("Output"))).isCloseTo(0.4, within(1e-9));
        assertThat(f.odds(stage("IF"))).isCloseTo(0.4, within(1e-9));
    }

    @Test
    void aRankingOlderThanTheEvidenceSaysSo() {
        Found f = found(new RankedCause(List.of(cause("V4:dead")), 0.8));
        assertThat(f.old()).isFalse();
        assertThat(f.behind().old()).isTrue();
        assertThat(f.behind().diagnosis()).isEqualTo(f.diagnosis());
    }
}
