package anabion.core.format;

import anabion.core.job.StripDownEntry;
import anabion.core.job.StripDownEntry.Lead;
import anabion.core.json.Fields;
import anabion.core.json.Writing;
import java.util.Map;
import java.util.Optional;

/** What was taken off a set, as JSON. */
final class StripDownCodec {
    private StripDownCodec() {}

    static StripDownEntry read(Fields f) {
        Optional<Lead> lead = f.has("colour") || f.has("from") || f.has("to")
                ? Optional.of(new Lead(f.text("colour", ""), f.text("from", ""), f.text("to", "")))
                : Optional.empty();
        return new StripDownEntry(
                f.id(),
                f.instant("at"),
                f.code("kind", StripDownEntry.Kind.values()),
                f.integer("count", 1),
                f.text("what", ""),
                f.text("place", ""),
                lead,
                f.code("state", StripDownEntry.State.values(), StripDownEntry.State.OFF),
                f.extra());
    }

    static Map<String, Object> write(StripDownEntry e) {
        Writing w = new Writing()
                .put("id", e.id())
                .put("at", e.at())
                .put("kind", e.kind())
                .unless("count", e.count(), 1)
                .text("what", e.what())
                .text("place", e.place());
        e.lead()
                .ifPresent(
                        l -> w.put("colour", l.colour()).text("from", l.from()).text("to", l.to()));
        return w.unless("state", e.state(), StripDownEntry.State.OFF).with(e.extra());
    }
}
