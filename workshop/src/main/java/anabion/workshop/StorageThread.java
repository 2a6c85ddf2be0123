package anabion.workshop;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.function.Supplier;

/** The one thread that touches the workshop. A future completes once the change is on disk, or with why it is not. */
public final class StorageThread implements AutoCloseable {
    private final ExecutorService thread = Executors.newSingleThreadExecutor(r -> new Thread(r, "storage"));
    private final Workshop workshop;

    /** Of an open workshop, which it does not close. */
    public StorageThread(Workshop workshop) {
        this.workshop = workshop;
    }

    /** Queues work on the workshop. The future fails with a {@link StorageException} or an {@link anabion.core.error.InputException}. */
    public <T> CompletableFuture<T> ask(Function<Workshop, T> work) {
        return queue(() -> workshop.doing(() -> work.apply(workshop)));
    }

    /** As {@link Workshop#saveTo}, which works without the workshop's folder. */
    public CompletableFuture<List<Photo>> saveTo(Path elsewhere) {
        return queue(() -> workshop.saveTo(elsewhere));
    }

    private <T> CompletableFuture<T> queue(Supplier<T> work) {
        try {
            return CompletableFuture.supplyAsync(work, thread);
        } catch (RejectedExecutionException e) {
            return CompletableFuture.failedFuture(
                    new StorageException("The workshop is closed", "Open it and enter this again", e));
        }
    }

    /** Finishes what is queued, then closes the workshop. */
    @Override
    public void close() {
        thread.shutdown();
        try {
            if (!thread.awaitTermination(30, TimeUnit.SECONDS)) thread.shutdownNow();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        workshop.close();
    }
}
