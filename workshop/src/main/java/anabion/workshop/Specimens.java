package anabion.workshop;

import anabion.core.chassis.Chart;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Identity;
import anabion.core.format.ChassisCodec;
import anabion.core.format.JobCodec;
import anabion.core.job.Job;
import anabion.core.job.Note;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jdbi.v3.core.Handle;

/** What other sets of the same model taught. */
public final class Specimens {
    private static final Set<Note.Kind> TEACH =
            EnumSet.of(Note.Kind.MODEL, Note.Kind.CAUSE, Note.Kind.FRAGILE, Note.Kind.STAYS);

    private final Handle handle;
    private final Sets sets;

    Specimens(Handle handle, Sets sets) {
        this.handle = handle;
        this.sets = sets;
    }

    /**
     * What another set of a model read when it was handed back.
     *
     * @param serial of that set, else the day on which it left
     */
    public record OwnChart(String serial, Chart chart) {}

    /** Of all other sets of a model that left in order, the newest last. */
    public List<OwnChart> charts(Identity identity, UUID except) {
        if (identity.model().isBlank()) return List.of();
        return handle
                .createQuery("SELECT id FROM sets WHERE id <> ? AND job LIKE '%\"handed-back\"%'"
                        + " AND lower(json_extract(summary, '$.name')) = ? ORDER BY added, rowid")
                .bind(0, except.toString())
                .bind(1, identity.name().toLowerCase(java.util.Locale.ROOT))
                .mapTo(String.class)
                .list()
                .stream()
                .map(id -> sets.get(UUID.fromString(id)))
                .flatMap(s -> s.healthy().stream().map(c -> new OwnChart(called(s, c), c)))
                .toList();
    }

    private static String called(SetRecord set, Chart chart) {
        String serial = set.chassis().identity().serial();
        return serial.isEmpty() ? chart.source().replaceFirst(".* ", "") : serial;
    }

    /**
     * One note.
     *
     * @param serial of the set that taught it, else when it was written
     */
    public record Lesson(UUID set, String serial, Note note) {}

    /** Of all other sets of a model, wherever they stand; those that hold for every set first. */
    public List<Lesson> lessons(Identity identity, UUID except) {
        if (identity.model().isBlank()) return List.of();
        List<Lesson> all = new ArrayList<>();
        handle.createQuery("SELECT chassis, job FROM sets WHERE id <> ? AND job LIKE '%\"notes\"%'"
                        + " AND lower(json_extract(summary, '$.name')) = ?")
                .bind(0, except.toString())
                .bind(1, identity.name().toLowerCase(java.util.Locale.ROOT))
                .map((rs, c) -> List.of(rs.getString(1), rs.getString(2)))
                .forEach(row -> {
                    Chassis chassis = ChassisCodec.read(row.get(0));
                    Job job = JobCodec.read(row.get(1));
                    for (Note n : job.notes())
                        if (TEACH.contains(n.kind())) all.add(new Lesson(chassis.id(), serial(chassis, n), n));
                });
        all.sort(java.util.Comparator.comparing(l -> l.note().kind() == Note.Kind.MODEL ? 0 : 1));
        return all;
    }

    private static String serial(Chassis chassis, Note n) {
        String serial = chassis.identity().serial();
        return serial.isEmpty() ? n.at().toString().substring(0, 10) : serial;
    }
}
