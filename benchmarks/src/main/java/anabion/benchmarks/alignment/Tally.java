package anabion.benchmarks.alignment;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What came of specimens that were followed in one way. */
final class Tally {
    private static final double NEAR_DIAL = 2;

    private final double nearDecibels;
    private int near;
    private int accused;
    private int faulty;
    private int named;
    private final List<Double> passes = new ArrayList<>();
    private final List<Double> lacking = new ArrayList<>();
    private final List<Double> dials = new ArrayList<>();

    /** @param nearDecibels below which a specimen counts as brought to its best */
    Tally(double nearDecibels) {
        this.nearDecibels = nearDecibels;
    }

    void faulty(boolean found) {
        faulty++;
        if (found) named++;
    }

    /**
     * A sound specimen.
     *
     * @param lacks decibels against its best, the worst of some places of the dial
     * @param dial per cent by which the dial is off, likewise
     */
    void sound(int taken, boolean suspected, double lacks, double dial) {
        passes.add((double) taken);
        if (suspected) accused++;
        lacking.add(lacks);
        dials.add(dial);
        if (lacks < nearDecibels && dial < NEAR_DIAL) near++;
    }

    Map<String, Object> said() {
        Map<String, Object> all = new LinkedHashMap<>();
        int sound = lacking.size();
        all.put("sound specimens", sound);
        all.put(
                "within " + Math.round(nearDecibels) + " dB of their best and 2 % of the dial, %",
                percent(near, sound));
        all.put("lacking, dB, median and 95th of 100", at(lacking, 0.5) + ", " + at(lacking, 0.95));
        all.put("dial off, %, median and 95th of 100", at(dials, 0.5) + ", " + at(dials, 0.95));
        all.put("passes that gained half a decibel, median", at(passes, 0.5));
        all.put("sound ones accused, %", percent(accused, sound));
        all.put("specimens with a capacitor off by a fifth", faulty);
        all.put("its part or can named, %", percent(named, faulty));
        return all;
    }

    private static double percent(int part, int all) {
        return Math.round(1000.0 * part / Math.max(1, all)) / 10.0;
    }

    private static double at(List<Double> values, double share) {
        List<Double> sorted = values.stream().sorted().toList();
        if (sorted.isEmpty()) return Double.NaN;
        return Math.round(100 * sorted.get((int) Math.min(sorted.size() - 1, share * sorted.size()))) / 100.0;
    }
}
