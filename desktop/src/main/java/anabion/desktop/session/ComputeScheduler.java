package anabion.desktop.session;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.RejectedExecutionException;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.application.Platform;

/**
 * All that is computed for the window, off its thread. A job has a name: of the requests of one name the latest wins, an older one is interrupted, or skipped
 * if it has not begun, and its answer dropped. Answers and troubles arrive on the interface thread, from which jobs are asked, too.
 */
public final class ComputeScheduler implements AutoCloseable {
    /** What takes turns on one thread. */
    private enum Lane {
        /** What a person waits for who has just typed. */
        AT_HAND,
        /** What a sheet shows. */
        SHEET,
        /** What the Shelf shows. */
        SHELF,
        /** The search for a fault, which may take seconds. */
        SEARCH
    }

    /** What is computed. */
    public enum Job {
        VERDICT(Lane.AT_HAND),
        PINS(Lane.AT_HAND),
        DIRECT(Lane.AT_HAND),
        BANDS(Lane.AT_HAND),
        TRACE_POINTS(Lane.AT_HAND),
        COLD_OHMS(Lane.SHEET),
        PLAN(Lane.SHEET),
        CIRCUIT(Lane.SHEET),
        POWER(Lane.SHEET),
        CURVES(Lane.SHEET),
        ALIGNMENT(Lane.SHEET),
        SUMMARIES(Lane.SHELF),
        PRIORS(Lane.SHELF),
        FAILURES(Lane.SHELF),
        DIAGNOSIS(Lane.SEARCH);

        private final Lane lane;

        Job(Lane lane) {
            this.lane = lane;
        }
    }

    private final Map<Lane, ExecutorService> lanes = new EnumMap<>(Lane.class);
    private final Map<Job, Request> latest = new EnumMap<>(Job.class);
    private final Executor answers;
    private Consumer<Throwable> trouble = t -> {};
    private volatile CountDownLatch held = new CountDownLatch(0);

    private static final class Request {
        private volatile boolean superseded;
        private Future<?> running = CompletableFuture.completedFuture(null);
    }

    public ComputeScheduler() {
        this(Platform::runLater);
    }

    /** @param answers runs what it is given on the thread that asks */
    ComputeScheduler(Executor answers) {
        this.answers = answers;
        for (Lane l : Lane.values()) lanes.put(l, Executors.newSingleThreadExecutor(r -> thread(r, l)));
    }

    private static Thread thread(Runnable work, Lane lane) {
        Thread thread = new Thread(work, "compute " + lane.name().toLowerCase(java.util.Locale.ROOT));
        thread.setDaemon(true);
        return thread;
    }

    /** @param handler of what goes wrong where a request has no handler of its own */
    public void onTrouble(Consumer<Throwable> handler) {
        trouble = handler;
    }

    /** Asks for a job anew; what goes wrong is reported. */
    public <T> void ask(Job job, Supplier<T> work, Consumer<T> answer) {
        ask(job, work, answer, t -> trouble.accept(t));
    }

    /** Asks for a job anew. */
    public <T> void ask(Job job, Supplier<T> work, Consumer<T> answer, Consumer<Throwable> failed) {
        Request mine = new Request();
        Request before = latest.put(job, mine);
        if (before != null) {
            before.superseded = true;
            before.running.cancel(true);
        }
        try {
            mine.running = lanes.get(job.lane).submit(() -> compute(mine, work, answer, failed));
        } catch (RejectedExecutionException e) {
            latest.remove(job); // the window is closed: nobody waits for an answer
        }
    }

    /** Nothing that is asked for from now on begins before {@link #release}. */
    public void hold() {
        held = new CountDownLatch(1);
    }

    public void release() {
        held.countDown();
    }

    private <T> void compute(Request mine, Supplier<T> work, Consumer<T> answer, Consumer<Throwable> failed) {
        try {
            held.await();
        } catch (InterruptedException e) {
            return; // a newer request has taken its place, or the window closes
        }
        if (mine.superseded) return;
        try {
            T result = work.get();
            answers.execute(() -> {
                if (!mine.superseded) answer.accept(result);
            });
        } catch (CancellationException e) {
            // a newer request has taken its place, or the window closes
        } catch (RuntimeException | Error e) {
            answers.execute(() -> failed.accept(e));
        }
    }

    /** Answers a person's question, which nothing newer makes idle; what goes wrong is for who asked. */
    public <T> CompletableFuture<T> answer(Supplier<T> question) {
        return run(Lane.AT_HAND, question);
    }

    private <T> CompletableFuture<T> run(Lane lane, Supplier<T> work) {
        try {
            return CompletableFuture.supplyAsync(work, lanes.get(lane));
        } catch (RejectedExecutionException e) {
            return new CompletableFuture<>(); // the window is closed: nobody waits for an answer
        }
    }

    /** Completes once all that has been asked for so far is computed, but for the search for a fault. */
    public CompletableFuture<Void> idle() {
        List<CompletableFuture<Integer>> all = new ArrayList<>();
        for (Lane l : Lane.values()) if (l != Lane.SEARCH) all.add(run(l, () -> 0));
        return CompletableFuture.allOf(all.toArray(new CompletableFuture<?>[0]));
    }

    /** Completes once the search for a fault that has been asked for so far is done. */
    public CompletableFuture<Integer> searched() {
        return run(Lane.SEARCH, () -> 0);
    }

    @Override
    public void close() {
        lanes.values().forEach(ExecutorService::shutdownNow);
    }
}
