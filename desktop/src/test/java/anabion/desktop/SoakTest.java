package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import anabion.core.job.SoakEntry;
import anabion.core.job.Step;
import anabion.core.job.StepState;
import anabion.core.job.SymptomKind;
import anabion.desktop.shell.Shell;
import anabion.instruments.InstrumentRole;
import anabion.instruments.Meter;
import anabion.workshop.demo.DemoWorkshop;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.mockito.Mock;

/** Hours at work; a crackle sends the job back. */
class SoakTest extends WindowCase {
    @Mock
    private Meter meter;

    private void soak(String name) {
        interact(() -> session.open(DemoWorkshop.chassis(name).id(), () -> {
            session.step().set(Step.SOAK);
            shell.go(Shell.Where.BENCH);
        }));
        until("the sheet", () -> shows("Not begun"));
    }

    @Test
    void aCrackleEndsTheSoakAndGoesIntoTheOdds() {
        soak("halcyon");
        enter("231 250");
        until("refused: nothing is on", () -> shows("no soak is under way"));
        assertThat(session.need().job().soak()).isEmpty();
        enter("start");
        until("begun", () -> shows("still to go"));
        enter("118 250 52W T1 48C ambient 22");
        until("a row", () -> shows("52") && shows("26"));
        enter("c tapped V3");
        until("it failed", () -> shows("It does not hold out") && shows("crackle, tapped V3"));
        enter("back");
        until("back where faults are sought", () -> session.step().get() == Step.TRACE);
        assertThat(session.need().job().arrival().complaints()).anySatisfy(c -> {
            assertThat(c.symptom()).isEqualTo(SymptomKind.CRACKLE);
            assertThat(c.note()).startsWith("warm, after");
        });
        assertThat(session.order().get(Step.SOAK.ordinal()).state()).isEqualTo(StepState.OPEN);
        assertThat(session.order().get(Step.TRACE.ordinal()).state()).isEqualTo(StepState.UNDER_WAY);
        assertThat(session.need().job().soak())
                .extracting(SoakEntry::kind)
                .containsExactly(SoakEntry.Kind.BEGAN, SoakEntry.Kind.READ, SoakEntry.Kind.EVENT, SoakEntry.Kind.ENDED);
        key(KeyCode.CONTROL, KeyCode.Z);
        until("all of that is one change", () -> session.need().job().soak().size() == 3);
    }

    @Test
    void aMeterReadsTheHighestChartedRail() {
        when(instruments.connect(InstrumentRole.METER, "192.0.2.7")).thenReturn(meter);
        when(meter.name()).thenReturn("Bench,Meter");
        when(meter.read(any(), any())).thenReturn(251.0);
        soak("halcyon");
        enter("connect 192.0.2.7");
        until("connected", () -> session.instruments().all().get().size() == 1);
        enter("start");
        until("begun", () -> shows("still to go"));
        key(KeyCode.F6);
        until("read", () -> session.need().job().soak().stream()
                .anyMatch(
                        e -> e.value(SoakEntry.Value.RAIL).filter(v -> v == 251).isPresent()));
    }
}
