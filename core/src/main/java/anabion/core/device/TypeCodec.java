package anabion.core.device;

import anabion.core.error.InputException;
import anabion.core.json.Fields;
import anabion.core.json.Writing;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;

/** A type as one row of JSON: in the shipped library, in a workshop's own, and in a chassis that brings its types along. */
public final class TypeCodec {
    private TypeCodec() {}

    /**
     * Reads a row.
     *
     * @throws InputException naming the field
     */
    public static DeviceType read(Fields row) {
        String base = row.text("base");
        return new DeviceType(
                row.text("name"),
                row.strings("also"),
                row.text("what"),
                Base.named(base).orElseThrow(() -> row.trouble("base", "\"" + base + "\" is no base", "see Base")),
                row.texts("pins"),
                row.texts("labels"),
                row.number("heaterVolts", 0),
                row.number("heaterAmperes", 0),
                row.list("sections", TypeCodec::section),
                row.maybeObject("limits").map(TypeCodec::limits).orElse(Map.of()),
                row.maybeObject("semiconductor").map(TypeCodec::semiconductor),
                row.text("flag", ""),
                row.text("source"),
                row.extra());
    }

    private static Map<String, Double> limits(Fields row) {
        Map<String, Double> limits = new LinkedHashMap<>();
        for (String name : row.names()) limits.put(name, row.number(name, 0));
        return limits;
    }

    private static Section section(Fields row) {
        double cutoff = row.number("cutoff", 0);
        return new Section(
                row.text("section", ""),
                row.code("law", Section.Kind.values()),
                row.number("mu", 0),
                cutoff == 0 ? OptionalDouble.empty() : OptionalDouble.of(cutoff),
                row.text("oscillator", ""),
                row.list("points", TypeCodec::point),
                row.extra());
    }

    private static Section.Point point(Fields row) {
        return new Section.Point(
                row.number("plate", 0),
                row.number("screen", 0),
                row.number("grid", 0),
                row.number("plateMilliamps", 0),
                row.number("screenMilliamps", 0),
                row.number("millisiemens", 0),
                row.number("leakOhms", 0),
                row.number("gridMilliamps", 0),
                row.extra());
    }

    private static Semiconductor semiconductor(Fields row) {
        return new Semiconductor(
                row.code("law", SemiconductorKind.values()),
                row.text("material", "").equals("germanium"),
                row.text("polarity", "").equals("pnp"),
                row.number("gain", 0),
                row.number("atMilliamps", 0),
                row.number("leakMicroamps", 0),
                row.number("fullMilliamps", 0),
                row.number("pinchVolts", 0),
                row.number("transitionMegahertz", 0),
                row.number("feedbackPicofarads", 0),
                row.number("baseOhms", 0),
                row.extra());
    }

    /** As maps and lists, which {@link #read} reads back. */
    public static Map<String, Object> write(DeviceType t) {
        Writing w = new Writing().put("name", t.name()).list("also", t.also()).put("what", t.description());
        w.put("base", t.base().code()).map("pins", t.functions());
        if (!t.labels().isEmpty()) w.map("labels", t.labels());
        w.unless("heaterVolts", t.heaterVolts(), 0.0).unless("heaterAmperes", t.heaterAmperes(), 0.0);
        w.list("sections", t.sections().stream().map(TypeCodec::section).toList());
        if (!t.limits().isEmpty()) w.put("limits", t.limits());
        t.semiconductor().ifPresent(s -> w.put("semiconductor", semiconductor(s)));
        return w.text("flag", t.flag()).put("source", t.source()).with(t.extra());
    }

    private static Map<String, Object> section(Section s) {
        return new Writing()
                .put("section", s.name())
                .put("law", s.kind())
                .unless("mu", s.mu(), 0.0)
                .unless("cutoff", s.cutoff().orElse(0), 0.0)
                .text("oscillator", s.oscillator())
                .put("points", s.points().stream().map(TypeCodec::point).toList())
                .with(s.extra());
    }

    private static Map<String, Object> point(Section.Point p) {
        return new Writing()
                .unless("plate", p.plate(), 0.0)
                .unless("screen", p.screen(), 0.0)
                .unless("grid", p.grid(), 0.0)
                .unless("plateMilliamps", p.plateMilliamps(), 0.0)
                .unless("screenMilliamps", p.screenMilliamps(), 0.0)
                .unless("millisiemens", p.millisiemens(), 0.0)
                .unless("leakOhms", p.leakOhms(), 0.0)
                .unless("gridMilliamps", p.gridMilliamps(), 0.0)
                .with(p.extra());
    }

    private static Map<String, Object> semiconductor(Semiconductor s) {
        return new Writing()
                .put("law", s.kind())
                .put("material", s.germanium() ? "germanium" : "silicon")
                .text("polarity", s.pnp() ? "pnp" : "")
                .unless("gain", s.gain(), 0.0)
                .unless("atMilliamps", s.atMilliamps(), 0.0)
                .unless("leakMicroamps", s.leakMicroamps(), 0.0)
                .unless("fullMilliamps", s.fullMilliamps(), 0.0)
                .unless("pinchVolts", s.pinchVolts(), 0.0)
                .unless("transitionMegahertz", s.transitionMegahertz(), 0.0)
                .unless("feedbackPicofarads", s.feedbackPicofarads(), 0.0)
                .unless("baseOhms", s.baseOhms(), 0.0)
                .with(s.extra());
    }
}
