package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.when;

import anabion.workshop.storage.CheckedPicture;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

/** Times are those of the workshop's clock, and days those of its place. */
@ExtendWith(MockitoExtension.class)
class ClockTest {
    @TempDir
    Path folder;

    @Mock
    private Clock clock;

    @Test
    void eachPhotoAndTimerCarriesTheTimeAtWhichItBegan() {
        Instant first = Temp.NOW.plusSeconds(60);
        Instant second = Temp.NOW.plusSeconds(3600);
        try (Workshop w = Workshop.open(folder, clock)) {
            when(clock.instant()).thenReturn(Temp.NOW);
            w.sets().add(Temp.halcyon());
            when(clock.instant()).thenReturn(first);
            SetRecord set = w.addPhoto(Temp.halcyon().id(), CheckedPicture.of(Temp.picture(1), "a.png"), "a");
            when(clock.instant()).thenReturn(second);
            when(clock.getZone()).thenReturn(ZoneOffset.UTC);
            assertThat(set.photos().get(0).at()).isEqualTo(first);
            assertThat(Timer.starting(set.id(), "soak", Duration.ofHours(2), w.clock())
                            .ends())
                    .isEqualTo(second.plus(Duration.ofHours(2)));
        }
    }

    /** Just before midnight in London it is the next day in Helsinki. */
    @Test
    void aBackupIsDatedByTheDayOfThePlace() {
        when(clock.instant()).thenReturn(Instant.parse("2026-05-04T23:30:00Z"));
        when(clock.getZone()).thenReturn(ZoneOffset.UTC, ZoneId.of("UTC+3"));
        try (Workshop w = Workshop.open(folder, clock)) {
            w.backup();
            w.backup();
        }
        assertThat(folder.resolve("backups/workshop-2026-05-04.db")).exists();
        assertThat(folder.resolve("backups/workshop-2026-05-05.db")).exists();
    }
}
