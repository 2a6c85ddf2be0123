package anabion.core.job;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/**
 * What is fitted, as the last alteration of each part says. Readings name the state by the id of the last alteration before
 * them.
 *
 * @param id the last alteration's id, or {@link #AS_FOUND}
 * @param last part to its last alteration, in the order in which the parts were first touched
 */
public record FittedState(UUID id, Map<String, Alteration> last) {
    /** The id of the state in which the set came in. */
    public static final UUID AS_FOUND = new UUID(0, 0);

    public FittedState {
        last = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(last));
    }

    static FittedState after(List<Alteration> alterations) {
        Map<String, Alteration> last = new LinkedHashMap<>();
        for (Alteration a : alterations) {
            // what is done to a part is done to all its leads
            last.keySet().removeIf(lead -> lead.startsWith(a.part() + "."));
            last.put(a.part(), a);
        }
        UUID id = alterations.isEmpty()
                ? AS_FOUND
                : alterations.get(alterations.size() - 1).id();
        return new FittedState(id, last);
    }

    /** Whether no part was touched since the set came in, for the first time or again. */
    public boolean isAsItCame() {
        return id.equals(AS_FOUND)
                || last.values().stream().anyMatch(a -> a.id().equals(id) && a.kind() == AlterationKind.CAME_BACK);
    }

    /** Parts left disconnected: no power until they are back. */
    public List<Alteration> openEnds() {
        return last.values().stream().filter(a -> a.kind().leavesOpenEnd()).toList();
    }

    /** Stand-ins that still wait for the real part. */
    public List<Alteration> temporary() {
        return last.values().stream()
                .filter(a -> a.kind() == AlterationKind.STAND_IN)
                .toList();
    }

    /** The alterations made since an earlier state; all of them for {@link #AS_FOUND}, none for an unknown id. */
    public static List<Alteration> since(UUID earlier, List<Alteration> alterations) {
        if (earlier.equals(AS_FOUND)) return alterations;
        for (int i = 0; i < alterations.size(); i++) {
            if (alterations.get(i).id().equals(earlier)) return alterations.subList(i + 1, alterations.size());
        }
        return List.of();
    }
}
