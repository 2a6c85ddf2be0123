package anabion.core.diagnosis.prediction;

import anabion.core.simulation.Simulator;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.BiConsumer;

/**
 * Work on many states of one set, shared among the processors. An engine starts each solution from its last one and serves one thread at a time, so
 * there is a handful of them that wait for work; states have nothing in common.
 */
public final class ParallelSolver {
    private final ConcurrentLinkedQueue<Simulator> idle = new ConcurrentLinkedQueue<>();

    /**
     * Returns, or throws what one of them threw, when nobody works on any of the states any more: they serve one thread at a time.
     *
     * @throws CancellationException if the calling thread is interrupted meanwhile
     */
    public void each(List<FaultState> states, BiConsumer<Simulator, FaultState> work) {
        Thread caller = Thread.currentThread();
        AtomicReference<RuntimeException> failed = new AtomicReference<>();
        states.parallelStream().forEach(s -> {
            if (caller.isInterrupted() || failed.get() != null) return;
            Simulator engine = idle.poll();
            if (engine == null) engine = new Simulator();
            try {
                work.accept(engine, s);
            } catch (RuntimeException e) {
                failed.compareAndSet(null, e);
            }
            idle.add(engine);
        });
        if (caller.isInterrupted()) throw new CancellationException("the diagnosis is no longer wanted");
        if (failed.get() != null) throw failed.get();
    }
}
