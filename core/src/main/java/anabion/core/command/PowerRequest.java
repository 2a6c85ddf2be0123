package anabion.core.command;

import anabion.core.error.InputException;
import anabion.core.job.Outcome;
import anabion.core.json.Coded;
import anabion.core.power.GateItem;
import anabion.core.power.PowerPicture;
import anabion.core.power.PowerReading;
import anabion.core.power.SeriesLamp;
import anabion.core.power.Sum;
import anabion.core.power.Warmth;
import anabion.core.power.WatchSign;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What a line typed during a power-up asks for. */
public sealed interface PowerRequest {
    /** Words of the history of a set that mean something of their own while it is brought up. */
    Set<String> OWN = Set.of("cause", "note");

    /**
     * Something read at the step at hand.
     *
     * @param net the rail; empty for the highest, and for what is no rail's
     */
    record Read(PowerReading.What what, String net, double value) implements PowerRequest {}

    /** Volts at the set, behind the lamp. */
    record AtSet(double volts) implements PowerRequest {}

    record Sign(WatchSign sign) implements PowerRequest {}

    /** @param lamp empty for none */
    record Lamp(Optional<SeriesLamp> lamp) implements PowerRequest {}

    /**
     * Conditions that somebody has seen to.
     *
     * @param kinds none for the one at hand
     * @param all whether all that are asked by hand are meant
     */
    record Met(List<GateItem.Kind> kinds, boolean all) implements PowerRequest {}

    record Overrule(GateItem.Kind kind, String reason) implements PowerRequest {}

    /** Why a part was destroyed. */
    record Cause(String part, String words) implements PowerRequest {}

    /** A sum about the supply. */
    record Reckon(Sum sum) implements PowerRequest {}

    /** @param whole whether the whole set is meant, not the stage at hand */
    record On(boolean whole) implements PowerRequest {}

    /** How the part of the row at hand feels. */
    record Feels(Warmth warmth) implements PowerRequest {}

    /** The resistor in hand that stands in for the tubes. */
    record Load(double ohms) implements PowerRequest {}

    record Off() implements PowerRequest {}

    record Note(String text) implements PowerRequest {}

    /** What the controls did, in words. */
    record Controls(String words) implements PowerRequest {}

    /** The aerial in use, in words. */
    record Aerial(String words) implements PowerRequest {}

    /** How a band sounds. */
    record BandHeard(String band, Outcome outcome) implements PowerRequest {}

    /** Another picture. */
    record Show(PowerPicture picture) implements PowerRequest {}

    /** The step whose variac stands nearest. */
    record GoTo(double dial) implements PowerRequest {}

    /** Seconds in which a set should be harmless where nobody says another time. */
    double BLEED_SECONDS = 30;

    double LEAST_LOAD = 10;
    double MOST_LOAD = 10e6;

    /** Grammar of lines. */
    final class Parser {
        private static final Pattern LAMP = Pattern.compile(
                "(?:(\\d+)\\s*[x×]\\s*)?(\\d+(?:[.,]\\d+)?)\\s*w?(?:\\s+(series|parallel))?", Pattern.CASE_INSENSITIVE);
        /** Words on lamps that hold nothing back: their current is made by a circuit of their own. */
        private static final Pattern NO_FILAMENT =
                Pattern.compile(".*\\b(led|leds|cfl|fluorescent|energy|saving|neon)\\b.*", Pattern.CASE_INSENSITIVE);

        private static final Pattern READ =
                Pattern.compile("(?:(\\S+)\\s+)?([-−]?\\d[\\d.,]*)\\s*(mA|A|W|kW|mV|V)?\\s*(~|AC|ac)?");
        private static final Pattern PAIR =
                Pattern.compile("\\S+\\s+(\\S+(?:\\s*V)?)\\s+(?:to|of)\\s+(\\S+(?:\\s*V)?)", Pattern.CASE_INSENSITIVE);
        private static final Pattern HOURS = Pattern.compile("(\\d[\\d.,]*)\\s*(mAh|Ah)", Pattern.CASE_INSENSITIVE);
        private static final Pattern WITH =
                Pattern.compile("drop\\s+(\\S+(?:\\s*V)?)\\s+with\\s+(.+)", Pattern.CASE_INSENSITIVE);
        private static final Pattern SECONDS = Pattern.compile("(\\d[\\d.,]*)\\s*s?", Pattern.CASE_INSENSITIVE);
        private static final int MOST_LAMPS = 10;

