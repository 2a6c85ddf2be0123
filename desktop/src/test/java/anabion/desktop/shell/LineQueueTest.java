package anabion.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.command.Entry;
import anabion.desktop.sheet.Sheet;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

/** Readings that are typed faster than the disk writes go to the rows that were meant. */
@ExtendWith(MockitoExtension.class)
class LineQueueTest {
    @Mock
    private Sheet sheet;

    @Mock
    private Sheet other;

    private final LineQueue queue = new LineQueue();
    private final CompletableFuture<Void> disk = new CompletableFuture<>();
    private final List<String> missed = new ArrayList<>();

    private void typed(String first, String... more) {
        assertThat(queue.keeps(first, sheet)).isFalse();
        queue.follow(new Entry.ForSheet(first), disk);
        for (String line : more) assertThat(queue.keeps(line, sheet)).isTrue();
    }

    private Optional<String> next() {
        return queue.next(sheet, missed::add);
    }

    @Test
    void whatIsTypedMeanwhileComesInItsOrder() {
        typed("239", "6.2", "warm");
        disk.complete(null);
        assertThat(next()).as("written, but the next row is not lit yet").isEmpty();
        queue.through(disk, false);
        assertThat(next()).contains("6.2");
        CompletableFuture<Void> second = new CompletableFuture<>();
        queue.follow(new Entry.ForSheet("6.2"), second);
        assertThat(next()).as("one at a time").isEmpty();
        queue.through(disk, true);
        assertThat(next()).as("another line says nothing of this one").isEmpty();
        queue.through(second, false);
        assertThat(next()).contains("warm");
        assertThat(next()).isEmpty();
        assertThat(missed).isEmpty();
    }

    @Test
    void afterAFailureNothingGoesToARowThatWasNotMeant() {
        typed("239", "6.2", "warm");
        queue.through(disk, true);
        assertThat(next()).isEmpty();
        assertThat(queue.keeps("239", sheet)).as("typed anew").isFalse();
    }

    /** What is refused lights no row: what was typed behind it does not come later, when nobody thinks of it. */
    @Test
    void behindALineThatIsRefusedNothingIsLeft() {
        typed("239", "gibberish", "6.2");
        queue.through(disk, false);
        assertThat(next()).contains("gibberish");
        queue.refused();
        assertThat(next()).isEmpty();
    }

    @Test
    void forAnotherSheetItIsSaid() {
        typed("239", "6.2");
        queue.through(disk, false);
        assertThat(queue.next(other, missed::add)).isEmpty();
        assertThat(missed).containsExactly("6.2");
    }

    @Test
    void whatIsForNoRowIsWaitedForByNobody() {
        queue.follow(new Entry.GoTo("V1.1"), disk);
        assertThat(queue.keeps("84", sheet)).isFalse();
    }
}
