package anabion.core.command;

import anabion.core.align.Indicator;
import anabion.core.chassis.Spot;
import anabion.core.error.InputException;
import anabion.core.job.AlignmentEntry.Given;
import anabion.core.job.AlignmentEntry.Kind;
import anabion.core.job.AlignmentEntry.Sample;
import anabion.core.quantity.DialFrequency;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A line typed while a band is aligned: {@code 1.2 2.0}, {@code peak}, {@code no effect}, {@code turned 1/2 out 1.2 2.0}, {@code 600 reads 580},
 * {@code leave as good as it gets}, {@code 1.2 2.0 at 30uV}, {@code watch avc}, {@code forget table}, with the letter of an adjuster before it for another line.
 */
public sealed interface AlignRequest {
    /**
     * The indicator, or how an adjuster went.
     *
     * @param adjuster letter of the line that is meant; empty for the lit one
     * @param before volts; 0 where one reading was typed
     * @param after volts; 0 where none was
     * @param turns positive inwards; 0 where nobody said
     * @param given how strong the signal is, where that is said
     */
    record Take(Optional<String> adjuster, Kind kind, double before, double after, double turns, Given given)
            implements AlignRequest {}

    /** Another indicator is watched. */
    record Watch(Indicator indicator) implements AlignRequest {}

    /**
     * A station, and what the dial shows there.
     *
     * @param station its frequency, as typed; {@code dial} likewise: in hertz, or bare in the unit of the dial
     */
    record Station(double station, double dial) implements AlignRequest {}

    /**
     * A circuit comes to its peak at another frequency.
     *
     * @param adjuster letter of the line that is meant; empty for the lit one
     * @param typed in hertz, or bare in the unit of the line
     */
    record PeaksAt(Optional<String> adjuster, double typed) implements AlignRequest {
        /** As an entry of the line, with the frequency that is meant. */
        public Take at(double hertz) {
            return new Take(adjuster, Kind.PEAKS_AT, 0, hertz, 0, Given.NOT_SAID);
        }
    }

    /**
     * The indicator at several frequencies.
     *
     * @param samples as typed: frequencies in hertz, or bare in the unit of the line; three or more
     */
    record Curve(List<Sample> samples) implements AlignRequest {}

    /**
     * The stations that are heard where the workshop is, weak ones among them.
     *
     * @param hertz rising; none takes the list away
     */
    record OwnStations(List<Double> hertz) implements AlignRequest {}

    /** Shows or hides the plan of the chassis. */
    record Plan() implements AlignRequest {}

    /**
     * A photo lies behind a side of the plan.
     *
     * @param number of the photo, from 1; empty for none
     */
    record PlanPhoto(Spot.Face face, Optional<Integer> number) implements AlignRequest {}

    /** Shows where an adjuster sits. */
    record Place(String adjuster, Spot spot) implements AlignRequest {}

    /** Which capacitor belongs across an adjuster's winding. */
    record Across(String adjuster) implements AlignRequest {}

    /** The maker's table goes: lines are made from the circuit again. */
    record ForgetTable() implements AlignRequest {}

    /** It is aligned although its voltages are not known to be right, for a reason. */
    record Overrule(String reason) implements AlignRequest {}

    /** The band is left as it is, for a reason. */
    record Leave(String reason) implements AlignRequest {}

    /** Hertz between which stations send that a set of this kind hears. */
    double LOWEST = 140e3;

    double HIGHEST = 110e6;

    Pattern PLACE =
            Pattern.compile("place\\s+(\\S+)\\s+(above|below)\\s+(\\d{1,3})\\s+(\\d{1,3})", Pattern.CASE_INSENSITIVE);
    Pattern BEHIND = Pattern.compile("plan (above|below) ([1-9]\\d{0,2}|off)");
    Pattern PEAKS = Pattern.compile("(?:(\\S+)\\s+)?peaks\\s+(?:at\\s+)?(\\S+)", Pattern.CASE_INSENSITIVE);
    /** More than this no generator gives. */
    double STRONGEST = 10;

