package anabion.core.chassis;

import java.util.AbstractList;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.RandomAccess;

/** The parts of a chassis, with the roles that its circuit shows: what is asked of them again and again is found by name. */
final class PartList extends AbstractList<Part> implements RandomAccess {
    private final List<Part> parts;
    private final String reference;
    private final boolean fm;
    private final Map<String, Part> named = new HashMap<>();
    private final Map<String, List<Part>> on = new HashMap<>();

    /**
     * Parts that have their roles.
     *
     * @param reference the net that they are measured against
     * @param fm whether the set has an FM band
     */
    PartList(List<Part> parts, String reference, boolean fm) {
        this.parts = parts;
        this.reference = reference;
        this.fm = fm;
        for (Part p : parts) {
            named.putIfAbsent(p.reference(), p);
            for (String net : new LinkedHashSet<>(p.nets().values()))
                on.computeIfAbsent(net, n -> new ArrayList<>()).add(p);
        }
        on.replaceAll((net, there) -> List.copyOf(there));
    }

    /** Whether the roles of its parts would be found again as they are. */
    boolean holds(String other, boolean otherFm) {
        return reference.equals(other) && fm == otherFm;
    }

    String reference() {
        return reference;
    }

    Optional<Part> named(String name) {
        return Optional.ofNullable(named.get(name));
    }

    /** The parts on a net, in their order. */
    List<Part> on(String net) {
        return on.getOrDefault(net, List.of());
    }

    @Override
    public Part get(int index) {
        return parts.get(index);
    }

    @Override
    public int size() {
        return parts.size();
    }
}
