package anabion.core.align;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What a set lacks from a point on against what its circuit gives, by the generator's level.
 *
 * @param point where the generator goes in
 * @param decibels negative where it gives more
 * @param kind what follows from it
 */
public record Shortfall(String point, double decibels, Kind kind) {
    /** What a shortfall says. */
    public enum Kind {
        /** So little that an alignment has nothing to give. */
        LITTLE,
        /** All is in tune from here on, and more is lacking than from the point behind: the stage between lacks gain. */
        STAGE,
        /** What is out of tune, or behind, lacks it. */
        OPEN
    }

    /** Decibels below which alignment has little to give. */
    private static final double SMALL = 2;
    /** Decibels by which a stage must lack more than those behind it to be named. */
    private static final double LACKS = 6;

    /** @return one for each point with a reading at a known level, in the order of the work: that nearest the detector first */
    public static List<Shortfall> of(AlignmentTable t) {
        Map<String, Double> last = new LinkedHashMap<>();
        for (AlignmentTable.Row r : t.rows())
            r.lacking(t.procedure().output()).ifPresent(d -> last.put(r.line().point(), d));
        List<Shortfall> all = new ArrayList<>();
        double behind = 0;
        for (Map.Entry<String, Double> e : last.entrySet()) {
            boolean tuned = t.rows().stream()
                    .filter(r -> r.line().point().equals(e.getKey()))
                    .allMatch(AlignmentTable.Row::done);
            boolean stage = tuned && e.getValue() - behind > LACKS;
            behind = e.getValue();
            all.add(new Shortfall(e.getKey(), behind, behind < SMALL ? Kind.LITTLE : stage ? Kind.STAGE : Kind.OPEN));
        }
        return all;
    }
}
