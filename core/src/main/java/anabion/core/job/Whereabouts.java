package anabion.core.job;

import java.time.Instant;
import java.util.Optional;

/**
 * Whether a set has left the house, and is back.
 *
 * @param left when it was last handed back; empty for one that never left
 * @param back when it came back after that; empty while it is away
 */
public record Whereabouts(Optional<ClosingEntry> left, Optional<Alteration> back) {
    /** Of a set. */
    public static Whereabouts of(Job job) {
        Optional<ClosingEntry> left = job.closing().stream()
                .filter(e -> e.kind() == ClosingEntry.Kind.HANDED_BACK)
                .reduce((a, b) -> b);
        Optional<Alteration> back = job.alterations().stream()
                .filter(a -> a.kind() == AlterationKind.CAME_BACK
                        && left.filter(l -> !a.at().isBefore(l.at())).isPresent())
                .reduce((a, b) -> b);
        return new Whereabouts(left, back);
    }

    /** Whether it is out of the house. */
    public boolean away() {
        return left.isPresent() && back.isEmpty();
    }

    /** Whether it left and is here again. */
    public boolean returned() {
        return back.isPresent();
    }

    /** Whether something belongs to the work that is under way, and not to that before the set left. */
    public boolean isOfThisVisit(Instant at) {
        return back.filter(b -> at.isBefore(b.at())).isEmpty();
    }
}
