package anabion.workshop;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.MeterSpec;
import anabion.core.format.ReadingCodec;
import anabion.core.job.Alteration;
import anabion.core.job.Job;
import anabion.core.json.TreeWriter;
import anabion.core.reading.Condition;
import anabion.core.reading.EveryBand;
import anabion.core.reading.Reading;
import anabion.core.reading.Tolerances;
import anabion.core.reading.judgement.Judge;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;

/** Everything about one set, as it stands: an immutable snapshot. Readings are oldest first. */
public record SetRecord(Chassis chassis, Job job, List<Reading> readings, List<Photo> photos, Op.Place place) {
    private static final MeterSpec USUAL_METER = new MeterSpec.Fixed(10e6);

    public SetRecord {
        readings = List.copyOf(readings);
        photos = List.copyOf(photos);
    }

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
        return EveryBand.of(
                chassis, readings, job.alterations(), now, Tolerances.usual(chassis), predictors.of(chassis));
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

    /** As it will be after changes to its chassis or job, which are written whole; all others leave it as it is here. */
    public SetRecord with(List<Op> ops) {
        SetRecord now = this;
        for (Op op : ops) {
            if (op instanceof Op.PutChassis c) now = new SetRecord(c.chassis(), now.job, readings, photos, place);
            if (op instanceof Op.PutJob j) now = new SetRecord(now.chassis, j.job(), readings, photos, place);
        }
        return now;
    }

    /** The verdict on the readings under a condition. */
    public Judge.Verdict judged(Condition now, Predictors predictors) {
        return Judge.judge(
                chassis,
                readings,
                job.alterations(),
                job.arrival().complaints(),
                now,
                Tolerances.usual(chassis),
                predictors.of(chassis));
    }
}
