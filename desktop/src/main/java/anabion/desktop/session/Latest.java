package anabion.desktop.session;

import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.application.Platform;

/** One compute worker: the latest request wins, older ones that have not begun are skipped and their answers dropped. */
final class Latest implements AutoCloseable {
    private final ExecutorService worker = Executors.newSingleThreadExecutor(r -> {
        Thread thread = new Thread(r, "compute");
        thread.setDaemon(true);
        return thread;
    });
    private final AtomicLong newest = new AtomicLong();
    private Optional<Future<?>> asked = Optional.empty();

    /** Called on the interface thread, as the answers are. */
    <T> void ask(Supplier<T> work, Consumer<T> answer, Consumer<Throwable> trouble) {
        long mine = newest.incrementAndGet();
        asked.ifPresent(f -> f.cancel(true));
        try {
            asked = Optional.of(worker.submit(() -> compute(mine, work, answer, trouble)));
        } catch (RejectedExecutionException e) {
            asked = Optional.empty(); // the window is closed: nobody waits for an answer
        }
    }

    private <T> void compute(long mine, Supplier<T> work, Consumer<T> answer, Consumer<Throwable> trouble) {
        if (newest.get() != mine) return;
        try {
            T result = work.get();
            Platform.runLater(() -> {
                if (newest.get() == mine) answer.accept(result);
            });
        } catch (CancellationException e) {
            // a newer request has taken its place, or the window closes
        } catch (RuntimeException | Error e) {
            Platform.runLater(() -> trouble.accept(e));
        }
    }

    /** Runs something that nothing newer makes idle. */
    <T> CompletableFuture<T> run(Supplier<T> work) {
        try {
            return CompletableFuture.supplyAsync(work, worker);
        } catch (RejectedExecutionException e) {
            return new CompletableFuture<>(); // the window is closed: nobody waits for an answer
        }
    }

    @Override
    public void close() {
        worker.shutdownNow();
    }
}
