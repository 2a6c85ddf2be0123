package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.command.TypeLine;
import anabion.core.device.DeviceLibrary;
import anabion.core.device.DeviceType;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A workshop's own types stay, reach its sets, and can be taken back after a restart. */
class OwnLibraryTest {
    @TempDir
    Path folder;

    private final DeviceType shipped = DeviceLibrary.standard().find("6AQ5").orElseThrow();
    private final DeviceType own = TypeLine.edit(shipped, "mu 11");

    private static DeviceType inSet(Workshop w) {
        return w.sets()
                .get(Temp.halcyon().id())
                .chassis()
                .part("V4")
                .orElseThrow()
                .device()
                .orElseThrow()
                .known()
                .orElseThrow();
    }

    @Test
    void anOwnFigureSurvivesARestartAndReachesTheSets() {
        try (Workshop w = Temp.open(folder)) {
            w.sets().add(Temp.halcyon());
            w.types().put("figures of 6AQ5", List.of(own));
        }
        try (Workshop w = Temp.open(folder)) {
            assertThat(w.types().library().find("6AQ5")).contains(own);
            assertThat(inSet(w)).isEqualTo(own);
            assertThat(w.sets().history(Temp.halcyon().id()).undo()).contains("figures of 6AQ5");
            w.types().undo();
            assertThat(inSet(w)).isEqualTo(shipped);
            assertThat(w.types().history().redo()).contains("figures of 6AQ5");
        }
        try (Workshop w = Temp.open(folder)) {
            w.types().redo();
            assertThat(inSet(w)).isEqualTo(own);
        }
    }

    @Test
    void aChangeAfterAnUndoForgetsWhatWasUndone() {
        try (Workshop w = Temp.open(folder)) {
            w.types().put("first", List.of(own));
            w.types().undo();
            w.types().put("second", List.of(TypeLine.like("OTHER-1", shipped)));
            assertThat(w.types().history().redo()).isEmpty();
            assertThat(w.types().own()).extracting(DeviceType::name).containsExactly("OTHER-1");
            assertThat(w.types().undo().find("OTHER-1")).isEmpty();
            assertThat(w.types().undo().find("6AQ5")).as("nothing left to undo").contains(shipped);
        }
    }
}
