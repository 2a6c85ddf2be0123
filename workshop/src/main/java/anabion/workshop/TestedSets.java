package anabion.workshop;

import anabion.core.diagnosis.evidence.FailureHistory;
import anabion.core.diagnosis.evidence.FailureTable;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.format.ChassisCodec;
import anabion.core.format.JobCodec;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/**
 * Sets whose parts were tested, but those in the trash, as they stand on the disk. To decode hundreds of them takes a second: that is for another thread than
 * the one that reads and writes.
 */
public record TestedSets(List<Row> rows) {
    /** One set, undecoded. */
    public record Row(UUID id, String chassis, String job) {}

    /** What the tests of parts say that were made on all sets but one, for {@link Priors#with}. */
    public Map<Priors.Key, Double> experience(UUID except) {
        return FailureHistory.factors(rows.stream()
                .filter(r -> !r.id().equals(except))
                .map(r -> FailureHistory.of(ChassisCodec.read(r.chassis()), JobCodec.read(r.job())))
                .toList());
    }

    /** Which parts failed when they were tested. */
    public List<FailureTable.Row> failures() {
        FailureTable table = new FailureTable();
        rows.forEach(r -> table.with(ChassisCodec.read(r.chassis()), JobCodec.read(r.job())));
        return table.rows();
    }
}
