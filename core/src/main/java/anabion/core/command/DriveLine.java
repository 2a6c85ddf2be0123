package anabion.core.command;

import anabion.core.error.InputException;
import anabion.core.job.CaseEntry;
import anabion.core.job.CordRun;
import anabion.core.job.CordRun.Pass;
import anabion.core.job.CordRun.Spring;
import anabion.core.job.CordRun.Turning;
import anabion.core.job.CordRun.Wheel;
import anabion.core.json.Coded;
import java.time.temporal.TemporalAmount;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A line of the drive and case sheet: the cord ({@code drum D 60 at 0 0}; {@code run D@90 cw, P1 cw, S ccw 2.5, D@270 cw}; {@code spring 18 24}), work on the case
 * ({@code control RV1, contact cleaner}; {@code cosmetic cabinet, shellac 24h}), what came of it ({@code better}, {@code done 3}).
 */
public sealed interface DriveLine {
    /** Something about the run in hand. */
    record OfCord(CordRun run) implements DriveLine {}

    /** Another run, by its name. */
    record Choose(String name) implements DriveLine {}

    /** The run goes. */
    record ForgetCord() implements DriveLine {}

    /** @param cure how long it must be left alone; empty where nobody said */
    record Work(CaseEntry.Kind kind, String what, String how, Optional<TemporalAmount> cure) implements DriveLine {}

    /**
     * What came of a row.
     *
     * @param row from 1; empty for the lit one
     */
    record Came(CaseEntry.Result result, OptionalInt row) implements DriveLine {}

    String NUMBER = "([-+−]?\\d+(?:[.,]\\d+)?)";
    Pattern WHEEL = Pattern.compile("(\\p{Alpha}\\w*)\\s+" + NUMBER + "\\s+at\\s+" + NUMBER + "\\s+" + NUMBER);
    Pattern PASS = Pattern.compile(
            "(\\p{Alpha}\\w*)(?:@" + NUMBER + ")?\\s+(cw|ccw)(?:\\s+" + NUMBER + ")?", Pattern.CASE_INSENSITIVE);
    Pattern TWO = Pattern.compile(NUMBER + "\\s+" + NUMBER);
    Pattern CURE =
            Pattern.compile("(.*?)\\s+(\\d+(?:[.,]\\d+)?\\s*(?:h|d|min|days?|hours?))", Pattern.CASE_INSENSITIVE);

    /**
     * @param now the run in hand
     * @throws InputException naming what is not understood
     */
    static DriveLine parse(String text, CordRun now) {
        String line = text.strip();
        String[] words = line.split("\\s+", 2);
        String first = words[0].toLowerCase(Locale.ROOT);
        String rest = words.length > 1 ? words[1].strip() : "";
        Optional<CaseEntry.Result> result = Coded.find(CaseEntry.Result.values(), first);
        if (result.isPresent()) return new Came(result.get(), RowNumber.of(line, rest));
        Optional<CordRun.Kind> wheel = Coded.find(CordRun.Kind.values(), first);
        if (wheel.isPresent()) return new OfCord(now.with(wheel(line, wheel.get(), rest)));
        Optional<DriveLine> cord = cord(line, first, rest, now);
        if (cord.isPresent()) return cord.get();
        return Coded.find(CaseEntry.Kind.values(), first)
                .filter(k -> !rest.isEmpty())
                .<DriveLine>map(k -> work(k, rest))
                .orElseThrow(
                        () -> InputException.at(line)
                                .because("this says nothing of a drive or a case")
                                .so(
                                        "type a wheel (drum D 60 at 0 0), run D@90 cw, P1 cw, D@270 cw, or work such as control RV1, contact cleaner"));
    }

