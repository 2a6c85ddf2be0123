package anabion.core.format;

import anabion.core.job.CaseEntry;
import anabion.core.job.CordRun;
import anabion.core.job.CordRun.Pass;
import anabion.core.job.CordRun.Spring;
import anabion.core.job.CordRun.Wheel;
import anabion.core.json.Extra;
import anabion.core.json.Fields;
import anabion.core.json.Writing;
import java.util.Map;
import java.util.Optional;

/** Dial cords and work on the case, as JSON. */
final class DriveCodec {
    private DriveCodec() {}

    static CordRun cord(Fields f) {
        return new CordRun(
                f.id(),
                f.text("name"),
                f.number("cord", 0),
                f.list(
                        "wheels",
                        w -> new Wheel(
                                w.text("name"),
                                w.code("kind", CordRun.Kind.values()),
                                w.number("diameter"),
                                w.number("x", 0),
                                w.number("y", 0))),
                f.list(
                        "passes",
                        p -> new Pass(
                                p.text("wheel"),
                                p.code("turning", CordRun.Turning.values()),
                                p.number("turns", 0),
                                p.has("anchor") ? Optional.of(p.number("anchor")) : Optional.empty())),
                f.number("inside", 0),
                f.number("knots", 0),
                f.number("gang", 180),
                f.number("scale", 0),
                f.maybeObject("spring").map(s -> new Spring(s.number("rest"), s.number("stretched"))),
                f.text("broke", ""),
                f.extra());
    }

    static Map<String, Object> cord(CordRun c) {
        return new Writing()
                .put("id", c.id())
                .put("name", c.name())
                .put("cord", c.cord())
                .list(
                        "wheels",
                        c.wheels().stream()
                                .map(w -> new Writing()
                                        .put("name", w.name())
                                        .put("kind", w.kind())
                                        .put("diameter", w.diameter())
                                        .put("x", w.x())
                                        .put("y", w.y())
                                        .with(Extra.NONE))
                                .toList())
                .list(
                        "passes",
                        c.passes().stream()
                                .map(p -> new Writing()
                                        .put("wheel", p.wheel())
                                        .put("turning", p.turning())
                                        .unless("turns", p.turns(), 0.0)
                                        .put("anchor", p.anchor())
                                        .with(Extra.NONE))
                                .toList())
                .unless("inside", c.inside(), 0.0)
                .unless("knots", c.knots(), 0.0)
                .unless("gang", c.gang(), 180.0)
                .unless("scale", c.scale(), 0.0)
                .put("spring", c.spring().map(s -> new Writing()
                        .put("rest", s.rest())
                        .put("stretched", s.stretched())
                        .with(Extra.NONE)))
                .text("broke", c.broke())
                .with(c.extra());
    }

    static CaseEntry work(Fields f) {
        return new CaseEntry(
                f.id(),
                f.instant("at"),
                f.code("kind", CaseEntry.Kind.values()),
                f.text("what"),
                f.text("how", ""),
                f.maybeCode("result", CaseEntry.Result.values()),
                f.extra());
    }

    static Map<String, Object> work(CaseEntry e) {
        return new Writing()
                .put("id", e.id())
                .put("at", e.at())
                .put("kind", e.kind())
                .put("what", e.what())
                .text("how", e.how())
                .put("result", e.result())
                .with(e.extra());
    }
}
