package anabion.workshop;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jdbi.v3.core.Handle;

/** The table of running timers. */
final class Timers {
    private final Handle handle;

    Timers(Handle handle) {
        this.handle = handle;
    }

    /** The next to end first. */
    List<Timer> all() {
        return handle.createQuery("SELECT id, set_id, label, ends FROM timers ORDER BY ends")
                .map((rs, c) -> new Timer(
                        UUID.fromString(rs.getString(1)),
                        UUID.fromString(rs.getString(2)),
                        rs.getString(3),
                        Instant.parse(rs.getString(4))))
                .list();
    }

    Timer get(UUID id) {
        return all().stream().filter(t -> t.id().equals(id)).findFirst().orElseThrow();
    }

    void put(Timer timer) {
        handle.createUpdate("INSERT INTO timers(id, set_id, label, ends) VALUES (?, ?, ?, ?)")
                .bind(0, timer.id().toString())
                .bind(1, timer.set().toString())
                .bind(2, timer.label())
                .bind(3, timer.ends().toString())
                .execute();
    }

    void drop(UUID id) {
        handle.createUpdate("DELETE FROM timers WHERE id = ?")
                .bind(0, id.toString())
                .execute();
    }
}
