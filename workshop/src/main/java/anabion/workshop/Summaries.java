package anabion.workshop;

import java.util.List;
import java.util.UUID;
import org.jdbi.v3.core.Handle;

/**
 * What the Shelf shows of the sets: a projection that follows each commit. Every row carries the number of the last change of its set, and that of the change
 * that its summary knows of; where they differ it is stale, whatever stopped the program between the two.
 */
final class Summaries {
    private final Handle handle;

    Summaries(Handle handle) {
        this.handle = handle;
    }

    /** A set whose summary is to be made anew. */
    record Stale(UUID id, long change) {}

    /** As they are kept, stale ones too. */
    List<Summary> kept() {
        return handle.createQuery("SELECT id, summary, place FROM sets ORDER BY added, rowid")
                .map((rs, c) ->
                        Summary.read(UUID.fromString(rs.getString(1)), rs.getString(2), Op.Place.of(rs.getString(3))))
                .list();
    }

    List<Stale> stale() {
        return handle.createQuery("SELECT id, changed FROM sets WHERE changed <> summarised ORDER BY added, rowid")
                .map((rs, c) -> new Stale(UUID.fromString(rs.getString(1)), rs.getLong(2)))
                .list();
    }

    /** Within the transaction of a change. */
    void outdate(UUID id) {
        handle.createUpdate("UPDATE sets SET changed = changed + 1 WHERE id = ?")
                .bind(0, id.toString())
                .execute();
    }

    /** Keeps a summary, unless one that knows of a later change is there. */
    void keep(Summary summary, long change) {
        handle.createUpdate("UPDATE sets SET summary = :summary, summarised = :change"
                        + " WHERE id = :id AND summarised <= :change")
                .bind("summary", summary.text())
                .bind("change", change)
                .bind("id", summary.id().toString())
                .execute();
    }
}
