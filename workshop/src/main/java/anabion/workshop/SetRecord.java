package anabion.workshop;

import anabion.core.chassis.Chart;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.MeterSpec;
import anabion.core.format.ReadingCodec;
import anabion.core.handback.HealthyChart;
import anabion.core.job.Alteration;
import anabion.core.job.Job;
import anabion.core.job.Whereabouts;
import anabion.core.json.TreeWriter;
import anabion.core.reading.Condition;
import anabion.core.reading.EveryBand;
import anabion.core.reading.Reading;
import anabion.core.reading.Tolerances;
import anabion.core.reading.judgement.Judge;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Everything about one set, as it stands: an immutable snapshot. Readings are oldest first. */
public record SetRecord(Chassis chassis, Job job, List<Reading> readings, List<Photo> photos, Op.Place place) {
    private static final MeterSpec USUAL_METER = new MeterSpec.Fixed(10e6);

    public SetRecord {
        readings = List.copyOf(readings);
        photos = List.copyOf(photos);
    }

    /** The id of the set, for all time. */
    public UUID id() {
        return chassis.id();
    }

    /**
     * The condition to assume for the next reading: that of the last one, else the set's nominal supply and a 10 MΩ meter; always
     * with the open ends of now.
     */
    public Condition usual() {
        List<String> open =
                job.fitted().openEnds().stream().map(Alteration::part).toList();
        return readings.stream()
                .max(Comparator.comparing(Reading::at))
                .map(r -> r.condition().withOpenEnds(open))
                .orElseGet(() -> Condition.of(chassis.supply().volts(), USUAL_METER, firstBand())
                        .withSignal("none")
                        .withOpenEnds(open));
    }

    private String firstBand() {
        return chassis.bands().isEmpty() ? "" : chassis.bands().get(0).name();
    }

    /** The points at which a switch matters, on every band. */
    public EveryBand onEveryBand(Condition now, Predictors predictors) {
        Chassis charted = compared();
        return EveryBand.of(
                charted, readings, job.alterations(), now, Tolerances.usual(charted), predictors.of(charted));
    }

    /**
     * Those of some readings that are not here yet. One that differs from the reading here of the same id gets an id of its own, the same
     * each time, and both are kept.
     */
    public List<Reading> lacking(List<Reading> incoming) {
        Map<UUID, Reading> here = readings.stream().collect(Collectors.toMap(Reading::id, r -> r));
        return incoming.stream()
                .map(r -> here.containsKey(r.id()) && !r.isSameMeasurement(here.get(r.id())) ? r.withId(ownId(r)) : r)
                .filter(r -> !here.containsKey(r.id()))
                .toList();
    }

    /** Follows from the reading's id and from what it says, in the words of its file format: those do not change with a release. */
    private static UUID ownId(Reading r) {
        Map<String, Object> said = new LinkedHashMap<>(ReadingCodec.tree(r));
        said.keySet().removeAll(Set.of("state", "at", "doubtful"));
        return UUID.nameUUIDFromBytes(TreeWriter.text(said).getBytes(StandardCharsets.UTF_8));
    }

    /** As it is after operations; a timer is no part of a set. */
    public SetRecord with(List<Op> ops) {
        SetRecord now = this;
        for (Op op : ops) now = now.with(op);
        return now;
    }

    private SetRecord with(Op op) {
        if (op instanceof Op.PutChassis c) return new SetRecord(c.chassis(), job, readings, photos, place);
        if (op instanceof Op.PutJob j) return new SetRecord(chassis, j.job(), readings, photos, place);
        if (op instanceof Op.PutPlace p) return new SetRecord(chassis, job, readings, photos, p.place());
        if (op instanceof Op.PutReading r) return withReadings(put(readings, r.reading(), Reading::id, Reading::at));
        if (op instanceof Op.DropReading d) return withReadings(without(readings, d.id(), Reading::id));
        if (op instanceof Op.PutPhoto p) return withPhotos(put(photos, p.photo(), Photo::id, Photo::at));
        if (op instanceof Op.DropPhoto d) return withPhotos(without(photos, d.id(), Photo::id));
        return this;
    }

