package anabion.workshop;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.OwnTypes;
import anabion.core.device.DeviceLibrary;
import anabion.core.device.DeviceType;
import anabion.core.device.TypeCodec;
import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import anabion.core.json.TreeWriter;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jdbi.v3.core.Handle;

/** The types that this workshop added to the shipped library or corrected in it. Sets that use them are corrected with them. */
public final class OwnLibrary {
    /** So many changes can be undone. */
    private static final int HISTORY = 50;

    private final Handle handle;
    private final Sets sets;

    OwnLibrary(Handle handle, Sets sets) {
        this.handle = handle;
        this.sets = sets;
    }

    /** The workshop's own rows. */
    public List<DeviceType> own() {
        return handle.createQuery("SELECT body FROM own_types WHERE undone = 0 ORDER BY seq DESC LIMIT 1")
                .mapTo(String.class)
                .findOne()
                .map(OwnLibrary::read)
                .orElse(List.of());
    }

    /** The shipped library with the workshop's own rows over it. */
    public DeviceLibrary library() {
        return DeviceLibrary.standard().with(own());
    }

    /**
     * Keeps new own rows and brings the sets in line, each as a change of its own, in one transaction.
     *
     * @param label what was done, for "undo …"
     */
    public DeviceLibrary put(String label, List<DeviceType> rows) {
        return handle.inTransaction(h -> {
            DeviceLibrary before = library();
            h.execute("DELETE FROM own_types WHERE undone = 1");
            h.createUpdate("INSERT INTO own_types(label, body) VALUES (?, ?)")
                    .bind(0, label)
                    .bind(1, text(rows))
                    .execute();
            h.createUpdate(
                            "DELETE FROM own_types WHERE seq NOT IN (SELECT seq FROM own_types ORDER BY seq DESC LIMIT :keep)")
                    .bind("keep", HISTORY)
                    .execute();
            return dressed(label, before);
        });
    }

    /** What can be undone and done again. */
    public Sets.History history() {
        return new Sets.History(label("undone = 0 ORDER BY seq DESC"), label("undone = 1 ORDER BY seq"));
    }

    private Optional<String> label(String which) {
        return handle.createQuery("SELECT label FROM own_types WHERE " + which + " LIMIT 1")
                .mapTo(String.class)
                .findOne();
    }

    /** Takes back the last change; does nothing when there is none. */
    public DeviceLibrary undo() {
        return step("undone = 0 ORDER BY seq DESC", 1);
    }

    /** Does the last undone change again; does nothing when there is none. */
    public DeviceLibrary redo() {
        return step("undone = 1 ORDER BY seq", 0);
    }

    private DeviceLibrary step(String which, int undone) {
        return handle.inTransaction(h -> {
            DeviceLibrary before = library();
            Optional<String> label = label(which);
            h.createUpdate("UPDATE own_types SET undone = :undone WHERE seq = (SELECT seq FROM own_types WHERE " + which
                            + " LIMIT 1)")
                    .bind("undone", undone)
                    .execute();
            return label.map(l -> dressed(l, before)).orElse(before);
        });
    }

    private DeviceLibrary dressed(String label, DeviceLibrary before) {
        DeviceLibrary now = library();
        for (Summary s : sets.summaries()) {
            Chassis chassis = sets.get(s.id()).chassis();
            Chassis dressed = OwnTypes.dress(chassis, before, now);
            if (!dressed.equals(chassis)) sets.change(s.id(), label, List.of(new Op.PutChassis(dressed)));
        }
        return now;
    }

    private static String text(List<DeviceType> rows) {
        return TreeWriter.text(
                Map.of("types", rows.stream().map(TypeCodec::write).toList()));
    }

    private static List<DeviceType> read(String json) {
        try {
            return Fields.of(TreeReader.read(new ByteArrayInputStream(json.getBytes(StandardCharsets.UTF_8))), "")
                    .list("types", TypeCodec::read);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
