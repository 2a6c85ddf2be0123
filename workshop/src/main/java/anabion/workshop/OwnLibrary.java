package anabion.workshop;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.OwnTypes;
import anabion.core.device.DeviceLibrary;
import anabion.core.device.DeviceType;
import anabion.core.device.TypeCodec;
import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import anabion.core.json.TreeWriter;
import anabion.workshop.ChangeLog.Way;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.jdbi.v3.core.Handle;

/** The types that this workshop added to the shipped library or corrected in it. Sets that use them are corrected with them. */
public final class OwnLibrary {
    private final Handle handle;
    private final Sets sets;
    private final ChangeLog log;

    OwnLibrary(Handle handle, Sets sets) {
        this.handle = handle;
        this.sets = sets;
        this.log = new ChangeLog(handle, "own_types", "''");
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
        return together(() -> {
            DeviceLibrary before = library();
            log.forgetUndone("");
            handle.createUpdate("INSERT INTO own_types(label, body) VALUES (?, ?)")
                    .bind(0, label)
                    .bind(1, text(rows))
                    .execute();
            log.forgetOld("");
            return dressed(label, before);
        });
    }

    /** What can be undone and done again. */
    public History history() {
        return log.history("");
    }

    /** Takes back the last change; does nothing when there is none. */
    public DeviceLibrary undo() {
        return step(Way.UNDO);
    }

    /** Does the last undone change again; does nothing when there is none. */
    public DeviceLibrary redo() {
        return step(Way.REDO);
    }

    private DeviceLibrary step(Way way) {
        return together(() -> {
            DeviceLibrary before = library();
            Optional<ChangeLog.Entry> next = log.next("", way);
            if (next.isEmpty()) return before;
            log.went(next.get(), way);
            return dressed(next.get().label(), before);
        });
    }

    /** In one transaction; where it fails, the sets are read anew. */
    private DeviceLibrary together(Supplier<DeviceLibrary> work) {
        try {
            return handle.inTransaction(h -> work.get());
        } catch (RuntimeException e) {
            sets.forget();
            throw e;
        }
    }

    private DeviceLibrary dressed(String label, DeviceLibrary before) {
        DeviceLibrary now = library();
        for (UUID id : sets.ids()) {
            Chassis chassis = sets.get(id).chassis();
            Chassis dressed = OwnTypes.dress(chassis, before, now);
            if (!dressed.equals(chassis)) sets.change(id, label, List.of(new Op.PutChassis(dressed)));
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
