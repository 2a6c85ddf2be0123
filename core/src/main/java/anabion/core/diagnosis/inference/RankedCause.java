package anabion.core.diagnosis.inference;

import anabion.core.chassis.Fault;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * Causes that look alike, with the odds of all of them together.
 *
 * @param causes the likeliest first
 */
public record RankedCause(List<Hypothesis> causes, double odds) {
    public RankedCause {
        causes = List.copyOf(causes);
    }

    /** Its likeliest severity. */
    public Hypothesis first() {
        return causes.get(0);
    }

    /** The parts they belong to. */
    public Set<String> parts() {
        Set<String> parts = new LinkedHashSet<>();
        causes.forEach(h -> h.from().stream().map(Fault::part).forEach(parts::add));
        return parts;
    }

    /** @param cause as {@code C14:leaky} */
    public boolean names(String cause) {
        return causes.stream().anyMatch(h -> h.cause().equals(cause));
    }
}
