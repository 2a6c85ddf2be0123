package anabion.desktop.shell;

import anabion.core.chassis.Measure;
import anabion.core.input.BadInput;
import anabion.instruments.Meter;
import anabion.instruments.ScpiMeter;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/** The connected meter, asked on a thread of its own so that a slow one never holds the window up. */
final class MeterDesk implements AutoCloseable {
    private final ExecutorService thread = Executors.newSingleThreadExecutor(r -> {
        Thread t = new Thread(r, "meter");
        t.setDaemon(true);
        return t;
    });
    private volatile Optional<Meter> meter = Optional.empty();

    boolean connected() {
        return meter.isPresent();
    }

    CompletableFuture<String> connect(String address) {
        return CompletableFuture.supplyAsync(
                () -> {
                    meter.ifPresent(Meter::close);
                    meter = Optional.empty();
                    Meter found = ScpiMeter.connect(address);
                    meter = Optional.of(found);
                    return found.name();
                },
                thread);
    }

    CompletableFuture<Double> read(Measure measure) {
        Meter connected = meter.orElseThrow(() -> BadInput.at("")
                .because("no meter is connected")
                .so("type connect and its address, such as connect 192.0.2.7"));
        return CompletableFuture.supplyAsync(() -> connected.read(measure), thread);
    }

    @Override
    public void close() {
        meter.ifPresent(Meter::close);
        thread.shutdownNow();
    }
}
