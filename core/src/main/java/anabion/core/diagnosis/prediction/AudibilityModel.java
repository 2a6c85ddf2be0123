package anabion.core.diagnosis.prediction;

import anabion.core.job.Outcome;
import anabion.core.signal.Loudness;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Optional;

/**
 * What an ear makes of a computed change of loudness: how likely each outcome is called. Between the names there is no sharp edge, and now and
 * then an ear is wrong: every outcome keeps {@link #WRONG}.
 */
public final class AudibilityModel {
    /** Decibels below a good set at which half of all ears say weak, and nothing; and how sharply. */
    private static final double WEAK = -8;

    private static final double GONE = -30;
    private static final double BLUR = 3;
    /** Decibels of more hum at which half of all ears name it. */
    private static final double HUMS = 14;
    /** A distorting or humming set is called so by so many ears, unless it is silent. */
    private static final double NAMED = 0.8;

    /** A detector that lets the carrier's changes through is called noisy by so many; to others it plays. */
    private static final double NOISY = 0.5;

    private static final double WRONG = 0.015;
    /** Share of sets that play which crackle as well, whatever else is wrong (judgement): who names it has heard them play. */
    private static final double CRACKLES = 0.05;

    private static final double SILENCE = -200;

    private AudibilityModel() {}

    /** What most ears call a set, or a point of it, against itself when sound; silent where its circuit does not settle. */
    public static Outcome usual(Loudness sound, Optional<Loudness> now, String point) {
        if (now.isEmpty()) return Outcome.NOTHING;
        double[] odds = odds(sound, now.get(), point);
        return Arrays.stream(Outcome.values())
                .max(Comparator.comparingDouble(o -> odds[o.ordinal()]))
                .orElseThrow();
    }

    /** What an ear calls a point from which so many decibels less come than from a good set's, a generator making up for them. */
    public static Outcome called(double lacking) {
        return -lacking < WEAK ? Outcome.WEAK : Outcome.LOUD;
    }

    /** Equal odds of everything that can be heard. */
    public static double[] unknown() {
        return even(Outcome.values().length);
    }

    private static double[] even(int n) {
        double[] odds = new double[n];
        java.util.Arrays.fill(odds, 1.0 / n);
        return odds;
    }

    /** Half of each. */
    public static double[] mean(double[] a, double[] b) {
        double[] odds = new double[a.length];
        for (int n = 0; n < a.length; n++) odds[n] = (a[n] + b[n]) / 2;
        return odds;
    }

    /**
     * Probability of each outcome at a point, in the order of {@link anabion.core.job.Outcome}; they sum to one.
     *
     * @param sound of the sound set
     * @param now of the faulty one
     */
    public static double[] odds(Loudness sound, Loudness now, String point) {
        double change = level(now.heard(point)) - level(sound.decibels().getOrDefault(point, 0.0));
        double humming = level(now.heardHum()) - level(sound.hum());
        double[] odds = levels(change);
        double gone = odds[Outcome.NOTHING.ordinal()];
        name(odds, Outcome.DISTORTED, now.distorted() && !sound.distorted() ? NAMED * (1 - gone) : 0);
        name(odds, Outcome.CRACKLE, now.noisy() && !sound.noisy() ? NOISY * (1 - gone) : 0);
        name(odds, Outcome.HUM, NAMED * above(humming - HUMS));
        return erring(odds);
    }

    /**
     * What a tracer at a point makes of a signal at the aerial. What arrives there is what the whole set brings less what it brings from there on; where
     * nothing comes from there on, that says nothing of the way before, which may be whole or not.
     */
    public static double[] traced(Loudness sound, Loudness now, String point) {
        double after = level(now.decibels().getOrDefault(point, SILENCE));
        double whole = level(now.decibels().getOrDefault(sound.whole(), SILENCE));
        double usual = level(sound.decibels().getOrDefault(sound.whole(), 0.0))
                - level(sound.decibels().getOrDefault(point, 0.0));
        if (after > SILENCE) return erring(levels(whole - after - usual));
        return erring(mean(levels(0), levels(SILENCE)));
    }

    private static double[] levels(double change) {
        double gone = above(GONE - change);
        double loud = above(change - WEAK) * (1 - gone);
        double[] odds = new double[Outcome.values().length];
        odds[Outcome.NOTHING.ordinal()] = gone;
        odds[Outcome.LOUD.ordinal()] = loud * (1 - CRACKLES);
        odds[Outcome.CRACKLE.ordinal()] = loud * CRACKLES;
        odds[Outcome.WEAK.ordinal()] = 1 - gone - loud;
        return odds;
    }

    private static double[] erring(double[] odds) {
        for (int n = 0; n < odds.length; n++) odds[n] = WRONG + (1 - WRONG * odds.length) * odds[n];
        return odds;
    }

    private static void name(double[] odds, Outcome what, double share) {
        for (int n = 0; n < odds.length; n++) odds[n] *= 1 - share;
        odds[what.ordinal()] += share;
    }

    /** Nothing at all is a number too, so that less than nothing is no less. */
    public static double level(double decibels) {
        return Math.max(SILENCE, decibels);
    }

    /** A logistic step. */
    private static double above(double decibels) {
        return 1 / (1 + Math.exp(-decibels / BLUR));
    }
}
