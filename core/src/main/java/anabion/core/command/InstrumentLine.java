package anabion.core.command;

import anabion.core.error.InputException;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import java.time.Duration;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Lines about instruments: {@code connect wattmeter 192.0.2.8}, {@code turn 115}, {@code stream 5s}. */
final class InstrumentLine {
    /** What tells an address from a role: digits, dots, colons, slashes. */
    private static final Pattern ADDRESS = Pattern.compile("\\S*[.:/\\d\\[]\\S*");

    private static final Pattern SECONDS =
            Pattern.compile("(\\d{1,4}(?:[.,]\\d{1,2})?)\\s*(s|sec|seconds?|min|minutes?)?", Pattern.CASE_INSENSITIVE);
    private static final double LEAST_SECONDS = 0.5;
    private static final double MOST_SECONDS = 3600;
    private static final double MOST_VOLTS = 1000;

    private InstrumentLine() {}

    /** An address alone is a meter's; a role alone is where that was last. */
    static Entry connect(String rest) {
        if (rest.isEmpty())
            throw InputException.at("connect")
                    .because("an address belongs here")
                    .so("type it like connect 192.0.2.7:5025, connect wattmeter /dev/ttyUSB0@9600, or connect bench");
        String[] words = rest.split("\\s+");
        String last = words[words.length - 1];
        if (!ADDRESS.matcher(last).matches()) return new Entry.Connect(role(rest), "");
        String role = rest.substring(0, rest.length() - last.length());
        return new Entry.Connect(role.isBlank() ? Optional.of("meter") : role(role), last);
    }

    static Entry disconnect(String rest) {
        return new Entry.Disconnect(role(rest));
    }

    /** {@code output meter} as {@code output-meter}; empty for a bench, which is all of them. */
    private static Optional<String> role(String text) {
        String role = text.strip().toLowerCase(Locale.ROOT).replaceAll("[\\s_-]+", "-");
        return Optional.of(role).filter(r -> !r.isEmpty() && !r.equals("bench"));
    }

    static Entry turn(String rest) {
        if (rest.isEmpty()) return new Entry.Turn(OptionalDouble.empty());
        double volts = Notation.exact(rest, Unit.VOLT);
        if (volts < 0 || volts > MOST_VOLTS)
            throw InputException.at("turn " + rest)
                    .because("a variac gives 0 to 1000 V")
                    .so("type the volts of its dial, such as turn 115");
        return new Entry.Turn(OptionalDouble.of(volts));
    }

    static Entry stream(String rest) {
        boolean off = rest.equalsIgnoreCase("off");
        return new Entry.Stream(off ? Optional.empty() : Optional.of(time("stream", rest.isEmpty() ? "5s" : rest)));
    }

    static Entry pause(String rest) {
        return new Entry.Sense(Entry.Sense.What.PAUSE, time("pause", rest));
    }

    static Entry tester(String rest) {
        if (!rest.isEmpty() && rest.indexOf(' ') < 0) return new Entry.Tester(rest.toUpperCase(Locale.ROOT));
        throw InputException.at(("tester " + rest).strip())
                .because("a part's reference belongs here")
                .so("type it like tester C14");
    }

    static Entry look(String rest) {
        return alone("look", rest, Entry.Sense.What.LOOK);
    }

    static Entry listen(String rest) {
        return alone("listen", rest, Entry.Sense.What.LISTEN);
    }

    private static Entry alone(String word, String rest, Entry.Sense.What what) {
        if (rest.isEmpty()) return new Entry.Sense(what, Duration.ZERO);
        throw InputException.at(word + " " + rest)
                .because("nothing belongs after " + word)
                .so("type " + word);
    }

    private static Duration time(String word, String text) {
        Matcher m = SECONDS.matcher(text.strip());
        double seconds = m.matches()
                ? Double.parseDouble(m.group(1).replace(',', '.'))
                        * (m.group(2) != null
                                        && m.group(2).toLowerCase(Locale.ROOT).startsWith("m")
                                ? 60
                                : 1)
                : Double.NaN;
        if (seconds >= LEAST_SECONDS && seconds <= MOST_SECONDS) return Duration.ofMillis(Math.round(1000 * seconds));
        throw InputException.at((word + " " + text).strip())
                .because("a time from half a second to an hour belongs here")
                .so("type it like " + word + " 5s, or " + word + " 2 min");
    }
}
