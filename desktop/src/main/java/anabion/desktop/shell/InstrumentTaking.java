package anabion.desktop.shell;

import anabion.core.error.InputException;
import anabion.desktop.bench.InstrumentRows;
import anabion.desktop.instrument.InstrumentDesk;
import anabion.desktop.session.Session;
import anabion.desktop.sheet.ReadingRequest;
import anabion.desktop.sheet.Sheet;
import anabion.instruments.InstrumentRole;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;

/** Takes readings from instruments for the lit row: once by a key, or again and again at an interval. */
final class InstrumentTaking {
    private final Shell shell;
    private final InstrumentDesk desk;
    /** Readings asked for so far, and the newest that was answered. */
    private int taken;

    private int answered;

    private Timeline stream = new Timeline();

    InstrumentTaking(Shell shell, InstrumentDesk desk) {
        this.shell = shell;
        this.desk = desk;
    }

    private Session session() {
        return shell.session();
    }

    /**
     * @param onBench whether the sheet is in sight
     * @throws InputException if there is no row for a reading
     */
    void take(boolean onBench, Sheet sheet) {
        if (!onBench)
            throw InputException.at("")
                    .because(session().say("ui.meter.elsewhere"))
                    .so(session().say("ui.meter.elsewhere.remedy"));
        CompletableFuture<?> reading = desk.take(sheet);
        String waiting = session().say("ui.meter.reading");
        shell.probe().say(waiting);
        int mine = ++taken;
        reading.whenComplete((done, e) -> Platform.runLater(() -> {
            answered = Math.max(answered, mine);
            // what is said of a newer one stays, and a refusal that came between
            if (e == null && mine == taken) shell.probe().unsay(waiting);
            if (e == null) return;
            stop();
            shell.troubles().say(e, "");
        }));
    }

    /** @param every empty to end it */
    void stream(Optional<Duration> every, Runnable take) {
        stop();
        if (every.isEmpty()) return;
        stream = new Timeline(
                new KeyFrame(javafx.util.Duration.millis((double) every.get().toMillis()), e -> {
                    // an instrument that is slower than the interval is not asked twice at once
                    if (answered == taken) shell.guarded(() -> orStop(take));
                }));
        stream.setCycleCount(Animation.INDEFINITE);
        stream.play();
        take.run();
    }

    private void orStop(Runnable take) {
        try {
            take.run();
        } catch (InputException e) {
            stop();
            throw e;
        }
    }

    void stop() {
        stream.stop();
    }

    /** What stands where a reading would be typed, while an instrument for it is gone. */
    Optional<String> gone(Optional<Sheet> sheet) {
        List<InstrumentRole> wanted =
                sheet.flatMap(Sheet::request).map(ReadingRequest::from).orElse(List.of());
        return session().instruments().all().get().stream()
                .filter(s -> s.trouble().isPresent() && wanted.contains(s.role()))
                .findFirst()
                .map(s -> session()
                        .say(
                                "instrument.gone.prompt",
                                session().say("instrument.role." + s.role().code()),
                                InstrumentRows.time(session(), s.at())));
    }
}
