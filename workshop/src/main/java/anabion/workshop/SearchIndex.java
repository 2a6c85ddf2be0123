package anabion.workshop;

import anabion.core.chassis.Part;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.timeline.Happening;
import anabion.workshop.timeline.Timeline;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.statement.PreparedBatch;

/**
 * The words of all sets: parts, values, notes, owners, causes, everything that happened (SQLite's full-text index). A set that has changed since is indexed anew when
 * somebody searches, not when a reading is stored.
 */
public final class SearchIndex {
    private static final int MOST = 200;

    private final Handle handle;
    private final Sets sets;
    private final Words words = new Words(Vocabulary.STANDARD);

    SearchIndex(Handle handle, Sets sets) {
        this.handle = handle;
        this.sets = sets;
    }

    /**
     * One thing that was found.
     *
     * @param name of the set
     * @param at when, as text; empty for what the set is
     * @param kind of what happened; "set" and "part" for what the set is
     */
    public record Hit(UUID set, String name, String kind, String at, String text) {}

    /** Sets whose words are not known as they are now. */
    public List<UUID> stale() {
        return handle.createQuery("SELECT s.id FROM sets s LEFT JOIN indexed i ON i.set_id = s.id"
                        + " WHERE i.change IS NULL OR i.change <> s.changed")
                .map((rs, c) -> UUID.fromString(rs.getString(1)))
                .list();
    }

    /** Reads the words of a set anew. */
    public void index(UUID id) {
        SetRecord set = sets.get(id);
        handle.useTransaction(h -> {
            forget(id);
            PreparedBatch batch = h.prepareBatch("INSERT INTO found(set_id, at, kind, text) VALUES (?, ?, ?, ?)");
            var identity = set.chassis().identity();
            String owner = set.job().arrival().owner();
            add(
                    batch,
                    id,
                    "",
                    "set",
                    String.join(
                            " ",
                            set.chassis().name(),
                            identity.chassisCode(),
                            identity.serial(),
                            owner,
                            set.job().arrival().note(),
                            set.job().arrival().complaints().stream()
                                    .map(c -> c.where() + " "
                                            + words.say("symptom." + c.symptom().code()) + " " + c.note())
                                    .collect(Collectors.joining(", ")),
                            String.join(", ", set.job().arrival().found())));
            for (Part p : set.chassis().parts())
                add(
                        batch,
                        id,
                        "",
                        "part",
                        Stream.of(p.reference(), p.printed(), p.roleText(), p.make())
                                .filter(t -> !t.isEmpty())
                                .collect(Collectors.joining(" ")));
            for (Happening x : Timeline.of(set, words).all())
                add(batch, id, x.at().toString(), x.kind().code(), (x.text() + " " + x.detail()).strip());
            batch.execute();
            h.createUpdate("INSERT INTO indexed(set_id, change) SELECT id, changed FROM sets WHERE id = ?")
                    .bind(0, id.toString())
                    .execute();
        });
    }

    private static void add(PreparedBatch batch, UUID id, String at, String kind, String text) {
        batch.bind(0, id.toString()).bind(1, at).bind(2, kind).bind(3, text).add();
    }

    /** A set is gone for good: so are its words. */
    void forget(UUID id) {
        handle.createUpdate("DELETE FROM found WHERE set_id = ?")
                .bind(0, id.toString())
                .execute();
        handle.createUpdate("DELETE FROM indexed WHERE set_id = ?")
                .bind(0, id.toString())
                .execute();
    }

    /**
     * What contains all of some words, or their beginnings; the best first. What is stale is found as it was.
     *
     * @param text as typed
     */
    public List<Hit> find(String text) {
        String query = Stream.of(text.strip().split("\\s+"))
                .filter(w -> !w.isEmpty())
                .map(w -> '"' + w.replace("\"", "\"\"") + "\"*")
                .collect(Collectors.joining(" "));
        if (query.isEmpty()) return List.of();
        return handle.createQuery(
                        "SELECT f.set_id, f.kind, f.at, f.text, json_extract(s.summary, '$.name') FROM found f JOIN sets s ON s.id = f.set_id"
                                + " WHERE found MATCH ? ORDER BY rank LIMIT " + MOST)
                .bind(0, query)
                .map((rs, c) -> new Hit(
                        UUID.fromString(rs.getString(1)),
                        String.valueOf(rs.getString(5)),
                        rs.getString(2),
                        rs.getString(3),
                        rs.getString(4)))
                .list();
    }
}
