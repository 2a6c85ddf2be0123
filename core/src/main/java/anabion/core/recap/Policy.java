package anabion.core.recap;

import anabion.core.error.InputException;
import anabion.core.json.Coded;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * The school of a workshop, or of one set.
 *
 * @param drift resistors this far from nominal are renewed, as a fraction
 */
public record Policy(Scope scope, Cans cans, Rounding rounding, double drift) {
    public static final Policy USUAL = new Policy(Scope.ALL, Cans.UNDER_CHASSIS, Rounding.AT_OR_ABOVE, 0.2);

    /** What is renewed at all. */
    public enum Scope implements Coded {
        /** Every paper and electrolytic capacitor. */
        ALL,
        /** Only what tests bad; safety capacitors always. */
        TESTED,
        /** The power section first, then one part at a time with a listen after each. */
        POWER_FIRST;

        @Override
        public String code() {
            return Policy.code(this);
        }
    }

    /** What becomes of a can with several sections. */
    public enum Cans implements Coded {
        RESTUFF,
        UNDER_CHASSIS,
        NEW_CAN;

        @Override
        public String code() {
            return Policy.code(this);
        }
    }

    /** Which preferred value is taken where both would do. */
    public enum Rounding implements Coded {
        NEAREST,
        AT_OR_ABOVE;

        @Override
        public String code() {
            return Policy.code(this);
        }
    }

    private static String code(Enum<?> e) {
        return e.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Every word that a policy can be told by. */
    public static List<String> words() {
        List<String> all = new ArrayList<>();
        for (Scope s : Scope.values()) all.add(s.code());
        for (Cans c : Cans.values()) all.add(c.code());
        for (Rounding r : Rounding.values()) all.add(r.code());
        all.add("drift-10");
        all.add("drift-20");
        return all;
    }

    /**
     * This policy with what some words change, such as {@code tested,restuff,nearest,drift-10}.
     *
     * @throws InputException naming a word that is none of {@link #words}
     */
    public Policy with(String text) {
        Policy p = this;
        for (String word : text.strip().toLowerCase(Locale.ROOT).split("[,\\s]+"))
            if (!word.isEmpty()) p = p.withWord(word);
        return p;
    }

    private Policy withWord(String word) {
        for (Scope s : Scope.values()) if (s.code().equals(word)) return new Policy(s, cans, rounding, drift);
        for (Cans c : Cans.values()) if (c.code().equals(word)) return new Policy(scope, c, rounding, drift);
        for (Rounding r : Rounding.values()) if (r.code().equals(word)) return new Policy(scope, cans, r, drift);
        if (word.equals("drift-10")) return new Policy(scope, cans, rounding, 0.1);
        if (word.equals("drift-20")) return new Policy(scope, cans, rounding, 0.2);
        throw InputException.at("\"" + word + "\"")
                .because("no school of recapping")
                .so("use some of " + String.join(", ", words()));
    }

    /** As {@link #with} reads it. */
    public String text() {
        return String.join(" ", scope.code(), cans.code(), rounding.code(), drift < 0.15 ? "drift-10" : "drift-20");
    }
}
