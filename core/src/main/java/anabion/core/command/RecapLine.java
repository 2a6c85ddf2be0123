package anabion.core.command;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.error.InputException;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.Job;
import anabion.core.job.PartTest;
import anabion.core.job.RecapLog;
import anabion.core.job.Tick;
import anabion.core.json.Extra;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import anabion.core.recap.CanFit;
import anabion.core.recap.CapacitorSection;
import anabion.core.recap.Labels;
import anabion.core.recap.Plan;
import anabion.core.recap.Policy;
import anabion.core.recap.Role;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;

/**
 * What can be typed in the recap of a set:
 *
 * <pre>
 * removed C14    fitted C14    polarity C23    photo C14    untick C14 fitted
 * measured C14 9n8    esr C18.1 2.4    leak C18.1 1.2mA@300 good 0.2mA    emission V4 62/50    gain Q4 80/40
 * role C4 tone    role C4 auto    mark C18.1 square    can C18 24x70    school tested restuff
 * </pre>
 */
public final class RecapLine {
    private static final List<String> WORDS = List.of(
            "removed",
            "fitted",
            "polarity",
            "photo",
            "untick",
            "measured",
            "esr",
            "leak",
            "emission",
            "gain",
            "role",
            "can",
            "mark",
            "school");

    private RecapLine() {}

    /** Whether a line begins like one of these. */
    public static boolean looksLike(String line) {
        return WORDS.contains(line.strip().split("\\s+")[0].toLowerCase(Locale.ROOT));
    }

    /**
     * The log after the line.
     *
     * @throws InputException naming the word that cannot be read, or the part that is not there
     */
    public static RecapLog edit(String line, RecapLog log, Chassis chassis, Instant now) {
        String[] words = line.strip().split("\\s+");
        String verb = words[0].toLowerCase(Locale.ROOT);
        List<String> rest = Arrays.asList(words).subList(1, words.length);
        if (verb.equals("school")) {
            String school = String.join(" ", rest);
            Policy.USUAL.with(school);
            return log.withSchool(school.toLowerCase(Locale.ROOT));
        }
        if (!WORDS.contains(verb))
            throw InputException.at("\"" + verb + "\"")
                    .because("not known here")
                    .so("use " + String.join(", ", WORDS));
        if (rest.isEmpty())
            throw InputException.at(verb).because("the part is missing").so("write it like " + verb + " C14");
        if (verb.equals("can")) return can(rest, log, chassis);
        String key = key(rest.get(0), chassis);
        List<String> more = rest.subList(1, rest.size());
        return switch (verb) {
            case "removed", "fitted", "polarity", "photo" -> log.ticked(key, tick(verb), true);
            case "untick" -> log.ticked(key, tick(need(more, "the tick")), false);
            case "role" -> log.withRole(key, role(need(more, "the role")).map(Role::code));
            case "mark" -> log.withMark(key, String.join(" ", more));
            default ->
                log.tested(new RecapLog.Tested(UUID.randomUUID(), now, test(verb, key, more, chassis), Extra.NONE));
        };
    }

    /** {@code can C18 24x70}: the inside of a can. */
    private static RecapLog can(List<String> words, RecapLog log, Chassis chassis) {
        String reference = words.get(0).toUpperCase(Locale.ROOT);
        if (CapacitorSection.of(chassis).stream()
                .noneMatch(p -> p.part().reference().equals(reference)))
            throw InputException.at(reference)
                    .because("there is no such capacitor")
                    .so("name a can of this set");
        String size = String.join("", words.subList(1, words.size()));
        CanFit.of(size);
        return log.withMark(reference, size);
    }

    /**
     * The job after the line: what is typed in the log and, for a part that comes out or goes in, in the set's history as well, so that it
     * is an open end until something is fitted.
     *
     * @param plan says what goes in; empty before there is one
     */
    public static Job carryOut(String line, Job job, Chassis chassis, Optional<Plan> plan, Instant now) {
        Job logged = job.withRecap(edit(line, job.recap(), chassis, now));
        String[] words = line.strip().split("\\s+");
        boolean out = words[0].equalsIgnoreCase("removed");
        if (!out && !words[0].equalsIgnoreCase("fitted")) return logged;
        String key = words[1].toUpperCase(Locale.ROOT);
        String reference = key.replaceFirst("\\.\\d+$", "");
        AlterationKind kind = out ? AlterationKind.REMOVED : AlterationKind.RENEWED;
        Alteration last = job.fitted().last().get(reference);
        boolean again = last != null && last.kind() == kind && !key.equals(reference);
        if (again) return logged; // another section of the same can
        String what = out
                ? ""
                : plan.flatMap(p -> p.item(key)).map(i -> Labels.of(i.choice())).orElse("");
        return logged.altered(new Alteration(UUID.randomUUID(), now, reference, kind, what, Extra.NONE));
    }

