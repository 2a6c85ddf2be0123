package anabion.workshop;

import anabion.core.chassis.Spot;
import anabion.core.error.InputException;
import anabion.core.job.Step;
import anabion.core.json.Extra;
import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import anabion.core.json.TreeWriter;
import anabion.core.json.Writing;
import anabion.workshop.storage.PhotoFiles.Stored;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;

/**
 * A photo of a set: which file, what it shows, and what was drawn on it.
 *
 * @param at when it was taken, as the camera says, else when it came
 * @param step during which it came; empty where nobody knows
 * @param plan the side of the chassis that it shows as the plan of adjusters; empty for most
 */
public record Photo(
        UUID id,
        Stored file,
        String caption,
        Instant at,
        Optional<Step> step,
        List<PhotoMark> marks,
        Optional<Spot.Face> plan) {
    public Photo {
        marks = List.copyOf(marks);
    }

    /** One on which nothing is drawn. */
    public Photo(UUID id, Stored file, String caption, Instant at) {
        this(id, file, caption, at, Optional.empty(), List.of(), Optional.empty());
    }

    /** The same in another file. */
    public Photo in(Stored other) {
        return new Photo(id, other, caption, at, step, marks, plan);
    }

    public Photo withCaption(String other) {
        return new Photo(id, file, other, at, step, marks, plan);
    }

    public Photo withMarks(List<PhotoMark> others) {
        return new Photo(id, file, caption, at, step, others, plan);
    }

    /** As the plan of a side, or of none. */
    public Photo asPlan(Optional<Spot.Face> face) {
        return new Photo(id, file, caption, at, step, marks, face);
    }

    public Photo during(Step now) {
        return new Photo(id, file, caption, at, Optional.of(now), marks, plan);
    }

    /** As it is written into files. */
    public Map<String, Object> tree() {
        return body(new Writing()
                        .put("id", id)
                        .put("hash", file.hash())
                        .put("suffix", file.suffix())
                        .put("caption", caption)
                        .put("at", at))
                .with(Extra.NONE);
    }

    private Writing body(Writing w) {
        return w.put("step", step)
                .list("marks", marks.stream().map(PhotoMark::tree).toList());
    }

    /** What a row has no column for. */
    String body() {
        return TreeWriter.text(body(new Writing()).with(Extra.NONE));
    }

    /** With what a row has no column for. */
    Photo with(String body) {
        try {
            Fields f = Fields.of(TreeReader.read(new ByteArrayInputStream(body.getBytes(StandardCharsets.UTF_8))), "");
            return with(f);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Photo with(Fields f) {
        return new Photo(
                id,
                file,
                caption,
                at,
                f.maybeCode("step", Step.values()),
                f.list("marks", PhotoMark::read),
                f.maybeCode("plan", Spot.Face.values()));
    }

    /**
     * From what {@link #tree} wrote.
     *
     * @throws InputException if a field is missing or is not of its kind
     */
    public static Photo read(Fields f) {
        return new Photo(f.id(), new Stored(f.text("hash"), f.text("suffix")), f.text("caption", ""), f.instant("at"))
                .with(f);
    }
}
