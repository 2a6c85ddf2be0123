package anabion.core.stripdown;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.job.StripDownEntry;
import anabion.core.job.StripDownEntry.State;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;

/**
 * How a set goes together again: what came off last goes on first.
 *
 * @param order what is off or was off, the last first; without what is left over
 * @param leftOver what was found on the bench when all was together
 */
public record Reassembly(List<StripDownEntry> order, List<StripDownEntry> leftOver) {
    public Reassembly {
        order = List.copyOf(order);
        leftOver = List.copyOf(leftOver);
    }

    /** @param log in the order in which things came off */
    public static Reassembly of(List<StripDownEntry> log) {
        List<StripDownEntry> order = new ArrayList<>(
                log.stream().filter(e -> e.state() != State.LEFT_OVER).toList());
        Collections.reverse(order);
        return new Reassembly(
                order, log.stream().filter(e -> e.state() == State.LEFT_OVER).toList());
    }

    /** What is not on yet, in the order in which it goes on. */
    public List<StripDownEntry> missing() {
        return order.stream().filter(e -> e.state() != State.ON).toList();
    }

    /** Leads that hang: no power while there are any. */
    public List<StripDownEntry> hanging() {
        return order.stream().filter(StripDownEntry::hangs).toList();
    }

    /** What was taken off after an entry and is still off: it goes on before it. */
    public List<StripDownEntry> before(StripDownEntry entry) {
        int at = order.indexOf(entry);
        return at < 0
                ? List.of()
                : order.subList(0, at).stream()
                        .filter(e -> e.state() != State.ON)
                        .toList();
    }

    /** The parts of a chassis at which a lead ends: suspects where it broke. */
    public static Set<Part> partsAt(StripDownEntry entry, Chassis chassis) {
        Set<Part> all = new LinkedHashSet<>();
        entry.lead().stream()
                .flatMap(l -> Stream.of(l.from(), l.to()))
                .map(end -> end.split("[.\\s]")[0].toUpperCase(Locale.ROOT))
                .forEach(name -> chassis.part(name).ifPresent(all::add));
        return all;
    }
}