    /** The key of a capacitor or the reference of another part. */
    private static String key(String word, Chassis chassis) {
        String key = word.toUpperCase(Locale.ROOT);
        boolean capacitor =
                CapacitorSection.of(chassis).stream().anyMatch(p -> p.key().equals(key));
        if (capacitor
                || chassis.part(key)
                        .filter(p -> !(p.component() instanceof Component.Capacitor))
                        .isPresent()) return key;
        Optional<Part> can = chassis.part(key);
        throw InputException.at(key)
                .because(can.isPresent() ? "it has several sections" : "there is no such part")
                .so(can.isPresent() ? "name one, such as " + key + ".1" : "name a part of this set");
    }

    private static String need(List<String> words, String what) {
        if (words.isEmpty())
            throw InputException.at("").because(what + " is missing").so("type it behind the part");
        return words.get(0);
    }

    private static Tick tick(String word) {
        for (Tick t : Tick.values()) if (t.code().equals(word.toLowerCase(Locale.ROOT))) return t;
        throw InputException.at(word).because("nothing to tick").so("use removed, measured, fitted, polarity or photo");
    }

    private static Optional<Role> role(String word) {
        if (word.equalsIgnoreCase("auto")) return Optional.empty();
        Optional<Role> named = Role.named(word.toLowerCase(Locale.ROOT));
        if (named.isPresent()) return named;
        throw InputException.at(word)
                .because("no role")
                .so("use auto or one of "
                        + String.join(
                                ", ",
                                Arrays.stream(Role.values()).map(Role::code).toList()));
    }

    private static PartTest test(String verb, String key, List<String> more, Chassis chassis) {
        String text = need(more, "the reading");
        boolean capacitor =
                CapacitorSection.of(chassis).stream().anyMatch(p -> p.key().equals(key));
        return switch (verb) {
            case "measured" ->
                new PartTest(
                        key,
                        PartTest.What.VALUE,
                        text.equalsIgnoreCase("open")
                                ? capacitor ? 0 : Notation.OPEN
                                : Notation.decode(text, capacitor ? Unit.FARAD : Unit.OHM)
                                        .value(),
                        0,
                        0);
            case "esr" ->
                new PartTest(
                        key, PartTest.What.ESR, Notation.decode(text, Unit.OHM).value(), 0, 0);
            case "leak" -> leak(key, text, more);
            case "emission" -> scale(key, PartTest.What.EMISSION, text);
            default -> scale(key, PartTest.What.GAIN, text);
        };
    }

    /** {@code 1.2mA@300}, then perhaps {@code good 0.2mA}. */
    private static PartTest leak(String key, String text, List<String> more) {
        String[] halves = text.split("@", 2);
        if (halves.length < 2)
            throw InputException.at(text).because("the volts are missing").so("write it like 1.2mA@300");
        double good = more.size() > 2 && more.get(1).equalsIgnoreCase("good") ? amperes(more.get(2)) : 0;
        return new PartTest(
                key, PartTest.What.LEAKAGE, amperes(halves[0]), good, number(halves[1].replaceFirst("[vV]$", "")));
    }

    private static double amperes(String text) {
        var m = java.util.regex.Pattern.compile("([0-9.,]+)(m|u|µ|n)?A?").matcher(text);
        if (!m.matches()) throw InputException.at(text).because("no current").so("write it like 1.2mA or 40uA");
        double scale = m.group(2) == null
                ? 1
                : m.group(2).equals("m") ? 1e-3 : m.group(2).equals("n") ? 1e-9 : 1e-6;
        return number(m.group(1)) * scale;
    }

    /** {@code 62/50}: the reading and the least that is good. */
    private static PartTest scale(String key, PartTest.What what, String text) {
        String[] halves = text.split("/", 2);
        return new PartTest(key, what, number(halves[0]), halves.length > 1 ? number(halves[1]) : 0, 0);
    }

    private static double number(String text) {
        try {
            double value = Double.parseDouble(text.replace(',', '.'));
            if (value >= 0 && Double.isFinite(value)) return value;
        } catch (NumberFormatException e) {
            // said below
        }
        throw InputException.at("\"" + text + "\"").because("no number").so("type it in digits");
    }
}
