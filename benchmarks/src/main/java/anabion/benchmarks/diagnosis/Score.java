package anabion.benchmarks.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What came out, over all cases. */
final class Score {
    private static final int BINS = 10;

    private int cases;
    private int first;
    private int firstThree;
    private int part;
    private int partThree;
    private int decided;
    private final List<Integer> tests = new ArrayList<>();
    private final List<Integer> complaining = new ArrayList<>();
    private final List<Integer> groups = new ArrayList<>();
    private final List<Integer> halfSplit = new ArrayList<>();
    private final List<Integer> pinByPin = new ArrayList<>();
    private final double[] stated = new double[BINS];
    private final double[] right = new double[BINS];
    private final int[] count = new int[BINS];

    /**
     * One case.
     *
     * @param rank place of the truth, its part and its way of failing, from 1; 0 if it is not named
     * @param part place of the first cause in the same part
     * @param complains whether any band sounds wrong before the first test
     */
    record Outcome(
            int rank,
            int part,
            int tests,
            int group,
            boolean decided,
            boolean complains,
            List<Double> said,
            List<Boolean> hits) {}

    synchronized void add(Outcome o, int half, int pins) {
        cases++;
        if (o.rank() == 1) first++;
        if (o.rank() >= 1 && o.rank() <= 3) firstThree++;
        if (o.part() == 1) part++;
        if (o.part() >= 1 && o.part() <= 3) partThree++;
        if (o.decided()) decided++;
        tests.add(o.tests());
        if (o.complains()) complaining.add(o.tests());
        groups.add(o.group());
        if (half > 0) halfSplit.add(half);
        if (pins > 0) pinByPin.add(pins);
        for (int n = 0; n < o.said().size(); n++) {
            int bin = Math.min(BINS - 1, (int) (o.said().get(n) * BINS));
            stated[bin] += o.said().get(n);
            right[bin] += o.hits().get(n) ? 1 : 0;
            count[bin]++;
        }
    }

    /** The value below which a share of all lies; 0 for none. */
    static int at(List<Integer> values, double share) {
        if (values.isEmpty()) return 0;
        List<Integer> sorted = new ArrayList<>(values);
        Collections.sort(sorted);
        return sorted.get((int) Math.min(sorted.size() - 1, share * sorted.size()));
    }

    /** Mean distance of the stated odds from how often they are right, by tenths, weighted by how often they are said. */
    private double calibrationError() {
        double sum = 0;
        for (int b = 0; b < BINS; b++) sum += Math.abs(stated[b] - right[b]);
        return sum / Math.max(1, Arrays.stream(count).sum());
    }

    Map<String, Object> table() {
        Map<String, Object> t = new LinkedHashMap<>();
        t.put("cases", cases);
        t.put("first", share(first));
        t.put("firstThree", share(firstThree));
        t.put("partFirst", share(part));
        t.put("partInThree", share(partThree));
        t.put("testsMedian", at(tests, 0.5));
        t.put("tests90", at(tests, 0.9));
        t.put("groupMedian", at(groups, 0.5));
        t.put("group90", at(groups, 0.9));
        t.put("calibrationError", Math.round(1e4 * calibrationError()) / 1e4);
        t.put("halfSplitMedian", at(halfSplit, 0.5));
        t.put("pinByPinMedian", at(pinByPin, 0.5));
        t.put("decided", share(decided));
        t.put("complaining", share(complaining.size()));
        t.put("complainingTestsMedian", at(complaining, 0.5));
        t.put("complainingTests90", at(complaining, 0.9));
        Map<String, Object> bins = new LinkedHashMap<>();
        for (int b = 0; b < BINS; b++)
            if (count[b] > 0)
                bins.put(
                        Math.round(100 * stated[b] / count[b]) + " %",
                        Math.round(100 * right[b] / count[b]) + " % of " + count[b]);
        t.put("saidAndRight", bins);
        return t;
    }

    private double share(int n) {
        return Math.round(1e4 * n / Math.max(1.0, cases)) / 1e4;
    }
}
