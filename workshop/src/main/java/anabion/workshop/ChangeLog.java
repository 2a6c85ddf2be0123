package anabion.workshop;

import java.util.Optional;
import org.jdbi.v3.core.Handle;

/**
 * Which changes can be undone and done again, in a table with the columns {@code seq}, {@code label} and {@code undone}: one row a change, the newest last.
 * A new change forgets those that are undone; so many are kept, older ones are forgotten.
 */
final class ChangeLog {
    /** So many changes can be undone. */
    static final int HISTORY = 200;

    private final Handle handle;
    private final String table;
    private final String owned;

    /** The two ways through the log. */
    enum Way {
        UNDO("undone = 0 ORDER BY seq DESC", 1),
        REDO("undone = 1 ORDER BY seq", 0);

        private final String next;
        private final int undone;

        Way(String next, int undone) {
            this.next = next;
            this.undone = undone;
        }
    }

    /** One change, by its number. */
    record Entry(long seq, String label) {}

    /** @param owner the column that says whose change it is, or an empty text in quotes where all belong to one */
    ChangeLog(Handle handle, String table, String owner) {
        this.handle = handle;
        this.table = table;
        this.owned = owner + " = :owner";
    }

    /** Before a new change is written. */
    void forgetUndone(String owner) {
        handle.createUpdate("DELETE FROM " + table + " WHERE " + owned + " AND undone = 1")
                .bind("owner", owner)
                .execute();
    }

    /** After a new change is written. */
    void forgetOld(String owner) {
        handle.createUpdate("DELETE FROM " + table + " WHERE " + owned + " AND seq <= (SELECT seq FROM " + table
                        + " WHERE " + owned + " ORDER BY seq DESC LIMIT 1 OFFSET :keep)")
                .bind("owner", owner)
                .bind("keep", HISTORY)
                .execute();
    }

    History history(String owner) {
        return new History(
                next(owner, Way.UNDO).map(Entry::label), next(owner, Way.REDO).map(Entry::label));
    }

    /** The change that comes next that way; empty when there is none. */
    Optional<Entry> next(String owner, Way way) {
        return handle.createQuery(
                        "SELECT seq, label FROM " + table + " WHERE " + owned + " AND " + way.next + " LIMIT 1")
                .bind("owner", owner)
                .map((rs, c) -> new Entry(rs.getLong(1), rs.getString(2)))
                .findOne();
    }

    /** Says that a change went that way. */
    void went(Entry change, Way way) {
        handle.createUpdate("UPDATE " + table + " SET undone = :undone WHERE seq = :seq")
                .bind("undone", way.undone)
                .bind("seq", change.seq())
                .execute();
    }
}