        private Parser() {}
    }

    /**
     * Reads a line.
     *
     * @param line as typed
     * @param volts nominal volts of the line, for lamps
     * @param rail whether a word names one of the set's rails
     * @param bareVolts whether a number without a unit is volts of the highest rail: on batteries it may be meant as a current, and is refused
     * @throws InputException saying what is understood
     */
    static PowerRequest parse(String line, double volts, Predicate<String> rail, boolean bareVolts) {
        String text = line.strip();
        String[] words = text.split("\\s+", 2);
        String first = words[0].toLowerCase(Locale.ROOT);
        String rest = words.length > 1 ? words[1].strip() : "";
        Optional<WatchSign> sign = WatchSign.named(text);
        if (sign.isPresent()) return new Sign(sign.get());
        String one = text.toLowerCase(Locale.ROOT);
        Optional<SeriesLamp.Glow> glow = Coded.find(SeriesLamp.Glow.values(), one);
        if (glow.isPresent())
            return new Read(PowerReading.What.GLOW, "", glow.get().ordinal());
        Optional<Warmth> warmth = Coded.find(Warmth.values(), one);
        if (warmth.isPresent()) return new Feels(warmth.get());
        return switch (first) {
            case "lamp" -> lamp(rest, volts);
            case "lit" -> new Read(PowerReading.What.DARK, "", 0);
            case "on" -> on(rest);
            case "off" -> new Off();
            case "note" -> new Note(rest);
            case "controls" -> new Controls(words("controls", rest, "controls volume crackles"));
            case "aerial" -> new Aerial(words("aerial", rest, "aerial 3 m of wire"));
            case "heard" -> band(rest);
            case "ok" -> met(rest);
            case "overrule" -> overrule(rest);
            case "cause" -> cause(rest);
            case "set" -> new AtSet(Math.abs(Notation.exact(rest, Unit.VOLT)));
            case "drop" -> new Reckon(drop(line));
            case "buck" -> new Reckon(new Sum.Buck(pair(line)[0], pair(line)[1]));
            case "tap" -> new Reckon(new Sum.Tap(pair(line)[0], pair(line)[1]));
            case "heaters" -> new Reckon(new Sum.Heaters(rest.isEmpty() ? 0 : volts(rest)));
            case "capacitor" -> new Reckon(new Sum.CapacitorDropper(rest.isEmpty() ? 0 : volts(rest)));
            case "load" -> rest.isEmpty() ? new Reckon(new Sum.TestLoad()) : load(rest);
            case "ballast", "cord" -> new Reckon(new Sum.Heaters(rest.isEmpty() ? 0 : volts(rest)));
            case "bleeder" -> new Reckon(new Sum.Bleeder(rest.isEmpty() ? BLEED_SECONDS : seconds(rest)));
            case "plug" -> new Reckon(new Sum.Plug());
            case "regulate" -> new Reckon(new Sum.Regulator(pair(line)[0], pair(line)[1]));
            case "runtime" -> new Reckon(new Sum.RunTime(hours(rest)));
            case "show" -> new Show(picture(rest));
            case "dial" -> new GoTo(Math.abs(Notation.exact(rest, Unit.VOLT)));
            default -> read(text, rail, bareVolts);
        };
    }

    private static PowerRequest on(String rest) {
        if (!rest.isEmpty() && !rest.equalsIgnoreCase("all"))
            throw InputException.at("on " + rest)
                    .because("this is no stage")
                    .so("write on for the stage of the lit row, or on all for the whole set");
        return new On(!rest.isEmpty());
    }

