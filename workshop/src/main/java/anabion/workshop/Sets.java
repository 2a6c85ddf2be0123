package anabion.workshop;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.evidence.FailureHistory;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.error.InputException;
import anabion.core.format.ChassisCodec;
import anabion.core.format.JobCodec;
import anabion.core.format.ReadingCodec;
import anabion.core.job.Job;
import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import anabion.core.json.TreeWriter;
import anabion.core.reading.Reading;
import anabion.workshop.storage.PhotoFiles.Stored;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jdbi.v3.core.Handle;

/** The sets of the workshop and their history of changes. */
public final class Sets {
    /** So many changes of a set can be undone; older ones are forgotten. */
    static final int HISTORY = 200;

    private final Handle handle;
    private final Clock clock;
    private final Timers timers;
    private final Predictors predictors;

    Sets(Handle handle, Clock clock, Predictors predictors) {
        this.handle = handle;
        this.predictors = predictors;
        this.clock = clock;
        this.timers = new Timers(handle);
    }

    /** A set has a step to undo or redo, with its label. */
    public record History(Optional<String> undo, Optional<String> redo) {}

    public List<Summary> summaries() {
        return handle.createQuery("SELECT id, summary, place FROM sets ORDER BY added, rowid")
                .map((rs, c) ->
                        Summary.read(UUID.fromString(rs.getString(1)), rs.getString(2), Op.Place.of(rs.getString(3))))
                .list();
    }

    public boolean has(UUID id) {
        return handle.createQuery("SELECT count(*) FROM sets WHERE id = ?")
                        .bind(0, id.toString())
                        .mapTo(Integer.class)
                        .one()
                > 0;
    }

    /** @throws InputException if there is no such set */
    public SetRecord get(UUID id) {
        return handle.createQuery("SELECT chassis, job, place FROM sets WHERE id = ?")
                .bind(0, id.toString())
                .map((rs, c) -> new SetRecord(
                        ChassisCodec.read(rs.getString(1)),
                        JobCodec.read(rs.getString(2)),
                        readings(id),
                        photos(id),
                        Op.Place.of(rs.getString(3))))
                .findOne()
                .orElseThrow(() -> InputException.at("set " + id)
                        .because("it is not in this workshop")
                        .so("choose a set from the Shelf"));
    }

    /** What the tests of parts say that were made on all sets but one, for {@link Priors#with}. */
    public Map<Priors.Key, Double> experience(UUID except) {
        return FailureHistory.factors(handle.createQuery(
                        "SELECT chassis, job FROM sets WHERE id <> ? AND place <> 'trash' AND job LIKE '%\"tests\"%'")
                .bind(0, except.toString())
                .map((rs, c) -> FailureHistory.of(ChassisCodec.read(rs.getString(1)), JobCodec.read(rs.getString(2))))
                .list());
    }

    private List<Reading> readings(UUID id) {
        return handle.createQuery("SELECT body FROM readings WHERE set_id = ? ORDER BY at, rowid")
                .bind(0, id.toString())
                .map((rs, c) -> reading(rs.getString(1)))
                .list();
    }

