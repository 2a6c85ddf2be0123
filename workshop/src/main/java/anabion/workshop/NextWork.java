package anabion.workshop;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/**
 * What can be done now, what unblocks most first: a set whose time to cure is over, then one on which others wait (something of it is borrowed, or another waits for it by name), then those that
 * have come farthest.
 */
public final class NextWork {
    private NextWork() {}

    /**
     * Those on the Shelf that wait for nothing and have no timer running.
     *
     * @param timers of all sets
     */
    public static List<Summary> order(List<Summary> all, List<Timer> timers, Instant now) {
        return all.stream()
                .filter(s -> s.place() == Op.Place.SHELF && s.waitsFor().isEmpty())
                .filter(s -> timers.stream()
                        .noneMatch(t -> t.set().equals(s.id()) && t.ends().isAfter(now)))
                .sorted(Comparator.<Summary>comparingInt(s -> cured(s, timers) ? 0 : 1)
                        .thenComparing(s -> -waitedFor(s, all))
                        .thenComparing(s -> -s.step().ordinal()))
                .toList();
    }

    private static boolean cured(Summary s, List<Timer> timers) {
        return timers.stream().anyMatch(t -> t.set().equals(s.id()));
    }

    private static List<String> words(Summary s) {
        return List.of((s.waitsFor() + " " + String.join(" ", s.loose()))
                .toLowerCase(Locale.ROOT)
                .split("[^\\p{L}\\d]+"));
    }

    /** How many others name it in what they wait for, or in what they lent and borrowed. */
    private static long waitedFor(Summary s, List<Summary> all) {
        String model = s.name().substring(s.name().lastIndexOf(' ') + 1).toLowerCase(Locale.ROOT);
        if (model.length() < 3) return 0;
        return all.stream()
                .filter(o -> !o.id().equals(s.id()))
                .filter(o -> words(o).contains(model))
                .count();
    }
}
