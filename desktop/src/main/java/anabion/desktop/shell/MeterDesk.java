package anabion.desktop.shell;

import anabion.core.chassis.Measure;
import anabion.core.command.Entry;
import anabion.core.error.InputException;
import anabion.desktop.session.Session;
import anabion.desktop.sheet.Sheet;
import anabion.instruments.Meter;
import anabion.instruments.MeterConnector;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import javafx.application.Platform;

/** The connected meter, asked on a thread of its own so that a slow one never holds the window up. */
final class MeterDesk implements AutoCloseable {
    private final ExecutorService thread = Executors.newSingleThreadExecutor(r -> {
        Thread t = new Thread(r, "meter");
        t.setDaemon(true);
        return t;
    });
    private final MeterConnector connector;
    private volatile Optional<Meter> meter = Optional.empty();

    MeterDesk(MeterConnector connector) {
        this.connector = connector;
    }

    boolean connected() {
        return meter.isPresent();
    }

    CompletableFuture<String> connect(String address) {
        return CompletableFuture.supplyAsync(
                () -> {
                    meter.ifPresent(Meter::close);
                    meter = Optional.empty();
                    Meter found = connector.connect(address);
                    meter = Optional.of(found);
                    return found.name();
                },
                thread);
    }

    /**
     * Takes a reading for the row that is lit now, wherever the user has gone until the meter answers.
     *
     * @throws InputException if the sheet takes no readings, or no meter is connected
     */
    CompletableFuture<?> take(Session session, Sheet sheet) {
        if (!sheet.takesReadings())
            throw InputException.at("")
                    .because(session.say("ui.meter.elsewhere"))
                    .so(session.say("ui.meter.elsewhere.remedy"));
        Meter connected = meter.orElseThrow(() -> InputException.at("")
                .because("no meter is connected")
                .so("type connect and its address, such as connect 192.0.2.7"));
        Measure measure = sheet.measure();
        Optional<String> lit = sheet.litPoint();
        UUID set = session.need().id();
        return CompletableFuture.supplyAsync(() -> connected.read(measure), thread)
                .thenComposeAsync(
                        volts -> {
                            if (!session.need().id().equals(set))
                                throw InputException.at(lit.orElse(""))
                                        .because(session.say("ui.meter.gone"))
                                        .so(session.say("ui.meter.gone.remedy"));
                            boolean alternates = measure == Measure.AC_VOLTS;
                            return sheet.reading(
                                    new Entry.Volts(lit, volts, alternates, false, OptionalDouble.empty()));
                        },
                        Platform::runLater);
    }

    @Override
    public void close() {
        meter.ifPresent(Meter::close);
        thread.shutdownNow();
    }
}