    private static Reading reading(String json) {
        try {
            return ReadingCodec.read(
                    Fields.of(TreeReader.read(new ByteArrayInputStream(json.getBytes(StandardCharsets.UTF_8))), ""));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private List<Photo> photos(UUID id) {
        return handle.createQuery(
                        "SELECT id, hash, suffix, caption, at FROM photos WHERE set_id = ? ORDER BY at, rowid")
                .bind(0, id.toString())
                .map((rs, c) -> new Photo(
                        UUID.fromString(rs.getString(1)),
                        new Stored(rs.getString(2), rs.getString(3)),
                        rs.getString(4),
                        Instant.parse(rs.getString(5))))
                .list();
    }

    /** Adds a set made or brought in just now; undoing that sends it to the trash. */
    public void make(SetRecord set, String label) {
        handle.useTransaction(h -> {
            add(set);
            write(set.id(), label, List.of(new Op.PutPlace(set.place())), List.of(new Op.PutPlace(Op.Place.TRASH)));
        });
    }

    /** Adds a set with all that belongs to it, in one transaction, without a history. */
    public void add(SetRecord set) {
        handle.useTransaction(h -> {
            if (has(set.id())) {
                throw InputException.at(set.chassis().name())
                        .because("this set is in the workshop already")
                        .so("look on the Shelf, in the archive and in the trash");
            }
            h.createUpdate("INSERT INTO sets(id, chassis, job, summary, place, added) VALUES (?, ?, ?, '{}', ?, ?)")
                    .bind(0, set.id().toString())
                    .bind(1, ChassisCodec.text(set.chassis()))
                    .bind(2, JobCodec.text(set.job()))
                    .bind(3, set.place().code())
                    .bind(4, clock.instant().toString())
                    .execute();
            set.readings().forEach(r -> carryOut(set.id(), new Op.PutReading(r)));
            set.photos().forEach(p -> carryOut(set.id(), new Op.PutPhoto(p)));
            summarise(set.id());
        });
    }

    /** Removes a set from the trash for good. */
    public void purge(UUID id) {
        handle.useTransaction(h -> {
            if (get(id).place() != Op.Place.TRASH)
                throw InputException.at(get(id).chassis().name())
                        .because("it is not in the trash")
                        .so("delete it first");
            h.createUpdate("DELETE FROM sets WHERE id = ?")
                    .bind(0, id.toString())
                    .execute();
        });
    }

    /**
     * Carries out a change and writes it into the set's history, in one transaction.
     *
     * @param label what was done, for "undo …"
     * @return the set as it is now
     */
    public SetRecord change(UUID id, String label, List<Op> forward) {
        return handle.inTransaction(h -> {
            List<Op> inverse = carryOut(id, forward);
            write(id, label, forward, inverse);
            return summarise(id);
        });
    }

    private void write(UUID id, String label, List<Op> forward, List<Op> inverse) {
        handle.createUpdate("DELETE FROM changes WHERE set_id = ? AND undone = 1")
                .bind(0, id.toString())
                .execute();
        handle.createUpdate(
                        "INSERT INTO changes(version, set_id, label, at, forward, inverse) VALUES (?, ?, ?, ?, ?, ?)")
                .bind(0, Op.VERSION)
                .bind(1, id.toString())
                .bind(2, label)
                .bind(3, clock.instant().toString())
                .bind(4, Op.text(forward))
                .bind(5, Op.text(inverse))
                .execute();
        handle.createUpdate("DELETE FROM changes WHERE set_id = :id AND seq NOT IN"
                        + " (SELECT seq FROM changes WHERE set_id = :id ORDER BY seq DESC LIMIT :keep)")
                .bind("id", id.toString())
                .bind("keep", HISTORY)
                .execute();
    }

    public History history(UUID id) {
        return new History(label(id, "undone = 0 ORDER BY seq DESC"), label(id, "undone = 1 ORDER BY seq"));
    }

    private Optional<String> label(UUID id, String which) {
        return handle.createQuery("SELECT label FROM changes WHERE set_id = ? AND " + which + " LIMIT 1")
                .bind(0, id.toString())
                .mapTo(String.class)
                .findOne();
    }

    /** Takes back the last change; empty when there is none. */
    public Optional<SetRecord> undo(UUID id) {
        return step(id, "undone = 0 ORDER BY seq DESC", "inverse", 1);
    }

    /** Does the last undone change again; empty when there is none. */
    public Optional<SetRecord> redo(UUID id) {
        return step(id, "undone = 1 ORDER BY seq", "forward", 0);
    }

    private record Step(long seq, String ops) {}

    private Optional<SetRecord> step(UUID id, String which, String column, int undone) {
        return handle.inTransaction(h -> {
            Optional<Step> step = h.createQuery(
                            "SELECT seq, " + column + " FROM changes WHERE set_id = ? AND " + which + " LIMIT 1")
                    .bind(0, id.toString())
                    .map((rs, c) -> new Step(rs.getLong(1), rs.getString(2)))
                    .findOne();
            if (step.isEmpty()) return Optional.empty();
            carryOut(id, Op.read(step.get().ops()));
            h.createUpdate("UPDATE changes SET undone = ? WHERE seq = ?")
                    .bind(0, undone)
                    .bind(1, step.get().seq())
                    .execute();
            return Optional.of(summarise(id));
        });
    }

    /** Forgets every history: after a migration the old operations may no longer fit. */
    void cutHistory() {
        handle.useTransaction(h -> h.execute("DELETE FROM changes"));
    }

    private SetRecord summarise(UUID id) {
        SetRecord set = get(id);
        handle.createUpdate("UPDATE sets SET summary = ? WHERE id = ?")
                .bind(0, Summary.of(set, predictors).text())
                .bind(1, id.toString())
                .execute();
        return set;
    }

    private List<Op> carryOut(UUID id, List<Op> ops) {
        List<Op> inverse = new ArrayList<>();
        for (Op op : ops) inverse.add(carryOut(id, op));
        Collections.reverse(inverse);
        return inverse;
    }

    /** Does one operation and returns the one that takes it back. */
    private Op carryOut(UUID id, Op op) {
        if (op instanceof Op.PutChassis c)
            return new Op.PutChassis(
                    ChassisCodec.read(swap(id, "chassis", ChassisCodec.text(checked(id, c.chassis())))));
        if (op instanceof Op.PutJob j) return new Op.PutJob(JobCodec.read(swap(id, "job", JobCodec.text(j.job()))));
        if (op instanceof Op.PutPlace p)
            return new Op.PutPlace(Op.Place.of(swap(id, "place", p.place().code())));
        if (op instanceof Op.PutReading r) return putReading(id, r.reading());
        if (op instanceof Op.DropReading r) return dropReading(id, r.id());
        if (op instanceof Op.PutPhoto p) return putPhoto(id, p.photo());
        if (op instanceof Op.PutTimer t) return timers.put(t.timer());
        if (op instanceof Op.DropTimer t) return timers.drop(t.id());
        return dropPhoto(id, ((Op.DropPhoto) op).id());
    }

    private static Chassis checked(UUID id, Chassis chassis) {
        if (!chassis.id().equals(id))
            throw new IllegalArgumentException("a chassis cannot take the place of another set's");
        return anabion.core.chassis.ChassisCheck.sound(chassis);
    }

    private String swap(UUID id, String column, String value) {
        String before = handle.createQuery("SELECT " + column + " FROM sets WHERE id = ?")
                .bind(0, id.toString())
                .mapTo(String.class)
                .one();
        handle.createUpdate("UPDATE sets SET " + column + " = ? WHERE id = ?")
                .bind(0, value)
                .bind(1, id.toString())
                .execute();
        return before;
    }

    private Optional<String> body(UUID set, UUID reading) {
        return handle.createQuery("SELECT body FROM readings WHERE set_id = ? AND id = ?")
                .bind(0, set.toString())
                .bind(1, reading.toString())
                .mapTo(String.class)
                .findOne();
    }

    private Op putReading(UUID id, Reading reading) {
        Optional<String> before = body(id, reading.id());
        handle.createUpdate(
                        "INSERT INTO readings(id, set_id, at, body) VALUES (?, ?, ?, ?) ON CONFLICT(set_id, id) DO UPDATE SET at = excluded.at, body = excluded.body")
                .bind(0, reading.id().toString())
                .bind(1, id.toString())
                .bind(2, reading.at().toString())
                .bind(3, TreeWriter.text(ReadingCodec.tree(reading)))
                .execute();
        return before.<Op>map(b -> new Op.PutReading(reading(b))).orElse(new Op.DropReading(reading.id()));
    }

    private Op dropReading(UUID id, UUID reading) {
        String before = body(id, reading).orElseThrow();
        handle.createUpdate("DELETE FROM readings WHERE set_id = ? AND id = ?")
                .bind(0, id.toString())
                .bind(1, reading.toString())
                .execute();
        return new Op.PutReading(reading(before));
    }

    private Op putPhoto(UUID id, Photo photo) {
        handle.createUpdate("INSERT INTO photos(id, set_id, hash, suffix, caption, at) VALUES (?, ?, ?, ?, ?, ?)")
                .bind(0, photo.id().toString())
                .bind(1, id.toString())
                .bind(2, photo.file().hash())
                .bind(3, photo.file().suffix())
                .bind(4, photo.caption())
                .bind(5, photo.at().toString())
                .execute();
        return new Op.DropPhoto(photo.id());
    }

    private Op dropPhoto(UUID id, UUID photo) {
        Photo before = photos(id).stream()
                .filter(p -> p.id().equals(photo))
                .findFirst()
                .orElseThrow();
        handle.createUpdate("DELETE FROM photos WHERE set_id = ? AND id = ?")
                .bind(0, id.toString())
                .bind(1, photo.toString())
                .execute();
        return new Op.PutPhoto(before);
    }

    /** A new set from nothing but a chassis. */
    public static SetRecord fresh(Chassis chassis) {
        return new SetRecord(chassis, Job.NEW, List.of(), List.of(), Op.Place.SHELF);
    }
}
