package anabion.core.drive;

import anabion.core.job.CordRun;
import anabion.core.quantity.Figures;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.List;

/** What is wrong with a run, in sentences. */
public final class CordCheck {
    /** Share of the scale by which a pointer may miss its ends. */
    private static final double MISSES = 0.03;
    /** A spring that is stretched less does not hold the cord taut; one that is stretched more has no way left and may have lost its force. */
    private static final double LEAST_STRETCH = 0.15;

    private static final double MOST_STRETCH = 1.0;
    /** Below so many turns a cord slips on its shaft. */
    private static final double GRIP = 1.5;

    private CordCheck() {}

    /** @return empty where all is well */
    public static List<Phrase> of(CordPath path) {
        List<Phrase> all = new ArrayList<>();
        CordRun run = path.run();
        double off = run.scale() <= 0 ? 0 : path.travel() / run.scale() - 1;
        if (Math.abs(off) > MISSES)
            all.add(Phrase.of(
                    off < 0 ? "cord.travel-short" : "cord.travel-long",
                    Figures.fixed(path.travel(), 0),
                    Figures.fixed(run.scale(), 0),
                    Figures.fixed(path.wanted(), 1)));
        run.spring().ifPresent(s -> {
            if (path.stretch() < LEAST_STRETCH)
                all.add(Phrase.of("cord.slack", Figures.fixed(100 * path.stretch(), 0)));
            if (path.stretch() > MOST_STRETCH)
                all.add(Phrase.of("cord.overstretched", Figures.fixed(100 * path.stretch(), 0)));
        });
        for (CordPath.Arc arc : path.arcs())
            if (arc.wheel().kind() == CordRun.Kind.SHAFT && arc.turns() < GRIP)
                all.add(Phrase.of("cord.slips", arc.wheel().name(), Figures.fixed(arc.turns(), 1)));
        return all;
    }
}
