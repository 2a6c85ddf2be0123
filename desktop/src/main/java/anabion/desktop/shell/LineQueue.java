package anabion.desktop.shell;

import anabion.core.command.Entry;
import anabion.desktop.sheet.Sheet;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;

/**
 * Lines for the rows of a sheet, one after the other: a line that was typed before the one before is written may mean the row that is lit then. On the interface's thread.
 */
final class LineQueue {
    private final Deque<Waiting> waiting = new ArrayDeque<>();
    private CompletableFuture<?> written = CompletableFuture.completedFuture(null);

    private record Waiting(String text, Sheet sheet) {}

    /** Keeps a line back while one for a row is written; false where it can be carried out. */
    boolean keeps(String text, Sheet sheet) {
        if (written.isDone()) return false;
        waiting.add(new Waiting(text, sheet));
        return true;
    }

    /** What is to be waited for: a line for a row, nothing else. */
    CompletableFuture<?> follow(Entry entry, CompletableFuture<?> stored) {
        if (entry instanceof Entry.Volts || entry instanceof Entry.ForSheet) written = stored;
        return stored;
    }

    /**
     * The next of those that were kept back, once the one before is through.
     *
     * @param failed whether that was not written: then the lit row is not the one that was meant, and none of them is taken; the up key brings them back
     * @param now the sheet that is shown
     * @param missed told a line that was typed for another sheet
     */
    Optional<String> next(boolean failed, Sheet now, Consumer<String> missed) {
        if (!written.isDone() || waiting.isEmpty()) return Optional.empty();
        Waiting first = waiting.poll();
        if (!failed && first.sheet() == now) return Optional.of(first.text());
        waiting.clear();
        if (!failed) missed.accept(first.text());
        return Optional.empty();
    }
}