    private static String words(String verb, String rest, String like) {
        if (rest.isBlank())
            throw InputException.at(verb).because("nothing is said of it").so("write it like " + like);
        return rest;
    }

    /** {@code AM loud}, {@code long wave nothing}: the last word is the outcome. */
    private static PowerRequest band(String rest) {
        int cut = rest.lastIndexOf(' ');
        String said = rest.substring(cut + 1).toLowerCase(Locale.ROOT);
        return Coded.find(Outcome.values(), said)
                .filter(o -> cut > 0)
                .map(o -> new BandHeard(rest.substring(0, cut).strip(), o))
                .orElseThrow(() -> InputException.at("heard " + rest)
                        .because("a band and how it sounds are wanted")
                        .so("write it like heard AM loud, with one of " + Coded.codes(Outcome.values())));
    }

    private static PowerPicture picture(String rest) {
        return Coded.find(PowerPicture.values(), rest.toLowerCase(Locale.ROOT).replace(' ', '-'))
                .orElseThrow(() -> InputException.at("show " + rest)
                        .because("there is no such picture")
                        .so("write show supply, show watts or show warm-up"));
    }

    private static PowerRequest load(String rest) {
        double ohms = Notation.exact(rest, Unit.OHM);
        if (!(ohms >= LEAST_LOAD && ohms <= MOST_LOAD))
            throw InputException.at("load " + rest)
                    .because("this loads no rail")
                    .so("write a resistor of 10 Ω to 10 MΩ, like load 5.6k");
        return new Load(ohms);
    }

    private static double volts(String text) {
        return Math.abs(Notation.exact(text, Unit.VOLT));
    }

    /** {@code 360 to 240}, {@code 6.9 of 6.3}. */
    private static double[] pair(String line) {
        Matcher m = Parser.PAIR.matcher(line.strip());
        if (!m.matches())
            throw InputException.at("\"" + line + "\"")
                    .because("two volts are wanted")
                    .so("write it like drop 360 to 240, buck 240 to 220, regulate 5 to 1.4 or tap 6.9 of 6.3");
        return new double[] {volts(m.group(1)), volts(m.group(2))};
    }

    /** {@code drop 360 to 240} asks for the resistor, {@code drop 360 with 1.5k} for the volts. */
    private static Sum drop(String line) {
        Matcher m = Parser.WITH.matcher(line.strip());
        return m.matches()
                ? new Sum.DropWith(volts(m.group(1)), Notation.exact(m.group(2), Unit.OHM))
                : new Sum.Drop(pair(line)[0], pair(line)[1]);
    }

    private static double seconds(String text) {
        Matcher m = Parser.SECONDS.matcher(text);
        if (!m.matches())
            throw InputException.at("bleeder " + text)
                    .because("seconds are wanted")
                    .so("write it like bleeder 30");
        return number(text, m.group(1));
    }

    private static double hours(String text) {
        Matcher m = Parser.HOURS.matcher(text);
        if (!m.matches())
            throw InputException.at("runtime " + text)
                    .because("a battery's ampere-hours are wanted")
                    .so("write it like runtime 2 Ah or runtime 500 mAh");
        return number(text, m.group(1)) * (m.group(2).equalsIgnoreCase("mAh") ? 1e-3 : 1);
    }

    private static PowerRequest met(String rest) {
        boolean all = rest.equalsIgnoreCase("all");
        List<GateItem.Kind> kinds = all || rest.isEmpty()
                ? List.of()
                : Arrays.stream(rest.split("[\\s,]+")).map(PowerRequest::kind).toList();
        return new Met(kinds, all);
    }

