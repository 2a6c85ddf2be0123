package anabion.workshop;

import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.job.Job;
import anabion.core.reading.judgement.Judge;
import anabion.workshop.ChangeLog.Way;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jdbi.v3.core.Handle;

/**
 * The sets of the workshop and their history of changes. A change writes itself and what takes it back, and nothing else; what the set is then follows from
 * what it was, without reading it again.
 */
public final class Sets {
    /** So many sets are kept as they are on disk. */
    private static final int SNAPSHOTS = 4;

    private final Handle handle;
    private final Clock clock;
    private final Timers timers;
    private final Predictors predictors;
    private final SetStore store;
    private final ChangeLog log;
    private final Summaries summaries;
    private final Map<UUID, SetRecord> snapshots = new LinkedHashMap<>(SNAPSHOTS, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<UUID, SetRecord> eldest) {
            return size() > SNAPSHOTS;
        }
    };

    Sets(Handle handle, Clock clock, Predictors predictors) {
        this.handle = handle;
        this.predictors = predictors;
        this.clock = clock;
        this.timers = new Timers(handle);
        this.store = new SetStore(handle);
        this.log = new ChangeLog(handle, "changes", "set_id");
        this.summaries = new Summaries(handle);
    }

    /** All sets, in the order in which they came. */
    public List<UUID> ids() {
        return store.ids();
    }

    /** Whether the workshop has the set. */
    public boolean has(UUID id) {
        return store.has(id);
    }

    /**
     * A set as it is on disk.
     *
     * @throws InputException if there is no such set
     */
    public SetRecord get(UUID id) {
        SetRecord known = snapshots.get(id);
        if (known != null) return known;
        SetRecord found = store.find(id).orElseThrow(() -> InputException.at("set " + id)
                .because("it is not in this workshop")
                .so("choose a set from the Shelf"));
        snapshots.put(id, found);
        return found;
    }

    /** Forgets what was read before: the transaction of a change in which others were made has failed. */
    void forget() {
        snapshots.clear();
    }

    /** Sets whose parts were tested. */
    public TestedSets tested() {
        return new TestedSets(handle.createQuery(
                        "SELECT id, chassis, job FROM sets WHERE place <> 'trash' AND job LIKE '%\"tests\"%'")
                .map((rs, c) -> new TestedSets.Row(UUID.fromString(rs.getString(1)), rs.getString(2), rs.getString(3)))
                .list());
    }

    // --- the Shelf ---

    /** What the Shelf shows; what is stale is made anew first, which takes a judgement a set. */
    public List<Summary> summaries() {
        for (Outdated o : outdated(Integer.MAX_VALUE)) keep(o.summarised(predictors), o.change());
        return summaries.kept();
    }

    /** What the Shelf shows, as far as it is made. */
    public List<Summary> shelf() {
        return summaries.kept();
    }

    /**
     * A set whose summary is to be made anew.
     *
     * @param change the number of its last change
     */
    public record Outdated(SetRecord set, long change) {
        /** Judges the set; for any thread. */
        public Summary summarised(Predictors predictors) {
            return Summary.of(set, predictors);
        }

        /** @param verdict on the set in its usual condition */
        public Summary summarised(Judge.Verdict verdict) {
            return Summary.of(set, verdict);
        }
    }

    /**
     * Sets whose summaries are stale.
     *
     * @param most to be read now: each is read from the disk, while readings wait to be written
     */
    public List<Outdated> outdated(int most) {
        return summaries.stale().stream()
                .limit(most)
                .map(s -> new Outdated(get(s.id()), s.change()))
                .toList();
    }

    /** Keeps a summary, unless a later one is there. */
    public void keep(Summary summary, long change) {
        summaries.keep(summary, change);
    }

    // --- changes ---

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
            store.insert(set, clock.instant());
        });
    }

    /** Removes a set from the trash for good. */
    public void purge(UUID id) {
        handle.useTransaction(h -> {
            if (get(id).place() != Op.Place.TRASH)
                throw InputException.at(get(id).chassis().name())
                        .because("it is not in the trash")
                        .so("delete it first");
            store.delete(id);
            new SearchIndex(h, this).forget(id);
        });
        snapshots.remove(id);
    }

    /**
     * Carries out a change and writes it into the set's history, in one transaction.
     *
     * @param label what was done, for "undo …"
     * @return the set as it is now
     */
    public SetRecord change(UUID id, String label, List<Op> forward) {
        SetRecord before = get(id);
        SetRecord after = handle.inTransaction(h -> {
            write(id, label, forward, inverse(before, forward));
            return carriedOut(before, forward);
        });
        snapshots.put(id, after);
        return after;
    }

    /** What takes operations back, the last first. */
    private List<Op> inverse(SetRecord before, List<Op> forward) {
        List<Op> inverse = new ArrayList<>();
        SetRecord now = before;
        for (Op op : forward) {
            inverse.add(op instanceof Op.DropTimer t ? new Op.PutTimer(timers.get(t.id())) : now.inverse(op));
            now = now.with(List.of(op));
        }
        Collections.reverse(inverse);
        return inverse;
    }

    private SetRecord carriedOut(SetRecord before, List<Op> ops) {
        for (Op op : ops) store.carryOut(before.id(), op);
        summaries.outdate(before.id());
        return before.with(ops);
    }

    private void write(UUID id, String label, List<Op> forward, List<Op> inverse) {
        log.forgetUndone(id.toString());
        handle.createUpdate(
                        "INSERT INTO changes(version, set_id, label, at, forward, inverse) VALUES (?, ?, ?, ?, ?, ?)")
                .bind(0, Op.VERSION)
                .bind(1, id.toString())
                .bind(2, label)
                .bind(3, clock.instant().toString())
                .bind(4, Op.text(forward))
                .bind(5, Op.text(inverse))
                .execute();
        log.forgetOld(id.toString());
    }

    /** What can be taken back and done again. */
    public History history(UUID id) {
        return log.history(id.toString());
    }

    /** Takes back the last change; empty when there is none. */
    public Optional<SetRecord> undo(UUID id) {
        return step(id, Way.UNDO, "inverse");
    }

    /** Does the last undone change again; empty when there is none. */
    public Optional<SetRecord> redo(UUID id) {
        return step(id, Way.REDO, "forward");
    }

    private Optional<SetRecord> step(UUID id, Way way, String column) {
        Optional<SetRecord> after =
                handle.inTransaction(h -> log.next(id.toString(), way).map(change -> {
                    SetRecord now = carriedOut(get(id), Op.read(ops(change.seq(), column)));
                    log.went(change, way);
                    return now;
                }));
        after.ifPresent(now -> snapshots.put(id, now));
        return after;
    }

    private String ops(long seq, String column) {
        return handle.createQuery("SELECT " + column + " FROM changes WHERE seq = ?")
                .bind(0, seq)
                .mapTo(String.class)
                .one();
    }

    /** Forgets every history: after a migration the old operations may no longer fit. */
    void cutHistory() {
        handle.useTransaction(h -> h.execute("DELETE FROM changes"));
    }

    /** A new set from nothing but a chassis. */
    public static SetRecord fresh(Chassis chassis) {
        return new SetRecord(chassis, Job.NEW, List.of(), List.of(), Op.Place.SHELF);
    }
}
