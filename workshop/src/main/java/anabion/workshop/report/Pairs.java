package anabion.workshop.report;

import java.util.ArrayList;
import java.util.List;

/** Rows of a list side by side, two a line. */
final class Pairs {
    private Pairs() {}

    /**
     * In the order of reading.
     *
     * @param none fills the last line of an odd list
     */
    static <T> List<List<T>> of(List<T> all, T none) {
        List<List<T>> lines = new ArrayList<>();
        for (int n = 0; n < all.size(); n += 2)
            lines.add(List.of(all.get(n), n + 1 < all.size() ? all.get(n + 1) : none));
        return lines;
    }
}
