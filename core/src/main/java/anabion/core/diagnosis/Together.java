package anabion.core.diagnosis;

import anabion.core.engine.Engine;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.BiConsumer;

/**
 * Work on many states of one set, shared among the processors. An engine starts each solution from its last one and serves one thread at a time, so
 * there is a handful of them that wait for work; states have nothing in common.
 */
final class Together {
    private final ConcurrentLinkedQueue<Engine> idle = new ConcurrentLinkedQueue<>();

    /** @throws CancellationException if the calling thread is interrupted meanwhile */
    void each(List<State> states, BiConsumer<Engine, State> work) {
        Thread caller = Thread.currentThread();
        new ArrayList<>(states).parallelStream().forEach(s -> {
            if (caller.isInterrupted()) throw new CancellationException("the diagnosis is no longer wanted");
            Engine engine = idle.poll();
            if (engine == null) engine = new Engine();
            work.accept(engine, s);
            idle.add(engine);
        });
    }
}
