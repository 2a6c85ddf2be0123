package anabion.core.power;

import anabion.core.device.model.LampLaw;
import anabion.core.json.Coded;
import anabion.core.quantity.Figures;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Filament lamps in series with a set, tungsten or halogen: cold they let a sound set have nearly all of the line, hot they keep a short from burning anything.
 *
 * @param volts rated volts of one
 * @param watts rated watts of one
 * @param count how many
 * @param chained whether they are in series with each other, else in parallel
 */
public record SeriesLamp(double volts, double watts, int count, boolean chained) {
    /** Watts of the lamps that shops and drawers have. */
    private static final List<Double> SOLD = List.of(15.0, 25.0, 40.0, 60.0, 75.0, 100.0, 150.0, 200.0);
    /** A bring-up wants a lamp of two to three times the set's watts: with less the set hardly conducts, with more it guards less. */
    private static final double TIMES = 2.5;

    private static final int MOST_LAMPS = 4;
    private static final Pattern TEXT = Pattern.compile("(?:(\\d{1,2})x)?(\\d{1,5})W( series)?");
    private static final double ROOM = 300;

    /**
     * How brightly it shines.
     *
     * <p>Bounds: temperature of the filament. A dark wire is below 800 K, where nothing is seen in daylight.
     */
    public enum Glow implements Coded {
        DARK(800),
        FAINT(1250),
        DIM(1750),
        HALF(2250),
        BRIGHT(Double.POSITIVE_INFINITY);

        private final double below;

        Glow(double below) {
            this.below = below;
        }

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }

        static Glow at(double kelvin) {
            for (Glow g : values()) if (kelvin < g.below) return g;
            return BRIGHT;
        }

        private double from() {
            return this == DARK ? ROOM : values()[ordinal() - 1].below;
        }

        private double to() {
            return this == BRIGHT ? LampLaw.LAMP : below;
        }

        /** On a scale on which every step is one wide and has its ordinal in the middle. */
        private static double scale(double kelvin) {
            Glow g = at(kelvin);
            return g.ordinal() - 0.5 + Math.min(1, (kelvin - g.from()) / (g.to() - g.from()));
        }
    }

    /** One lamp. */
    public static SeriesLamp of(double volts, double watts) {
        return new SeriesLamp(volts, watts, 1, false);
    }

    /**
     * The lamp or lamps in parallel that come nearest to {@value #TIMES} times the watts of a set.
     *
     * @param line volts of the mains
     * @param watts that the set takes when it is well
     */
    public static SeriesLamp forSet(double line, double watts) {
        List<SeriesLamp> all = new ArrayList<>();
        for (int n = 1; n <= MOST_LAMPS; n++) for (double w : SOLD) all.add(new SeriesLamp(line, w, n, false));
        double wanted = TIMES * Math.max(watts, 1);
        return all.stream()
                .min(Comparator.<SeriesLamp>comparingDouble(l -> Math.abs(Math.log(l.rated() / wanted)))
                        .thenComparingInt(SeriesLamp::count))
                .orElseThrow();
    }

    /** As it is said: watts, or how many of them and how they are joined. */
    public Phrase words() {
        String one = Figures.fixed(watts, 0);
        if (count == 1) return Phrase.of("power.lamp.one", one);
        return Phrase.of(chained ? "power.lamp.chained" : "power.lamp.beside", count, one);
    }

    /** For the log: {@code 100W}, {@code 2x60W}, {@code 2x100W series}. */
    public String text() {
        String one = Figures.fixed(watts, 0) + "W";
        return count == 1 ? one : count + "x" + one + (chained ? " series" : "");
    }

    /**
     * A lamp of the log.
     *
     * @param volts of each
     * @return empty for anything else than {@link #text} writes
     */
    public static Optional<SeriesLamp> written(String text, double volts) {
        Matcher m = TEXT.matcher(text);
        if (!m.matches()) return Optional.empty();
        int count = m.group(1) == null ? 1 : Integer.parseInt(m.group(1));
        return Optional.of(new SeriesLamp(volts, Double.parseDouble(m.group(2)), count, m.group(3) != null));
    }

    /** Rated watts of all at their common volts. */
    public double rated() {
        return watts * count;
    }

    private LampLaw law() {
        double amperes = watts / volts;
        return chained
                ? new LampLaw(volts * count, amperes, LampLaw.LAMP)
                : new LampLaw(volts, amperes * count, LampLaw.LAMP);
    }

    /**
     * Volts across it.
     *
     * @param amperes effective, through the set
     */
    public double across(double amperes) {
        return law().across(amperes);
    }

    /** @param across effective volts across all of it */
    public Glow glow(double across) {
        return Glow.at(law().kelvin(across));
    }

    /** The glow on the scale of the ordinals of {@link Glow}, without jumps between them. */
    double steps(double across) {
        return Glow.scale(law().kelvin(across));
    }

    /** Share of its full temperature above room, 0 to 1. */
    public double heat(double across) {
        return law().glow(across);
    }

    /**
     * What a glow tells of the set behind it.
     *
     * @param volts at the set, half way between those at the ends of the step
     * @param watts that it takes there
     * @param deviation standard deviation of the watts, of a glow that is anywhere within the step
     */
    public record Told(double volts, double watts, double deviation) {}

    /**
     * What is known of a set from how the lamp glows. At each end of the step the lamp has its volts and amperes, and the set the rest of the volts and the
     * same amperes; the watts are told for the volts half way, to which they follow by the square.
     *
     * @param dial volts before the lamp
     */
    public Told told(double dial, Glow glow) {
        LampLaw law = law();
        double most = Math.max(dial - law.acrossAt(glow.from()), 0);
        double least = Math.max(dial - law.acrossAt(glow.to()), 0);
        double volts = (most + least) / 2;
        double from = volts * volts * law.amperesAt(glow.from()) / Math.max(most, 1);
        double to = volts * volts * law.amperesAt(glow.to()) / Math.max(least, 1);
        return new Told(volts, (from + to) / 2, Math.abs(to - from) / Math.sqrt(12));
    }
}
