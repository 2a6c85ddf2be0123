package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.error.InputException;
import anabion.core.job.Step;
import anabion.workshop.storage.CheckedPicture;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CountDownLatch;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Photos that are on their way hold no reading up, and are in before the workshop closes. */
class StorageThreadTest {
    private static final UUID SET = Temp.halcyon().id();

    @TempDir
    Path folder;

    private final CountDownLatch looked = new CountDownLatch(1);

    /** A picture that takes as long to look at as the test wants. */
    private Supplier<CheckedPicture> slow(int colour) {
        return () -> {
            try {
                looked.await();
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
            return CheckedPicture.of(Temp.picture(colour), "p.png");
        };
    }

    private StorageThread started() {
        Workshop w = Temp.open(folder);
        w.sets().add(Temp.halcyon());
        return new StorageThread(w);
    }

    @Test
    void aReadingIsWrittenWhileAPictureIsLookedAt() {
        try (StorageThread storage = started()) {
            CompletableFuture<SetRecord> photo = storage.addPhoto(SET, slow(1), "underside", Step.STUDY);
            SetRecord read =
                    storage.ask(w -> Temp.take(w, w.sets().get(SET), "V4.1", 2)).join();
            assertThat(read.readings()).hasSize(Temp.halcyon().readings().size() + 1);
            assertThat(photo).isNotDone();
            assertThat(storage.coming()).isEqualTo(1);
            looked.countDown();
            assertThat(photo.join().photos()).extracting(Photo::step).containsExactly(Optional.of(Step.STUDY));
        }
    }

    @Test
    void whatWasQueuedIsInBeforeItCloses() {
        StorageThread storage = started();
        for (int n = 0; n < 3; n++) storage.addPhoto(SET, slow(n), "photo " + n, Step.STUDY);
        CompletableFuture<?> closed = CompletableFuture.runAsync(storage::close);
        looked.countDown();
        closed.join();
        assertThat(storage.coming()).isZero();
        try (Workshop w = Temp.open(folder)) {
            assertThat(w.sets().get(SET).photos())
                    .extracting(Photo::caption)
                    .isEqualTo(List.of("photo 0", "photo 1", "photo 2"));
        }
    }

    @Test
    void oneThatIsNoneLeavesTheOthersAlone() {
        looked.countDown();
        try (StorageThread storage = started()) {
            CompletableFuture<SetRecord> none = storage.addPhoto(
                    SET, () -> CheckedPicture.of("hello".getBytes(StandardCharsets.UTF_8), "a.png"), "a", Step.STUDY);
            CompletableFuture<SetRecord> next = storage.addPhoto(SET, slow(1), "b", Step.STUDY);
            assertThatThrownBy(none::join)
                    .isInstanceOf(CompletionException.class)
                    .hasCauseInstanceOf(InputException.class);
            assertThat(next.join().photos()).hasSize(1);
            assertThat(storage.coming()).isZero();
        }
    }
}