    private SetRecord withReadings(List<Reading> now) {
        return new SetRecord(chassis, job, now, photos, place);
    }

    private SetRecord withPhotos(List<Photo> now) {
        return new SetRecord(chassis, job, readings, now, place);
    }

    /** In the order in which the rows are kept: by the text of their time, of one time in the order in which they came. */
    private static <T> List<T> put(List<T> all, T row, Function<T, UUID> id, Function<T, Instant> at) {
        String time = at.apply(row).toString();
        List<T> now = new ArrayList<>(all);
        int old = place(all, id.apply(row), id);
        if (old >= 0 && at.apply(all.get(old)).toString().equals(time)) {
            now.set(old, row);
            return now;
        }
        if (old >= 0) now.remove(old);
        int n = now.size();
        while (n > 0 && at.apply(now.get(n - 1)).toString().compareTo(time) > 0) n--;
        now.add(n, row);
        return now;
    }

    private static <T> List<T> without(List<T> all, UUID id, Function<T, UUID> ids) {
        return all.stream().filter(r -> !ids.apply(r).equals(id)).toList();
    }

    private static <T> int place(List<T> all, UUID id, Function<T, UUID> ids) {
        for (int n = all.size() - 1; n >= 0; n--) if (ids.apply(all.get(n)).equals(id)) return n;
        return -1;
    }

    /**
     * The operation that takes one back.
     *
     * @throws IllegalArgumentException for one on what the set does not have
     */
    Op inverse(Op op) {
        if (op instanceof Op.PutChassis) return new Op.PutChassis(chassis);
        if (op instanceof Op.PutJob) return new Op.PutJob(job);
        if (op instanceof Op.PutPlace) return new Op.PutPlace(place);
        if (op instanceof Op.PutReading r) {
            int old = place(readings, r.reading().id(), Reading::id);
            return old < 0 ? new Op.DropReading(r.reading().id()) : new Op.PutReading(readings.get(old));
        }
        if (op instanceof Op.DropReading d) return new Op.PutReading(needed(readings, d.id(), Reading::id));
        if (op instanceof Op.PutPhoto p) {
            int old = place(photos, p.photo().id(), Photo::id);
            return old < 0 ? new Op.DropPhoto(p.photo().id()) : new Op.PutPhoto(photos.get(old));
        }
        if (op instanceof Op.DropPhoto d) return new Op.PutPhoto(needed(photos, d.id(), Photo::id));
        if (op instanceof Op.PutTimer t) return new Op.DropTimer(t.timer().id());
        throw new IllegalArgumentException("a set knows no timer");
    }

    private static <T> T needed(List<T> all, UUID id, Function<T, UUID> ids) {
        int at = place(all, id, ids);
        if (at < 0) throw new IllegalArgumentException("there is no row " + id);
        return all.get(at);
    }

    /** Those taken since it came into the house, for the first time or again. */
    public List<Reading> readingsOfThisVisit() {
        Whereabouts where = Whereabouts.of(job);
        return where.returned()
                ? readings.stream().filter(r -> where.isOfThisVisit(r.at())).toList()
                : readings;
    }

    /** What it read when it was last handed back, as a chart; empty where it never was, or too little was read. */
    public Optional<Chart> healthy() {
        return Whereabouts.of(job)
                .left()
                .flatMap(left -> HealthyChart.of(
                        chassis,
                        readings,
                        left,
                        "own readings of " + left.at().toString().substring(0, 10)));
    }

    /** The chassis with the chart that its readings are compared with: once it has come back its own, where it has one. */
    public Chassis compared() {
        if (!Whereabouts.of(job).returned()) return chassis;
        return healthy().map(c -> chassis.withChart(Optional.of(c))).orElse(chassis);
    }

    /** The verdict on the readings under a condition. */
    public Judge.Verdict judged(Condition now, Predictors predictors) {
        Chassis charted = compared();
        return Judge.judge(
                charted,
                readings,
                job.alterations(),
                job.arrival().complaints(),
                now,
                Tolerances.usual(charted),
                predictors.of(charted));
    }
}
