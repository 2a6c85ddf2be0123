package anabion.core.format;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Arrangement;
import anabion.core.chassis.AssignedRole;
import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.ChassisCheck;
import anabion.core.chassis.Component;
import anabion.core.chassis.Identity;
import anabion.core.chassis.OscillatorSide;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Provenance;
import anabion.core.chassis.RoleWords;
import anabion.core.chassis.SetKind;
import anabion.core.chassis.Spot;
import anabion.core.chassis.Stage;
import anabion.core.chassis.StripRow;
import anabion.core.chassis.Supply;
import anabion.core.chassis.TuningRange;
import anabion.core.error.InputException;
import anabion.core.json.Extra;
import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import anabion.core.json.TreeWriter;
import anabion.core.json.Writing;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;

/** The chassis file: {@code docs/formats/chassis.schema.json}. */
public final class ChassisCodec {
    /** What the field {@code format} must say. */
    private static final int MOST_PARTS = 2_000;

    private static final int MOST_NETS = 2_000;
    public static final String NAME = "anabion-chassis";

    private ChassisCodec() {}

    /**
     * Reads and checks a chassis; a role that its file does not state is suggested from its words.
     *
     * @throws InputException with line and field, if it is no sound chassis of a known version
     * @throws IOException if the stream fails
     */
    public static Chassis read(InputStream in) throws IOException {
        Fields f = Fields.of(TreeReader.read(in), "");
        String format = f.text("format");
        if (!format.equals(NAME))
            throw f.trouble(
                    "format", "this is \"" + format + "\", not a chassis", "choose a file whose format is " + NAME);
        int version = f.integer("version", 0);
        if (version < 1) throw f.trouble("version", "there is no version " + version, "the versions begin at 1");
        if (version > Chassis.FORMAT) {
            throw f.trouble(
                    "version",
                    "version " + version + " is newer than this program, which knows up to " + Chassis.FORMAT,
                    "use a newer release to open it");
        }
        return ChassisCheck.sound(named(chassis(f)));
    }

    /** Where a file does not say which winding an adjuster turns, its words may: as with roles, nothing is written that nobody said. */
    private static Chassis named(Chassis c) {
        return c.withAdjusters(c.adjusters().stream()
                .map(a -> a.winding().isPresent()
                        ? a
                        : c.part(a.part())
                                .flatMap(p -> Adjuster.named(p, a.what()))
                                .map(a::of)
                                .orElse(a))
                .toList());
    }