    Pattern GIVEN = Pattern.compile("(?:(.*)\\s)?at\\s+([-−+]?[\\d.,]+)\\s*(\\S+)", Pattern.CASE_INSENSITIVE);
    Pattern DECIBELS = Pattern.compile("([-−+]?[\\d.,]+)dB[um]?", Pattern.CASE_INSENSITIVE);
    /** Degrees of a turn. */
    double CIRCLE = 360;
    /** Zero decibels of an output meter's scale, in volts: one milliwatt in 600 ohms. */
    double SCALE = 0.7746;
    /** Zero decibels of a generator's, likewise: one milliwatt in 50 ohms. */
    double MILLIWATT = 0.2236;

    Map<String, Indicator> WATCHED = Map.of(
            "output", Indicator.OUTPUT_METER,
            "meter", Indicator.OUTPUT_METER,
            "avc", Indicator.AVC_VOLTS,
            "eye", Indicator.EYE,
            "ear", Indicator.EAR);

    Pattern STATION = Pattern.compile("(\\S+)\\s+reads\\s+(\\S+)", Pattern.CASE_INSENSITIVE);
    Pattern TURNED = Pattern.compile(
            "turned\\s+(?:(\\d+(?:[.,]\\d+)?)(°|\\s*deg)?\\s+)?(?:(\\d+)/(\\d+)\\s+)?(in|out|right|left)\\b\\s*(.*)",
            Pattern.CASE_INSENSITIVE);
    Map<String, Kind> WORDS = words();

    private static Map<String, Kind> words() {
        Map<String, Kind> all = new LinkedHashMap<>();
        all.put("no peak", Kind.NO_PEAK);
        all.put("no effect", Kind.NO_EFFECT);
        all.put("broken core", Kind.BROKEN_CORE);
        all.put("broken", Kind.BROKEN_CORE);
        all.put("worse", Kind.WORSE);
        all.put("howl", Kind.HOWL);
        all.put("howls", Kind.HOWL);
        all.put("lopsided", Kind.LOPSIDED);
        all.put("peak", Kind.PEAK);
        all.put("dip", Kind.PEAK);
        all.put("zero", Kind.PEAK);
        all.put("better", Kind.BETTER);
        all.put("end", Kind.END);
        all.put("p", Kind.PEAK);
        all.put("n", Kind.NO_PEAK);
        all.put("w", Kind.WORSE);
        all.put("e", Kind.END);
        all.put("b", Kind.BETTER);
        return all;
    }

    /** @throws InputException if it is none of these */
    static AlignRequest parse(String line) {
        String text = line.strip();
        Matcher station = STATION.matcher(text);
        if (station.matches())
            return new Station(
                    Notation.exact(station.group(1), Unit.HERTZ), Notation.exact(station.group(2), Unit.HERTZ));
        String lower = text.toLowerCase(Locale.ROOT);
        if (lower.equals("leave") || lower.startsWith("leave ")) {
            String reason = text.substring(5).strip();
            if (reason.isEmpty())
                throw InputException.at(line)
                        .because("a band is left alone for a reason")
                        .so("type it, like: leave FM is as good as the reference set");
            return new Leave(reason);
        }
        if (lower.equals("stations") || lower.startsWith("stations "))
            return new OwnStations(stations(text.substring(8)));
        if (lower.equals("plan")) return new Plan();
        Matcher behind = BEHIND.matcher(lower);
        if (behind.matches())
            return new PlanPhoto(
                    Spot.Face.valueOf(behind.group(1).toUpperCase(Locale.ROOT)),
                    behind.group(2).equals("off") ? Optional.empty() : Optional.of(Integer.parseInt(behind.group(2))));
        if (lower.startsWith("place ")) return place(line, text);
        if (lower.startsWith("curve ")) return curve(line, text.substring(6));
        Matcher peaks = PEAKS.matcher(text);
        if (peaks.matches())
            return new PeaksAt(
                    Optional.ofNullable(peaks.group(1)).map(w -> w.toUpperCase(Locale.ROOT)),
                    Notation.exact(peaks.group(2), Unit.HERTZ));
        if (lower.startsWith("capacitor "))
            return new Across(text.substring(10).strip().toUpperCase(Locale.ROOT));
        if (lower.equals("forget table")) return new ForgetTable();
        if (lower.equals("overrule") || lower.startsWith("overrule ")) {
            String reason = text.substring(8).strip();
            if (reason.isEmpty())
                throw InputException.at(line)
                        .because("voltages are set aside for a reason")
                        .so("type it, like: overrule only the dial is to be trued");
            return new Overrule(reason);
        }
        if (lower.startsWith("watch ")) return watch(line, lower.substring(6).strip());
        Matcher given = GIVEN.matcher(text);
        if (given.matches()) {
            Given at = given(line, given.group(2), given.group(3));
            String rest = given.group(1) == null ? "" : given.group(1).strip();
            Take bare = rest.isEmpty() ? new Take(Optional.empty(), Kind.READ, 0, 0, 0, at) : took(line, rest);
            return new Take(bare.adjuster(), bare.kind(), bare.before(), bare.after(), bare.turns(), at);
        }
        return took(line, text);
    }

