package anabion.desktop;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import javafx.application.Platform;

/** Asks for the interface thread again and again, and keeps how long each time it took to come. */
final class Beat extends Thread {
    private final List<Double> waited = Collections.synchronizedList(new ArrayList<>());
    private volatile boolean over;

    Beat() {
        super("beat");
        setDaemon(true);
    }

    @Override
    public void run() {
        while (!over) {
            long asked = System.nanoTime();
            Platform.runLater(() -> waited.add((System.nanoTime() - asked) / 1e6));
            LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(5));
        }
    }

    /** Milliseconds of the longest waits, the longest first. */
    List<Double> longest() {
        over = true;
        List<Double> all = new ArrayList<>(waited);
        all.sort(Collections.reverseOrder());
        return all;
    }
}
