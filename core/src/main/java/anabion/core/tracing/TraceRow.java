package anabion.core.tracing;

import anabion.core.job.Heard;
import anabion.core.job.SignalKind;
import java.util.Optional;

/**
 * One point of a band, and what was found there.
 *
 * @param heard what came out with a signal put in here; empty when not tried
 * @param tapped what arrived here with the signal at the beginning; empty when not tried
 * @param left whether the fault can still lie just before or at this point
 */
public record TraceRow(TracePoint at, Optional<Heard> heard, Optional<Heard> tapped, boolean left) {
    /** The stage of its point. */
    public String stage() {
        return at.stage();
    }

    /** The net of its point. */
    public String point() {
        return at.point();
    }

    /** The kind of signal there. */
    public SignalKind signal() {
        return at.signal();
    }

    /** Whether a signal was put in or taken out here. */
    public boolean tried() {
        return heard.isPresent() || tapped.isPresent();
    }

    /** Whether all from here to the end works: a signal put in here comes out, or it is missing here already. */
    public boolean goodAfter() {
        return heard.map(Heard::good).or(() -> tapped.map(t -> !t.good())).orElse(false);
    }

    /** Whether something from here to the end does not: a signal put in here is lost, or it still is right here. */
    public boolean badAfter() {
        return tried() && !goodAfter();
    }

    /** Whether what was found here is as in a good set. */
    public boolean good() {
        return heard.or(() -> tapped).map(Heard::good).orElse(false);
    }
}