    private static PowerRequest lamp(String rest, double volts) {
        if (rest.isEmpty() || rest.equalsIgnoreCase("none")) return new Lamp(Optional.empty());
        if (Parser.NO_FILAMENT.matcher(rest).matches())
            throw InputException.at("lamp " + rest)
                    .because("such a lamp holds nothing back: it has no filament that gets hot")
                    .so("use a tungsten or halogen lamp of the line's volts");
        Matcher m = Parser.LAMP.matcher(rest);
        int count = m.matches() && m.group(1) != null ? Math.min(99, Integer.parseInt(first(m.group(1), 2))) : 1;
        boolean fits = m.matches() && count >= 1 && count <= Parser.MOST_LAMPS;
        double watts = fits ? Double.parseDouble(m.group(2).replace(',', '.')) : 0;
        if (!fits || watts < 1 || watts > 3000)
            throw InputException.at("lamp " + rest)
                    .because("this is no lamp")
                    .so("write it like lamp 100W, lamp 2x60W, lamp 2x100W series, or lamp none");
        boolean chained = m.group(3) != null && m.group(3).equalsIgnoreCase("series");
        return new Lamp(Optional.of(new SeriesLamp(volts, watts, count, chained && count > 1)));
    }

    private static String first(String digits, int most) {
        return digits.length() > most ? "99" : digits;
    }

    private static GateItem.Kind kind(String word) {
        return Coded.find(GateItem.Kind.values(), word.toLowerCase(Locale.ROOT))
                .orElseThrow(() -> InputException.at("\"" + word + "\"")
                        .because("this is none of the conditions")
                        .so("use one of " + Coded.codes(GateItem.Kind.values())));
    }

    private static PowerRequest overrule(String rest) {
        String[] words = rest.split("\\s+", 2);
        GateItem.Kind kind = kind(words[0]);
        if (words.length < 2 || words[1].isBlank())
            throw InputException.at("overrule " + rest)
                    .because("no reason is given")
                    .so("write why, like overrule loads the speaker is being repaired");
        return new Overrule(kind, words[1].strip());
    }

    private static PowerRequest cause(String rest) {
        String[] words = rest.split("\\s+", 2);
        if (words.length < 2 || words[1].isBlank())
            throw InputException.at("cause " + rest)
                    .because("a part and its cause are wanted")
                    .so("write it like cause F1 C18 was shorted");
        return new Cause(words[0], words[1].strip());
    }

    private static PowerRequest read(String text, Predicate<String> rail, boolean bareVolts) {
        Matcher m = Parser.READ.matcher(text);
        boolean named = m.matches() && m.group(1) != null;
        if (!m.matches() || (named && !rail.test(m.group(1))))
            throw InputException.at("\"" + text + "\"")
                    .because("this is no reading of a power-up")
                    .so(
                            "write volts of the rail as 196, of another as B2 81, ripple as 3.2 AC, and 21 W, 90 mA, set 133, faint, lit, on, off");
        if (!bareVolts && m.group(3) == null)
            throw InputException.at("\"" + text + "\"")
                    .because("without a unit it may be volts or milliamperes")
                    .so("write it like 16 mA or 9 V");
        String net = named ? m.group(1) : "";
        String unit = m.group(3) == null ? "V" : m.group(3);
        double value = number(text, m.group(2));
        return switch (unit) {
            case "W" -> new Read(PowerReading.What.WATTS, "", Math.abs(value));
            case "kW" -> new Read(PowerReading.What.WATTS, "", 1000 * Math.abs(value));
            case "A" -> new Read(PowerReading.What.AMPERES, "", Math.abs(value));
            case "mA" -> new Read(PowerReading.What.AMPERES, "", Math.abs(value) / 1000);
            default -> {
                double volts = unit.equals("mV") ? value / 1000 : value;
                yield m.group(4) == null
                        ? new Read(PowerReading.What.RAIL, net, volts)
                        : new Read(PowerReading.What.RIPPLE, net, Math.abs(volts));
            }
        };
    }

    private static double number(String text, String digits) {
        try {
            return Double.parseDouble(digits.replace('−', '-').replace(',', '.'));
        } catch (NumberFormatException e) {
            throw InputException.at("\"" + text + "\"")
                    .because("this is no number")
                    .so("write it like 196 or 3.2 AC");
        }
    }
}
