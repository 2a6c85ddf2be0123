package anabion.desktop;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import javafx.application.Platform;

/** Starts the window toolkit beside the opening of the workshop: each takes a good part of a second. */
public final class Toolkit {
    private static final CompletableFuture<Void> STARTED = new CompletableFuture<>();
    private static boolean asked;

    private Toolkit() {}

    /** Starts it, once; returns at once. */
    public static synchronized void begin() {
        if (asked) return;
        asked = true;
        Thread starter = new Thread(
                () -> {
                    try {
                        Platform.startup(() -> STARTED.complete(null));
                    } catch (RuntimeException | Error e) {
                        STARTED.completeExceptionally(e);
                    }
                },
                "toolkit");
        // the toolkit's own threads take after it, and they are to hold the program
        starter.setDaemon(false);
        starter.start();
    }

    /**
     * Runs something on the interface thread, once there is one.
     *
     * @throws CompletionException if there is no display
     */
    public static void run(Runnable shown) {
        begin();
        STARTED.join();
        Platform.runLater(shown);
    }

    /** Ends it where nothing is shown after all: else its thread would hold the program. */
    public static void end() {
        Platform.exit();
    }
}
