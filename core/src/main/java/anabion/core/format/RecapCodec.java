package anabion.core.format;

import anabion.core.job.LooseEnd;
import anabion.core.job.LooseKind;
import anabion.core.job.PartTest;
import anabion.core.job.RecapLog;
import anabion.core.job.Tick;
import anabion.core.json.Coded;
import anabion.core.json.Fields;
import anabion.core.json.Writing;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** The recap and the loose ends in a job file. */
final class RecapCodec {
    private RecapCodec() {}

    static RecapLog read(Fields f) {
        Map<String, Set<Tick>> ticks = new LinkedHashMap<>();
        f.texts("ticks").forEach((key, codes) -> {
            Set<Tick> set = EnumSet.noneOf(Tick.class);
            for (String c : codes.split(" ")) if (!c.isEmpty()) set.add(code(f, "ticks", Tick.values(), c));
            ticks.put(key, set);
        });
        return new RecapLog(
                f.text("school", ""),
                f.texts("roles"),
                ticks,
                f.texts("marks"),
                f.list("tests", RecapCodec::tested),
                f.extra());
    }

    private static <E extends Enum<E> & anabion.core.json.Coded> E code(Fields f, String name, E[] all, String code) {
        return Coded.find(all, code)
                .orElseThrow(
                        () -> f.trouble(name, "\"" + code + "\" is not known", "use a newer release, or take it out"));
    }

    private static RecapLog.Tested tested(Fields f) {
        return new RecapLog.Tested(
                f.id(),
                f.instant("at"),
                new PartTest(
                        f.text("part"),
                        f.code("what", PartTest.What.values(), PartTest.What.VALUE),
                        f.size("amount", 0),
                        f.size("good", 0),
                        f.size("volts", 0)),
                f.extra());
    }

    static LooseEnd loose(Fields f) {
        return new LooseEnd(
                f.id(),
                f.instant("at"),
                f.code("kind", LooseKind.values(), LooseKind.WANTED),
                f.text("part"),
                f.text("detail", ""),
                f.flag("settled", false),
                f.extra());
    }

    static Map<String, Object> write(RecapLog log) {
        Map<String, String> ticks = new LinkedHashMap<>();
        log.ticks()
                .forEach((key, set) ->
                        ticks.put(key, set.stream().map(Tick::code).collect(Collectors.joining(" "))));
        return new Writing()
                .text("school", log.school())
                .map("roles", log.roles())
                .map("ticks", ticks)
                .map("marks", log.marks())
                .list("tests", log.tests().stream().map(RecapCodec::tested).toList())
                .with(log.extra());
    }

    private static Map<String, Object> tested(RecapLog.Tested t) {
        return new Writing()
                .put("id", t.id())
                .put("at", t.at())
                .put("part", t.test().key())
                .put("what", t.test().what())
                .put("amount", t.test().amount())
                .unless("good", t.test().good(), 0.0)
                .unless("volts", t.test().volts(), 0.0)
                .with(t.extra());
    }

    static Map<String, Object> write(LooseEnd l) {
        return new Writing()
                .put("id", l.id())
                .put("at", l.at())
                .put("kind", l.kind())
                .put("part", l.part())
                .text("detail", l.detail())
                .unless("settled", l.settled(), false)
                .with(l.extra());
    }
}
