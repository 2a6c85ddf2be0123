package anabion.core.job;

import anabion.core.chassis.Renames;
import anabion.core.json.Extra;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;

/**
 * What was said, measured and done in the recap of one set. Keys are those of a capacitor ({@code C14}), a section ({@code C18.1}) or a part's reference.
 *
 * @param school words that differ from the workshop's usual policy; empty for none
 * @param roles said by hand: their codes
 * @param marks how a section of a can is marked: square, half-moon, red lead
 * @param tests all of them, the last of a part counts
 */
public record RecapLog(
        String school,
        Map<String, String> roles,
        Map<String, Set<Tick>> ticks,
        Map<String, String> marks,
        List<Tested> tests,
        Extra extra) {
    public static final RecapLog NONE = new RecapLog("", Map.of(), Map.of(), Map.of(), List.of(), Extra.NONE);

    /** A test and when it was made. */
    public record Tested(UUID id, Instant at, PartTest test, Extra extra) {}

    public RecapLog {
        roles = ordered(roles);
        ticks = ordered(ticks);
        marks = ordered(marks);
        tests = List.copyOf(tests);
    }

    private static <V> Map<String, V> ordered(Map<String, V> map) {
        return Collections.unmodifiableMap(new LinkedHashMap<>(map));
    }

    /** After a part got another reference. */
    RecapLog renamed(String from, String to) {
        return new RecapLog(
                school,
                renamed(roles, from, to),
                renamed(ticks, from, to),
                renamed(marks, from, to),
                tests.stream()
                        .map(t -> new Tested(t.id(), t.at(), t.test().renamed(from, to), t.extra()))
                        .toList(),
                extra);
    }

    private static <V> Map<String, V> renamed(Map<String, V> map, String from, String to) {
        Map<String, V> all = new LinkedHashMap<>();
        map.forEach((key, value) -> all.put(Renames.owned(key, from, to), value));
        return all;
    }

    /** With another way of recapping, by its code. */
    public RecapLog withSchool(String words) {
        return new RecapLog(words, roles, ticks, marks, tests, extra);
    }

    /** @param role empty to go back to what the nets say */
    public RecapLog withRole(String key, Optional<String> role) {
        Map<String, String> more = new LinkedHashMap<>(roles);
        role.ifPresentOrElse(r -> more.put(key, r), () -> more.remove(key));
        return new RecapLog(school, more, ticks, marks, tests, extra);
    }

    /** With the mark found on a part; an empty one takes it off. */
    public RecapLog withMark(String key, String mark) {
        Map<String, String> more = new LinkedHashMap<>(marks);
        if (mark.isEmpty()) more.remove(key);
        else more.put(key, mark);
        return new RecapLog(school, roles, ticks, more, tests, extra);
    }

    /**
     * With a tick set or taken back.
     *
     * @param key of a part or section
     */
    public RecapLog ticked(String key, Tick tick, boolean on) {
        Set<Tick> set = EnumSet.noneOf(Tick.class);
        set.addAll(ticks(key));
        if (on) set.add(tick);
        else set.remove(tick);
        Map<String, Set<Tick>> more = new LinkedHashMap<>(ticks);
        more.put(key, Collections.unmodifiableSet(set));
        return new RecapLog(school, roles, more, marks, tests, extra);
    }

    /** With one test more; earlier ones of the part stay. */
    public RecapLog tested(Tested test) {
        List<Tested> more = new ArrayList<>(tests);
        more.add(test);
        return new RecapLog(school, roles, ticks, marks, more, extra)
                .ticked(test.test().key(), Tick.MEASURED, true);
    }

    /** What is ticked of a part or section. */
    public Set<Tick> ticks(String key) {
        return ticks.getOrDefault(key, Set.of());
    }
}
