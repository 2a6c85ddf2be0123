package anabion.workshop;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.ChassisCheck;
import anabion.core.format.ChassisCodec;
import anabion.core.format.JobCodec;
import anabion.core.format.ReadingCodec;
import anabion.core.json.TreeWriter;
import anabion.core.reading.Reading;
import anabion.workshop.storage.PhotoFiles.Stored;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jdbi.v3.core.Handle;

/** The rows of sets: chassis, job, readings and photos. Every method works within the transaction of who calls it. */
final class SetStore {
    private final Handle handle;
    private final Timers timers;

    SetStore(Handle handle) {
        this.handle = handle;
        this.timers = new Timers(handle);
    }

    List<UUID> ids() {
        return handle.createQuery("SELECT id FROM sets ORDER BY added, rowid")
                .map((rs, c) -> UUID.fromString(rs.getString(1)))
                .list();
    }

    boolean has(UUID id) {
        return handle.createQuery("SELECT count(*) FROM sets WHERE id = ?")
                        .bind(0, id.toString())
                        .mapTo(Integer.class)
                        .one()
                > 0;
    }

    Optional<SetRecord> find(UUID id) {
        return handle.createQuery("SELECT chassis, job, place FROM sets WHERE id = ?")
                .bind(0, id.toString())
                .map((rs, c) -> new SetRecord(
                        ChassisCodec.read(rs.getString(1)),
                        JobCodec.read(rs.getString(2)),
                        readings(id),
                        photos(id),
                        Op.Place.of(rs.getString(3))))
                .findOne();
    }

    private List<Reading> readings(UUID id) {
        return handle.createQuery("SELECT body FROM readings WHERE set_id = ? ORDER BY at, rowid")
                .bind(0, id.toString())
                .map((rs, c) -> ReadingCodec.read(rs.getString(1)))
                .list();
    }

    private List<Photo> photos(UUID id) {
        return handle.createQuery(
                        "SELECT id, hash, suffix, caption, at, body FROM photos WHERE set_id = ? ORDER BY at, rowid")
                .bind(0, id.toString())
                .map((rs, c) -> new Photo(
                                UUID.fromString(rs.getString(1)),
                                new Stored(rs.getString(2), rs.getString(3)),
                                rs.getString(4),
                                Instant.parse(rs.getString(5)))
                        .with(rs.getString(6)))
                .list();
    }

    /** A new set with all that belongs to it; its summary does not know yet what its readings say. */
    void insert(SetRecord set, Instant added) {
        handle.createUpdate(
                        "INSERT INTO sets(id, chassis, job, summary, place, added, changed) VALUES (?, ?, ?, ?, ?, ?, 1)")
                .bind(0, set.id().toString())
                .bind(1, ChassisCodec.text(set.chassis()))
                .bind(2, JobCodec.text(set.job()))
                .bind(3, Summary.unjudged(set).text())
                .bind(4, set.place().code())
                .bind(5, added.toString())
                .execute();
        set.readings().forEach(r -> put(set.id(), r));
        set.photos().forEach(p -> put(set.id(), p));
    }

    void delete(UUID id) {
        handle.createUpdate("DELETE FROM sets WHERE id = ?")
                .bind(0, id.toString())
                .execute();
    }

    /** Does one operation. */
    void carryOut(UUID id, Op op) {
        if (op instanceof Op.PutChassis c) set(id, "chassis", ChassisCodec.text(checked(id, c.chassis())));
        else if (op instanceof Op.PutJob j) set(id, "job", JobCodec.text(j.job()));
        else if (op instanceof Op.PutPlace p) set(id, "place", p.place().code());
        else if (op instanceof Op.PutReading r) put(id, r.reading());
        else if (op instanceof Op.DropReading r) drop("readings", id, r.id());
        else if (op instanceof Op.PutPhoto p) put(id, p.photo());
        else if (op instanceof Op.DropPhoto p) drop("photos", id, p.id());
        else if (op instanceof Op.PutTimer t) timers.put(t.timer());
        else timers.drop(((Op.DropTimer) op).id());
    }

    private static Chassis checked(UUID id, Chassis chassis) {
        if (!chassis.id().equals(id))
            throw new IllegalArgumentException("a chassis cannot take the place of another set's");
        return ChassisCheck.sound(chassis);
    }

    private void set(UUID id, String column, String value) {
        handle.createUpdate("UPDATE sets SET " + column + " = ? WHERE id = ?")
                .bind(0, value)
                .bind(1, id.toString())
                .execute();
    }

    private void put(UUID id, Reading reading) {
        handle.createUpdate(
                        "INSERT INTO readings(id, set_id, at, body) VALUES (?, ?, ?, ?) ON CONFLICT(set_id, id) DO UPDATE SET at = excluded.at, body = excluded.body")
                .bind(0, reading.id().toString())
                .bind(1, id.toString())
                .bind(2, reading.at().toString())
                .bind(3, TreeWriter.text(ReadingCodec.tree(reading)))
                .execute();
    }

    private void put(UUID id, Photo photo) {
        handle.createUpdate(
                        "INSERT INTO photos(id, set_id, hash, suffix, caption, at, body) VALUES (?, ?, ?, ?, ?, ?, ?)"
                                + " ON CONFLICT(set_id, id) DO UPDATE SET caption = excluded.caption, at = excluded.at, body = excluded.body")
                .bind(0, photo.id().toString())
                .bind(1, id.toString())
                .bind(2, photo.file().hash())
                .bind(3, photo.file().suffix())
                .bind(4, photo.caption())
                .bind(5, photo.at().toString())
                .bind(6, photo.body())
                .execute();
    }

    private void drop(String table, UUID set, UUID row) {
        handle.createUpdate("DELETE FROM " + table + " WHERE set_id = ? AND id = ?")
                .bind(0, set.toString())
                .bind(1, row.toString())
                .execute();
    }
}
