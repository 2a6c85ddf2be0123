package anabion.core.format;

import anabion.core.job.AlignmentEntry;
import anabion.core.job.AlignmentPurpose;
import anabion.core.job.FittedState;
import anabion.core.json.Extra;
import anabion.core.json.Fields;
import anabion.core.json.Writing;
import java.util.Map;

/** The log of alignments as JSON. */
final class AlignmentCodec {
    private AlignmentCodec() {}

    static AlignmentEntry read(Fields f) {
        return new AlignmentEntry(
                f.id(),
                f.instant("at"),
                f.code("kind", AlignmentEntry.Kind.values()),
                f.text("band", ""),
                f.maybeCode("purpose", AlignmentPurpose.values()),
                f.text("adjusters", ""),
                f.number("before", 0),
                f.number("after", 0),
                f.number("turns", 0),
                new AlignmentEntry.Given(f.number("level", 0), f.number("distance", 0)),
                f.text("text", ""),
                f.list("curve", c -> new AlignmentEntry.Sample(c.number("hertz"), c.number("volts"))),
                f.id("state", FittedState.AS_FOUND),
                f.extra());
    }

    static Map<String, Object> write(AlignmentEntry e) {
        return new Writing()
                .put("id", e.id())
                .put("at", e.at())
                .put("kind", e.kind())
                .text("band", e.band())
                .put("purpose", e.purpose())
                .text("adjusters", e.adjusters())
                .unless("before", e.before(), 0.0)
                .unless("after", e.after(), 0.0)
                .unless("turns", e.turns(), 0.0)
                .unless("level", e.given().volts(), 0.0)
                .unless("distance", e.given().metres(), 0.0)
                .text("text", e.text())
                .list(
                        "curve",
                        e.curve().stream()
                                .map(c -> new Writing()
                                        .put("hertz", c.hertz())
                                        .put("volts", c.volts())
                                        .with(Extra.NONE))
                                .toList())
                .put("state", e.state())
                .with(e.extra());
    }
}
