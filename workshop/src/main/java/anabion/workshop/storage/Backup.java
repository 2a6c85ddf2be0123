package anabion.workshop.storage;

import java.nio.file.Path;
import java.time.Instant;

/**
 * A copy of a workshop's database.
 *
 * @param made when its file was written
 * @param state whether it can be put in the database's place
 * @param sets the number of sets in it; 0 unless it is sound
 * @param readings the number of readings in it; 0 unless it is sound
 */
public record Backup(Path file, Instant made, State state, int sets, int readings) {
    /** What a look into it found. */
    public enum State {
        SOUND,
        DAMAGED,
        NEWER
    }

    /** The name of its file: by it a person chooses. */
    public String name() {
        return file.getFileName().toString();
    }
}
