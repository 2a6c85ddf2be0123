package anabion.core.job;

import anabion.core.json.Extra;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Set;

/**
 * How the set came in.
 *
 * @param owner whose it is; private, never part of a chassis file
 * @param price as agreed, in the workshop's own words
 * @param found labels, battery dates, receipts: they belong to the set's history
 */
@RecordBuilder
@RecordBuilder.Options(addClassRetainedGenerated = true)
public record Arrival(
        String owner,
        String price,
        List<Complaint> complaints,
        Set<VisitorEvidence> visitors,
        List<String> found,
        String note,
        Extra extra)
        implements ArrivalBuilder.With {
    public static final Arrival NONE = new Arrival("", "", List.of(), Set.of(), List.of(), "", Extra.NONE);

    public Arrival {
        complaints = List.copyOf(complaints);
        visitors = java.util.Collections.unmodifiableSet(new java.util.TreeSet<>(visitors));
        found = List.copyOf(found);
    }

    /** The complaint of a band or function, or "untried". */
    public SymptomKind symptom(String where) {
        return complaints.stream()
                .filter(c -> c.where().equals(where))
                .map(Complaint::symptom)
                .findFirst()
                .orElse(SymptomKind.UNTRIED);
    }

    /** Whether anybody has been in the set before: wrong wiring and moved cores become likelier. */
    public boolean visited() {
        return !visitors.isEmpty();
    }
}
