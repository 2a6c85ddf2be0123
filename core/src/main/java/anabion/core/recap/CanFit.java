package anabion.core.recap;

import anabion.core.error.InputException;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Whether new electrolytics go into an old can.
 *
 * <p>Case sizes are estimated from charge: the volume of a usual radial part is about {@value #VOLUME} mm³ for every µF·V, in the usual steps of
 * diameter and height (general knowledge of the trade; the part in hand counts). Equal circles of diameter d fit side by side into one of
 * diameter D = d·(1, 2, 2.155, 2.414) for one to four of them (elementary geometry); the largest stands for all, and where the height allows,
 * parts stand above each other.
 */
public record CanFit(double diameter, double height) {
    static final double VOLUME = 0.32;
    /** Millimetres of diameter and height of usual cases, rising. */
    private static final double[][] CASES = {
        {5, 11},
        {6.3, 11},
        {8, 12},
        {10, 16},
        {10, 20},
        {12.5, 20},
        {12.5, 25},
        {16, 25},
        {16, 32},
        {18, 36},
        {22, 41},
        {25, 46},
        {30, 51}
    };

    private static final double[] AROUND = {1, 2, 2.155, 2.414};
    private static final double LEADS = 4;
    private static final Pattern SIZE = Pattern.compile("(\\d+(?:[.,]\\d+)?)\\s*x\\s*(\\d+(?:[.,]\\d+)?)");

    /** Diameter and height of a case, in millimetres. */
    public record Case(double diameter, double height) {}

    /**
     * Reads inner diameter and height in millimetres: {@code 24x70}.
     *
     * @throws InputException if it is no size
     */
    public static CanFit of(String text) {
        Matcher m = SIZE.matcher(text.strip());
        if (!m.matches())
            throw InputException.at("\"" + text + "\"")
                    .because("no size of a can")
                    .so("write inner diameter and height in millimetres: 24x70");
        return new CanFit(number(m.group(1)), number(m.group(2)));
    }

    private static double number(String text) {
        return Double.parseDouble(text.replace(',', '.'));
    }

    /** The case that a part of a choice usually has. */
    public static Case usual(Choice c) {
        double volume = VOLUME * c.value() * 1e6 * c.volts();
        for (double[] k : CASES) if (Math.PI / 4 * k[0] * k[0] * k[1] >= volume) return new Case(k[0], k[1]);
        double[] last = CASES[CASES.length - 1];
        return new Case(last[0], last[1]);
    }

    /** Whether all of them go in, side by side and above each other. */
    public boolean takes(List<Choice> choices) {
        List<Case> cases = new ArrayList<>();
        for (Choice c : choices) {
            cases.add(usual(c));
            if (c.pair().isPresent()) cases.add(usual(c));
        }
        double widest = cases.stream().mapToDouble(Case::diameter).max().orElse(0);
        double tallest = cases.stream().mapToDouble(Case::height).max().orElse(0) + LEADS;
        int floors = (int) Math.floor(height / tallest);
        int beside = 0;
        for (int n = 0; n < AROUND.length; n++) if (AROUND[n] * widest <= diameter) beside = n + 1;
        return floors * beside >= cases.size();
    }
}
