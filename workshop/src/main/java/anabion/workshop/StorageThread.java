package anabion.workshop;

import anabion.core.job.Step;
import anabion.workshop.storage.CheckedPicture;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * The one thread that touches the workshop, and one beside it that looks at pictures before they are stored. A future completes once the change is on disk, or with why it is not.
 */
public final class StorageThread implements AutoCloseable {
    private final ExecutorService thread = Executors.newSingleThreadExecutor(r -> new Thread(r, "storage"));
    /** To look at a large picture takes a tenth of a second, in which no reading could be written. */
    private final ExecutorService pictures = Executors.newSingleThreadExecutor(r -> new Thread(r, "pictures"));

    private final AtomicInteger coming = new AtomicInteger();
    private final Workshop workshop;

    /** Of an open workshop, which it does not close. */
    public StorageThread(Workshop workshop) {
        this.workshop = workshop;
    }

    /** Queues work on the workshop. The future fails with a {@link StorageException} or an {@link anabion.core.error.InputException}. */
    public <T> CompletableFuture<T> ask(Function<Workshop, T> work) {
        return queue(thread, () -> workshop.doing(() -> work.apply(workshop)));
    }

    /**
     * Queues a photo, behind those that were queued before.
     *
     * @param picture read and looked at beside this thread
     * @param during the step in hand
     */
    public CompletableFuture<SetRecord> addPhoto(
            UUID set, Supplier<CheckedPicture> picture, String caption, Step during) {
        coming.incrementAndGet();
        return queue(pictures, picture)
                .thenCompose(p -> ask(w -> w.addPhoto(set, p, caption, Optional.of(during))))
                .whenComplete((x, e) -> coming.decrementAndGet());
    }

    /** Photos that are queued and not stored yet. */
    public int coming() {
        return coming.get();
    }

    /** As {@link Workshop#saveTo}, which works without the workshop's folder. */
    public CompletableFuture<List<Photo>> saveTo(Path elsewhere) {
        return queue(thread, () -> workshop.saveTo(elsewhere));
    }

    private static <T> CompletableFuture<T> queue(ExecutorService thread, Supplier<T> work) {
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
        end(pictures, 10);
        end(thread, 1);
        workshop.close();
    }

    private static void end(ExecutorService thread, long minutes) {
        thread.shutdown();
        try {
            if (!thread.awaitTermination(minutes, TimeUnit.MINUTES)) thread.shutdownNow();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
