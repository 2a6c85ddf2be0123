package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import anabion.core.handback.ClosingGate;
import anabion.core.handback.ClosingItem;
import anabion.core.isolation.Isolation;
import anabion.core.job.Step;
import anabion.desktop.sheet.HandBackSheet;
import anabion.desktop.shell.Shell;
import anabion.workshop.demo.DemoWorkshop;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;

/** A set leaves the house when all is in order, or signed off. */
class HandBackTest extends WindowCase {
    private void close(String name) {
        interact(() -> session.open(DemoWorkshop.chassis(name).id(), () -> {
            session.step().set(Step.HAND_BACK);
            shell.go(Shell.Where.BENCH);
        }));
        until("the sheet", () -> shows("covers and back") || shows("root cause"));
        until("what its circuit shows", () -> session.isolation().get().isPresent());
    }

    private ClosingGate gate() {
        return HandBackSheet.gate(session).orElseThrow();
    }

    @Test
    void whatIsOpenIsMeasuredLookedAtOrSignedOff() {
        close("halcyon");
        enter("earth 0.08");
        until("nothing proves yet that it is isolated", () -> shows("a chassis that may be joined to the mains"));
        interact(() -> session.step().set(Step.COLD_CHECKS));
        enter("MAINS-L CHASSIS 20M");
        enter("MAINS-N CHASSIS 20M");
        until("both are kept", () -> Isolation.of(session.need().chassis())
                .proved(session.need().readings()));
        interact(() -> session.step().set(Step.HAND_BACK));
        until("it is proved", () -> gate().rows().stream().anyMatch(r -> r.item() == ClosingItem.EARTH));
        int open = gate().open().size();
        enter("cause C14 leaked");
        enter("insulation 1M");
        until("too little", () -> shows("1 MΩ; the limit is 2 MΩ"));
        enter("insulation 120M");
        enter("touch 0.16mA 0.12mA 0.18mA 0.1mA");
        enter("earth 0.08");
        enter("heard AM 6 by day");
        enter("checked fuse");
        until("fewer are open", () -> gate().open().size() <= open - 5);
        enter("checked soak");
        until("a soak is not looked at", () -> shows("soak follows from the record or from a measurement"));
        enter("sign soak because the owner wants it tomorrow");
        until("signed", () -> shows("signed off: the owner wants it tomorrow"));
        enter("limit touch 0.1mA");
        until("beyond another limit", () -> shows("180 µA; the limit is 100 µA"));
        key(KeyCode.CONTROL, KeyCode.Z);
        until("a limit is none of the set's changes", () -> gate().open().stream()
                .anyMatch(r -> r.item() == ClosingItem.SOAK));
    }

    @Test
    void theReportIsWrittenAndSaysThatItIsADraft() {
        close("halcyon");
        Path file = folder.resolve("report.pdf");
        when(files.toSave(any(), any())).thenReturn(Optional.of(file));
        key(KeyCode.CONTROL, KeyCode.R);
        until("the card", () -> lookup("#report-write").tryQuery().isPresent());
        key(KeyCode.ENTER);
        until("written", () -> Files.exists(file));
        assertThat(file.toFile().length()).isGreaterThan(20_000);
    }

    @Test
    void aChassisThatMayBeLiveIsNeverEarthed() {
        close("brae");
        until(
                "it is known to be live",
                () -> shows("never to the chassis, never from pin to pin. It is never earthed."));
        enter("earth 0.1");
        until("refused", () -> shows("a chassis that may be joined to the mains is never earthed"));
        assertThat(session.need().job().closing()).isEmpty();
    }
}