    /** @throws InputException as {@link #read(InputStream)} */
    public static Chassis read(String json) {
        try {
            return read(new ByteArrayInputStream(json.getBytes(StandardCharsets.UTF_8)));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Chassis chassis(Fields f) {
        return bounded(
                new Chassis(
                        f.id(),
                        identity(f.object("identity")),
                        supply(f.object("supply")),
                        f.list("parts", ChassisCodec::part),
                        f.list("stages", ChassisCodec::stage),
                        f.list("bands", ChassisCodec::band),
                        f.maybeObject("chart").map(ChartCodec::read),
                        f.list("adjusters", ChassisCodec::adjuster),
                        f.list("serviceTable", ServiceTableCodec::read),
                        f.extra()),
                f);
    }

    /** A set has some hundred parts; what has thousands is none, and would keep the engine busy for hours. */
    private static Chassis bounded(Chassis c, Fields f) {
        long nets = c.parts().stream()
                .flatMap(p -> p.nets().values().stream())
                .distinct()
                .count();
        if (c.parts().size() > MOST_PARTS || nets > MOST_NETS)
            throw f.trouble(
                    "parts",
                    "there are " + c.parts().size() + " parts on " + nets + " nets",
                    "a set has at most " + MOST_PARTS + " parts and " + MOST_NETS + " nets");
        return c;
    }

    private static Identity identity(Fields f) {
        int year = f.integer("year", 0);
        return new Identity(
                f.text("maker", ""),
                f.text("model"),
                f.text("chassisCode", ""),
                f.text("serial", ""),
                year == 0 ? OptionalInt.empty() : OptionalInt.of(year),
                f.text("yearReason", ""),
                f.code("kind", SetKind.values(), SetKind.HOME),
                f.extra());
    }

    private static Supply supply(Fields f) {
        double hertz = f.size("hertz", 0);
        if (hertz != 0 && (hertz < Supply.LEAST_HERTZ || hertz > Supply.MOST_HERTZ))
            throw f.trouble(
                    "hertz",
                    "no mains has this frequency",
                    "write %.0f to %.0f, or 0 for direct current".formatted(Supply.LEAST_HERTZ, Supply.MOST_HERTZ));
        return new Supply(
                f.code("arrangement", Arrangement.values(), Arrangement.TRANSFORMER),
                f.volts("volts"),
                hertz,
                f.text("note", ""),
                f.extra());
    }

    private static Part part(Fields f) {
        String reference = f.text("reference");
        Component component = ComponentCodec.read(f);
        String words = f.text("role", "");
        String printed = f.text("printed", "");
        Optional<AssignedRole> picked =
                f.maybeCode("partRole", PartRole.values()).map(AssignedRole::picked);
        picked.filter(r -> !r.role().fits(component)).ifPresent(r -> {
            throw f.trouble(
                    "partRole",
                    "this kind of part can't be that",
                    "use one of "
                            + String.join(
                                    ", ",
                                    PartRole.of(component).stream()
                                            .map(PartRole::code)
                                            .toList()));
        });
        return new Part(
                f.id(),
                reference,
                component,
                f.texts("nets"),
                words,
                picked.or(() -> RoleWords.suggest(component, words, printed)),
                printed,
                f.text("make", ""),
                f.code("provenance", Provenance.values(), Provenance.SHEET),
                f.text("note", ""),
                f.extra());
    }

    private static Stage stage(Fields f) {
        return new Stage(
                f.id(),
                f.text("name"),
                f.code("line", StripRow.values(), StripRow.SIGNAL),
                f.text("detail", ""),
                f.strings("parts"),
                f.text("point", ""),
                f.extra());
    }

    private static Band band(Fields f) {
        return new Band(
                f.id(),
                f.text("name"),
                f.code("kind", BandKind.values(), BandKind.AM),
                f.strings("stages"),
                f.has("dial") ? Optional.of(range(f)) : Optional.empty(),
                f.code("oscillator", OscillatorSide.values(), OscillatorSide.ABOVE),
                f.extra());
    }

    private static TuningRange range(Fields f) {
        List<Double> ends = f.numbers("dial");
        if (ends.size() != 2) throw f.trouble("dial", "a dial has two ends", "write [lowest, highest] in hertz");
        return new TuningRange(ends.get(0), ends.get(1));
    }

    private static Adjuster adjuster(Fields f) {
        return new Adjuster(
                f.id(),
                f.text("letter"),
                f.text("part", ""),
                f.maybeText("winding"),
                f.text("what", ""),
                f.text("side", ""),
                f.text("place", ""),
                f.maybeObject("spot")
                        .map(x -> new Spot(
                                x.code("face", Spot.Face.values(), Spot.Face.ABOVE),
                                x.number("x", 0),
                                x.number("y", 0))),
                f.extra());
    }

    /** As JSON, with the fields of later versions that it was read with. */
    public static String text(Chassis c) {
        return TreeWriter.text(tree(c));
    }

    /** The chassis as plain maps and lists, for writing or for putting into a larger document. */
    public static Map<String, Object> tree(Chassis c) {
        return new Writing()
                .put("format", NAME)
                .put("version", Chassis.FORMAT)
                .put("id", c.id())
                .put("identity", identity(c.identity()))
                .put("supply", supply(c.supply()))
                .put("parts", c.parts().stream().map(ChassisCodec::part).toList())
                .put("stages", c.stages().stream().map(ChassisCodec::stage).toList())
                .put("bands", c.bands().stream().map(ChassisCodec::band).toList())
                .put("chart", c.chart().map(ChartCodec::write))
                .list(
                        "adjusters",
                        c.adjusters().stream().map(a -> adjuster(a, c)).toList())
                .list(
                        "serviceTable",
                        c.serviceTable().stream().map(ServiceTableCodec::write).toList())
                .with(c.extra());
    }

    private static Map<String, Object> identity(Identity i) {
        Writing w = new Writing()
                .text("maker", i.maker())
                .put("model", i.model())
                .text("chassisCode", i.chassisCode())
                .text("serial", i.serial());
        if (i.year().isPresent()) w.put("year", i.year().getAsInt());
        return w.text("yearReason", i.yearReason()).put("kind", i.kind()).with(i.extra());
    }

    private static Map<String, Object> supply(Supply s) {
        return new Writing()
                .put("arrangement", s.arrangement())
                .put("volts", s.volts())
                .unless("hertz", s.hertz(), 0.0)
                .text("note", s.note())
                .with(s.extra());
    }

    private static Map<String, Object> part(Part p) {
        Writing w = new Writing().put("id", p.id()).put("reference", p.reference());
        ComponentCodec.write(p.component(), w);
        return w.map("nets", p.nets())
                .text("role", p.roleText())
                .text(
                        "partRole",
                        p.assigned()
                                .filter(r -> r.basis() == AssignedRole.Basis.PICKED)
                                .map(r -> r.role().code())
                                .orElse(""))
                .text("printed", p.printed())
                .text("make", p.make())
                .unless("provenance", p.provenance(), Provenance.SHEET)
                .text("note", p.note())
                .with(p.extra());
    }

    private static Map<String, Object> stage(Stage s) {
        return new Writing()
                .put("id", s.id())
                .put("name", s.name())
                .unless("line", s.line(), StripRow.SIGNAL)
                .text("detail", s.detail())
                .list("parts", s.parts())
                .text("point", s.point())
                .with(s.extra());
    }

    private static Map<String, Object> band(Band b) {
        return new Writing()
                .put("id", b.id())
                .put("name", b.name())
                .put("kind", b.kind())
                .list("stages", b.stages())
                .put("dial", b.dial().map(r -> List.of(r.low(), r.high())))
                .unless("oscillator", b.oscillator(), OscillatorSide.ABOVE)
                .with(b.extra());
    }

    private static Map<String, Object> adjuster(Adjuster a, Chassis c) {
        Optional<String> named = c.part(a.part()).flatMap(p -> Adjuster.named(p, a.what()));
        return new Writing()
                .put("id", a.id())
                .put("letter", a.letter())
                .text("part", a.part())
                .put("winding", a.winding().filter(w -> named.filter(w::equals).isEmpty()))
                .text("what", a.what())
                .text("side", a.side())
                .text("place", a.place())
                .put("spot", a.spot().map(x -> new Writing()
                        .put("face", x.face())
                        .put("x", x.x())
                        .put("y", x.y())
                        .with(Extra.NONE)))
                .with(a.extra());
    }
}