    /**
     * Frequencies in kilohertz, of megahertz with their unit; blanks or commas between.
     *
     * @throws InputException if one is no frequency of a broadcast
     */
    static List<Double> stations(String text) {
        List<Double> all = new ArrayList<>();
        for (String word : text.strip().split("[\\s,;]+")) {
            if (word.isEmpty()) continue;
            double hertz = DialFrequency.alone(Notation.exact(word, Unit.HERTZ));
            if (!(hertz >= LOWEST && hertz <= HIGHEST))
                throw InputException.at(word)
                        .because("no station sends there")
                        .so("type kilohertz, or megahertz below 120, like stations 639 1062 98.5");
            all.add(hertz);
        }
        return all.stream().distinct().sorted().toList();
    }

    private static Place place(String line, String text) {
        Matcher m = PLACE.matcher(text);
        if (!m.matches())
            throw InputException.at(line)
                    .because("this is no place on a chassis")
                    .so("type it in per cent from the left and from the back, like place A5 above 30 60");
        Spot.Face face = m.group(2).equalsIgnoreCase("above") ? Spot.Face.ABOVE : Spot.Face.BELOW;
        return new Place(
                m.group(1).toUpperCase(Locale.ROOT),
                new Spot(face, Integer.parseInt(m.group(3)) / 100.0, Integer.parseInt(m.group(4)) / 100.0));
    }

    private static Curve curve(String line, String text) {
        List<Sample> all = new ArrayList<>();
        for (String pair : text.split("[;,](?=\\s|$)|;")) {
            String[] both = pair.strip().split("\\s+");
            try {
                if (both.length != 2) throw new NumberFormatException();
                String volts = both[1].replace('−', '-');
                boolean below = volts.startsWith("-");
                double size = Notation.exact(below ? volts.substring(1) : volts, Unit.VOLT);
                all.add(new Sample(Notation.exact(both[0], Unit.HERTZ), below ? -size : size));
            } catch (InputException | NumberFormatException e) {
                throw InputException.at("\"" + pair.strip() + "\"")
                        .because("this is no point of a curve")
                        .so("type frequency and volts in pairs, like curve 455 0.2, 465 1.8, 475 0.3");
            }
        }
        if (all.size() < 3)
            throw InputException.at(line)
                    .because("a curve has three points or more")
                    .so("type frequency and volts in pairs, like curve 455 0.2, 465 1.8, 475 0.3");
        return new Curve(all);
    }

    private static Watch watch(String line, String what) {
        if (!WATCHED.containsKey(what))
            throw InputException.at(line)
                    .because("\"" + what + "\" is nothing that an alignment watches")
                    .so("watch output, avc, eye or ear");
        return new Watch(WATCHED.get(what));
    }

    /** A generator's volts or decibels, or the distance of its turn of wire. */
    private static Given given(String line, String number, String unit) {
        String plain = number.replace('−', '-').replace(',', '.');
        try {
            if (unit.equalsIgnoreCase("dBm"))
                return new Given(MILLIWATT * Math.pow(10, Double.parseDouble(plain) / 20), 0);
            if (unit.equals("cm") || unit.equals("m")) {
                double metres = Double.parseDouble(plain) / (unit.equals("cm") ? 100 : 1);
                if (metres > 0) return new Given(0, metres);
            } else if (!plain.startsWith("-")) {
                double volts = Notation.exact(plain + unit, Unit.VOLT);
                if (volts > 0 && volts <= STRONGEST) return new Given(volts, 0);
            }
        } catch (NumberFormatException e) {
            // refused below, as what is neither
        }
        throw InputException.at(line)
                .because(number + " " + unit + " is no level of a generator")
                .so("write it like at 30uV, at -60dBm, or at 40cm for a turn of wire beside the loop");
    }

