package anabion.core.command;

import anabion.core.job.DisplayOutcome;
import anabion.core.job.Heard;
import anabion.core.job.Outcome;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What is typed of a point: {@code n}, {@code weak}, {@code V3.3 12mV}, {@code tap if V2.5 loud}.
 *
 * @param how where it is said
 * @param place as typed; empty for the point at hand
 * @param outcome empty where the last word is none, and beside a level
 * @param volts that it took for the standard output; 0 where an outcome is said. A number without a unit may be meant in millivolts, and is none
 */
public record TraceEntry(Optional<Heard.How> how, String place, Optional<Outcome> outcome, double volts) {
    private static final Map<String, Heard.How> HOW =
            Map.of("put", Heard.How.INJECT, "touch", Heard.How.TOUCH, "tap", Heard.How.TAP);
    private static final Pattern LEVEL = Pattern.compile("(?:(.*)\\s)?(\\d[\\d.,]*\\s?(?:[µμum]?[Vv]|[µμum]))");

    /**
     * Reads a line; of what is not understood there is no outcome.
     *
     * @param display whether it is said of a display, which is lit or dark, not loud or soft
     */
    public static TraceEntry of(String line, boolean display) {
        String first = line.strip().split("\\s+")[0].toLowerCase(Locale.ROOT);
        Optional<Heard.How> how = Optional.ofNullable(HOW.get(first));
        String rest =
                line.strip().substring(how.isPresent() ? first.length() : 0).strip();
        Matcher level = LEVEL.matcher(rest);
        if (level.matches())
            return new TraceEntry(
                    how,
                    level.group(1) == null ? "" : level.group(1).strip(),
                    Optional.empty(),
                    Notation.exact(level.group(2), Unit.VOLT));
        int last = Math.max(0, rest.lastIndexOf(' '));
        return new TraceEntry(
                how,
                rest.substring(0, last).strip(),
                outcome(rest.substring(last).strip(), display),
                0);
    }

    private static Optional<Outcome> outcome(String word, boolean display) {
        if (display) return DisplayOutcome.said(word).map(DisplayOutcome::outcome);
        String said = word.toLowerCase(Locale.ROOT);
        return Arrays.stream(Outcome.values())
                .filter(o -> o.code().equals(said) || o.code().substring(0, 1).equals(said))
                .findFirst();
    }
}
