package anabion.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.command.Entry;
import anabion.desktop.sheet.Sheet;
import java.util.ArrayList;
import java.util.List;
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

    @Test
    void whatIsTypedMeanwhileComesInItsOrder() {
        typed("239", "6.2", "warm");
        assertThat(queue.next(false, sheet, missed::add)).as("not yet written").isEmpty();
        disk.complete(null);
        assertThat(queue.next(false, sheet, missed::add)).contains("6.2");
        assertThat(queue.next(false, sheet, missed::add)).contains("warm");
        assertThat(queue.next(false, sheet, missed::add)).isEmpty();
        assertThat(missed).isEmpty();
    }

    @Test
    void afterAFailureNothingGoesToARowThatWasNotMeant() {
        typed("239", "6.2", "warm");
        disk.completeExceptionally(new IllegalStateException("full"));
        assertThat(queue.next(true, sheet, missed::add)).isEmpty();
        assertThat(queue.next(false, sheet, missed::add)).isEmpty();
        assertThat(queue.keeps("239", sheet)).as("typed anew").isFalse();
    }

    @Test
    void forAnotherSheetItIsSaid() {
        typed("239", "6.2");
        disk.complete(null);
        assertThat(queue.next(false, other, missed::add)).isEmpty();
        assertThat(missed).containsExactly("6.2");
    }

    @Test
    void whatIsForNoRowIsWaitedForByNobody() {
        queue.follow(new Entry.GoTo("V1.1"), disk);
        assertThat(queue.keeps("84", sheet)).isFalse();
    }
}
