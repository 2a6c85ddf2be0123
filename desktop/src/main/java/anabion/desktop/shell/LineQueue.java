package anabion.desktop.shell;

import anabion.core.command.Entry;
import anabion.desktop.sheet.Sheet;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;

/**
 * Lines for the rows of a sheet, one after the other: a line that was typed before the one before is through may mean the row that is lit then. Whatever is not taken the up key
 * brings back. On the interface's thread.
 */
final class LineQueue {
    private final Deque<Waiting> waiting = new ArrayDeque<>();
    /** The line for a row that is not through: written, and the next row lit. */
    private Optional<CompletableFuture<?>> underWay = Optional.empty();

    private record Waiting(String text, Sheet sheet) {}

    /** Keeps a line back while one for a row is under way; false where it can be carried out. */
    boolean keeps(String text, Sheet sheet) {
        if (underWay.isEmpty()) return false;
        waiting.add(new Waiting(text, sheet));
        return true;
    }

    /** What is to be waited for: a line for a row, nothing else. */
    CompletableFuture<?> follow(Entry entry, CompletableFuture<?> stored) {
        if (entry instanceof Entry.Volts || entry instanceof Entry.ForSheet) underWay = Optional.of(stored);
        return stored;
    }

    /**
     * A line is through.
     *
     * @param failed whether it was not written: then the lit row is not the one that lines behind it mean
     */
    void through(CompletableFuture<?> stored, boolean failed) {
        if (underWay.filter(stored::equals).isEmpty()) return;
        underWay = Optional.empty();
        if (failed) waiting.clear();
    }

    /** A line was refused: those behind it may have meant the row that it would have lit. */
    void refused() {
        if (underWay.isEmpty()) waiting.clear();
    }

    /**
     * The next of those that were kept back, once none is under way.
     *
     * @param now the sheet that is shown
     * @param missed told a line that was typed for another sheet
     */
    Optional<String> next(Sheet now, Consumer<String> missed) {
        if (underWay.isPresent() || waiting.isEmpty()) return Optional.empty();
        Waiting first = waiting.poll();
        if (first.sheet() == now) return Optional.of(first.text());
        waiting.clear();
        missed.accept(first.text());
        return Optional.empty();
    }
}