    private static Optional<DriveLine> cord(String line, String first, String rest, CordRun now) {
        return switch (first) {
            case "thread" -> Optional.of(new OfCord(now.withCord(length(line, rest))));
            case "run" -> Optional.of(new OfCord(now.withPasses(passes(rest))));
            case "knots" -> Optional.of(new OfCord(now.withKnots(length(line, rest))));
            case "inside" -> Optional.of(new OfCord(now.withInside(length(line, rest))));
            case "gang" -> Optional.of(new OfCord(now.withGang(length(line, rest))));
            case "scale" -> Optional.of(new OfCord(now.withScale(length(line, rest))));
            case "spring" -> Optional.of(new OfCord(now.withSpring(Optional.of(spring(line, rest)))));
            case "broke" -> Optional.of(new OfCord(now.withBroke(rest)));
            case "front", "rear" -> Optional.of(new Choose(first));
            case "forget" -> Optional.of(new ForgetCord());
            default -> Optional.empty();
        };
    }

    private static double number(String text) {
        return Double.parseDouble(text.replace(',', '.').replace('−', '-'));
    }

    private static double length(String line, String rest) {
        Matcher m = Pattern.compile(NUMBER + "\\s*(?:mm|°)?").matcher(rest);
        if (!m.matches() || number(m.group(1)) < 0)
            throw InputException.at(line)
                    .because("a number belongs here, in millimetres, of a gang in degrees")
                    .so("type it like thread 0.6, knots 40, inside 30, gang 180, scale 190");
        return number(m.group(1));
    }

    private static Wheel wheel(String line, CordRun.Kind kind, String rest) {
        Matcher m = WHEEL.matcher(rest);
        if (!m.matches() || number(m.group(2)) <= 0)
            throw InputException.at(line)
                    .because("a wheel has a name, its diameter and its place in millimetres")
                    .so("type it like " + kind.code() + " P1 12 at 150 40: to the right and up, seen from the front");
        return new Wheel(m.group(1), kind, number(m.group(2)), number(m.group(3)), number(m.group(4)));
    }

    private static Spring spring(String line, String rest) {
        Matcher m = TWO.matcher(rest);
        if (!m.matches() || number(m.group(1)) <= 0)
            throw InputException.at(line)
                    .because("a spring has a length at rest and one in the run")
                    .so("type it like spring 18 24");
        return new Spring(number(m.group(1)), number(m.group(2)));
    }

    private static List<Pass> passes(String rest) {
        List<Pass> all = new ArrayList<>();
        String[] words = rest.split(",");
        for (int n = 0; n < words.length; n++) {
            Matcher m = PASS.matcher(words[n].strip());
            boolean end = n == 0 || n == words.length - 1;
            if (!m.matches() || end != (m.group(2) != null))
                throw InputException.at("\"" + words[n].strip() + "\"")
                        .because(
                                end
                                        ? "at its ends a cord is made fast somewhere on a wheel"
                                        : "a wheel and which way around it belong here")
                        .so("type it like run D@90 cw, P1 cw, S ccw 2.5, D@270 cw: degrees clockwise from the top");
            all.add(new Pass(
                    m.group(1),
                    m.group(3).equalsIgnoreCase("cw") ? Turning.CLOCKWISE : Turning.COUNTERCLOCKWISE,
                    m.group(4) == null ? 0 : number(m.group(4)),
                    Optional.ofNullable(m.group(2)).map(DriveLine::number)));
        }
        return all;
    }

    /** What it is, then behind a comma how, and at the end of that how long it cures. */
    private static Work work(CaseEntry.Kind kind, String rest) {
        int comma = rest.indexOf(',');
        String what = comma < 0 ? rest : rest.substring(0, comma).strip();
        String how = comma < 0 ? "" : rest.substring(comma + 1).strip();
        Matcher cure = CURE.matcher(how);
        if (!cure.matches()) return new Work(kind, what, how, Optional.empty());
        return new Work(
                kind,
                what,
                how,
                Optional.of(LengthOfTime.parse(cure.group(2).replace(" ", ""), "cosmetic cabinet, shellac 24h")
                        .amount()));
    }
}
