package anabion.workshop;

import anabion.core.error.InputException;
import anabion.core.json.Fields;
import anabion.core.json.Writing;
import anabion.workshop.storage.PhotoFiles.Stored;
import java.time.Instant;
import java.util.Map;
import java.util.UUID;

/** A photo of a set: which file, and what it shows. */
public record Photo(UUID id, Stored file, String caption, Instant at) {
    /** As it is written into files. */
    public Map<String, Object> tree() {
        return new Writing()
                .put("id", id)
                .put("hash", file.hash())
                .put("suffix", file.suffix())
                .put("caption", caption)
                .put("at", at)
                .with(anabion.core.json.Extra.NONE);
    }

    /**
     * From what {@link #tree} wrote.
     *
     * @throws InputException if a field is missing or is not of its kind
     */
    public static Photo read(Fields f) {
        return new Photo(f.id(), new Stored(f.text("hash"), f.text("suffix")), f.text("caption", ""), f.instant("at"));
    }
}