    private static Take took(String line, String text) {
        Optional<Take> own = take(Optional.empty(), text);
        if (own.isPresent()) return own.get();
        String[] words = text.split("\\s+", 2);
        return Optional.of(words)
                .filter(w -> w.length == 2 && w[0].matches("[A-Za-z]\\w{0,3}|\\d{1,2}"))
                .flatMap(w -> take(Optional.of(w[0].toUpperCase(Locale.ROOT)), w[1]))
                .orElseThrow(
                        () -> InputException.at("\"" + line + "\"")
                                .because("this says neither a reading nor how an adjuster went")
                                .so(
                                        "type 1.2 2.0 (before, after), perhaps with at 30uV behind, or peak, better, no peak, no effect, worse, end, broken core, or 600 reads 580"));
    }

    private static Optional<Take> take(Optional<String> letter, String text) {
        String lower = text.toLowerCase(Locale.ROOT);
        Matcher turned = TURNED.matcher(text);
        if (turned.matches()) {
            double size = turned.group(1) == null
                    ? 0
                    : Double.parseDouble(turned.group(1).replace(',', '.')) / (turned.group(2) == null ? 1 : CIRCLE);
            if (turned.group(3) != null) {
                double below = Double.parseDouble(turned.group(4));
                if (below == 0) return Optional.empty();
                size += Double.parseDouble(turned.group(3)) / below;
            }
            if (size == 0) return Optional.empty();
            boolean in =
                    turned.group(5).equalsIgnoreCase("in") || turned.group(5).equalsIgnoreCase("right");
            String rest = turned.group(6).strip();
            Optional<Take> read = rest.isEmpty() ? Optional.empty() : take(letter, rest);
            if (!rest.isEmpty() && read.isEmpty()) return Optional.empty();
            double turns = in ? size : -size;
            return Optional.of(new Take(
                    letter,
                    read.map(Take::kind).orElse(Kind.READ),
                    read.map(Take::before).orElse(0.0),
                    read.map(Take::after).orElse(0.0),
                    turns,
                    Given.NOT_SAID));
        }
        for (Map.Entry<String, Kind> w : WORDS.entrySet()) {
            if (lower.equals(w.getKey())) return Optional.of(new Take(letter, w.getValue(), 0, 0, 0, Given.NOT_SAID));
            if (lower.startsWith(w.getKey() + " ")) {
                Optional<Take> read =
                        volts(letter, text.substring(w.getKey().length()).strip());
                return read.map(r -> new Take(letter, w.getValue(), r.before(), r.after(), 0, Given.NOT_SAID));
            }
        }
        return volts(letter, text);
    }

    /** One reading, or two with a blank or an arrow between. */
    private static Optional<Take> volts(Optional<String> letter, String text) {
        String[] both = text.split("\\s*(?:→|->|>)\\s*|\\s+");
        if (both.length == 0 || both.length > 2) return Optional.empty();
        double[] volts = new double[both.length];
        for (int k = 0; k < both.length; k++) {
            Matcher decibels = DECIBELS.matcher(both[k]);
            try {
                volts[k] = decibels.matches()
                        ? SCALE
                                * Math.pow(
                                        10,
                                        Double.parseDouble(decibels.group(1)
                                                        .replace('−', '-')
                                                        .replace(',', '.'))
                                                / 20)
                        : Notation.exact(both[k], Unit.VOLT);
            } catch (InputException | NumberFormatException e) {
                return Optional.empty(); // not a reading: perhaps the letter of an adjuster
            }
            // a last reading of nothing is where a detector comes to zero
            if (!(Math.abs(volts[k]) > 0) && (both.length == 1 || k == 0)) return Optional.empty();
        }
        double after = Math.abs(volts[both.length - 1]);
        return Optional.of(new Take(
                letter,
                after == 0 ? Kind.PEAK : Kind.READ,
                both.length == 2 ? Math.abs(volts[0]) : 0,
                after,
                0,
                Given.NOT_SAID));
    }
}
