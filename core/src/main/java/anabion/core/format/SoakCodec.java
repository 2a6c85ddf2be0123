package anabion.core.format;

import anabion.core.job.FittedState;
import anabion.core.job.SoakEntry;
import anabion.core.job.SoakEntry.Value;
import anabion.core.json.Fields;
import anabion.core.json.Writing;
import java.util.EnumMap;
import java.util.Map;

/** The log of soaks as JSON. */
final class SoakCodec {
    private SoakCodec() {}

    static SoakEntry read(Fields f) {
        Map<Value, Double> values = new EnumMap<>(Value.class);
        for (Value v : Value.values()) if (f.has(v.code())) values.put(v, f.number(v.code(), 0));
        return new SoakEntry(
                f.id(),
                f.instant("at"),
                f.code("kind", SoakEntry.Kind.values()),
                values,
                f.maybeCode("event", SoakEntry.Event.values()),
                f.text("part", ""),
                f.text("text", ""),
                f.id("state", FittedState.AS_FOUND),
                f.extra());
    }

    static Map<String, Object> write(SoakEntry e) {
        Writing w = new Writing().put("id", e.id()).put("at", e.at()).put("kind", e.kind());
        e.values().forEach((v, number) -> w.put(v.code(), number));
        return w.put("event", e.event())
                .text("part", e.part())
                .text("text", e.text())
                .put("state", e.state())
                .with(e.extra());
    }
}
