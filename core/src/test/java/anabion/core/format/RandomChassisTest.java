package anabion.core.format;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Aim;
import anabion.core.chassis.Arrangement;
import anabion.core.chassis.AssignedRole;
import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.ChassisCheck;
import anabion.core.chassis.Component;
import anabion.core.chassis.Contact;
import anabion.core.chassis.DeviceKind;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Identity;
import anabion.core.chassis.Measure;
import anabion.core.chassis.OscillatorSide;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Points;
import anabion.core.chassis.Provenance;
import anabion.core.chassis.Renames;
import anabion.core.chassis.ServiceLine;
import anabion.core.chassis.SetKind;
import anabion.core.chassis.Spot;
import anabion.core.chassis.Stage;
import anabion.core.chassis.StripRow;
import anabion.core.chassis.Supply;
import anabion.core.chassis.TuningRange;
import anabion.core.chassis.Winding;
import anabion.core.json.Extra;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.UUID;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** Laws that hold for any sound chassis, not only for the ones we thought of. */
class RandomChassisTest {
    private static final List<String> NETS = List.of("A", "B1", "CHASSIS", "AVC", "H-1", "Ω µ \"quoted\"");

    /** A sound chassis with every kind of part, from one seed. */
    static Chassis random(long seed) {
        Random r = new Random(seed);
        List<Part> parts = new ArrayList<>();
        for (int i = 0; i < r.nextInt(25); i++) parts.add(part(r, i));
        List<Stage> stages = new ArrayList<>();
        for (int i = 0; i < r.nextInt(5); i++) stages.add(stage(r, i, parts));
        List<Band> bands = new ArrayList<>();
        for (int i = 0; i < r.nextInt(3); i++) {
            bands.add(new Band(
                    id(r),
                    "band " + i,
                    BandKind.values()[r.nextInt(3)],
                    stages.stream()
                            .map(Stage::name)
                            .filter(s -> r.nextBoolean())
                            .toList(),
                    r.nextBoolean() ? Optional.of(new TuningRange(150e3, 1e6 + r.nextInt(1000))) : Optional.empty(),
                    OscillatorSide.values()[r.nextInt(2)],
                    extra(r)));
        }
        Identity identity = new Identity(
                text(r),
                "M" + text(r),
                text(r),
                text(r),
                r.nextBoolean() ? OptionalInt.of(1930 + r.nextInt(40)) : OptionalInt.empty(),
                text(r),
                SetKind.values()[r.nextInt(3)],
                extra(r));
        Supply supply = new Supply(
                Arrangement.values()[r.nextInt(Arrangement.values().length)],
                r.nextInt(250),
                r.nextBoolean() ? 50 : 0,
                text(r),
                extra(r));
        Chassis bare = new Chassis(
                id(r),
                identity,
                supply,
                parts,
                stages,
                bands,
                Optional.empty(),
                List.of(new Adjuster(
                        id(r),
                        "A1",
                        "",
                        Optional.empty(),
                        text(r),
                        "top",
                        text(r),
                        r.nextBoolean()
                                ? Optional.empty()
                                : Optional.of(new Spot(Spot.Face.BELOW, r.nextInt(100) / 100.0, 0.5)),
                        extra(r))),
                r.nextBoolean() ? List.of() : List.of(printed(r)),
                extra(r));
        return parts.isEmpty() || r.nextBoolean() ? bare : bare.withChart(chart(r, bare));
    }

    private static ServiceLine printed(Random r) {
        return new ServiceLine(
                id(r),
                text(r),
                text(r),
                text(r),
                1 + r.nextInt(10_000_000),
                r.nextBoolean() ? Optional.empty() : Optional.of(1.0 + r.nextInt(10_000_000)),
                List.of("A1"),
                Aim.values()[r.nextInt(Aim.values().length)],
                r.nextBoolean(),
                text(r),
                extra(r));
    }

    private static UUID id(Random r) {
        return new UUID(r.nextLong(), r.nextLong());
    }

    private static String text(Random r) {
        return List.of("", "plain", "with \"quotes\"", "tab\tand\nline", "Ω ± µ − 電", "ends with space ")
                .get(r.nextInt(6));
    }

    private static Extra extra(Random r) {
        if (r.nextInt(3) > 0) return Extra.NONE;
        return new Extra(
                Map.of("x-" + r.nextInt(9), List.of(new java.math.BigDecimal("1.50"), true, Map.of("deep", text(r)))));
    }

    private static Part part(Random r, int i) {
        Component component = component(r);
        Map<String, String> nets = new LinkedHashMap<>();
        String reference = (component instanceof Component.Device ? "V" : "X") + i;
        for (int t = 1; t <= 1 + r.nextInt(4); t++) {
            nets.put(
                    String.valueOf(t),
                    component instanceof Component.Device ? reference + "." + t : NETS.get(r.nextInt(NETS.size())));
        }
        return new Part(
                id(r),
                reference,
                component,
                nets,
                text(r),
                role(r, component),
                text(r),
                text(r),
                Provenance.values()[r.nextInt(3)],
                text(r),
                extra(r));
    }

    private static Optional<AssignedRole> role(Random r, Component component) {
        List<PartRole> all = PartRole.of(component);
        return all.isEmpty() || r.nextBoolean()
                ? Optional.empty()
                : Optional.of(AssignedRole.picked(all.get(r.nextInt(all.size()))));
    }

    private static Optional<Dielectric> dielectric(Random r) {
        int n = r.nextInt(Dielectric.values().length + 1);
        return n == 0 ? Optional.empty() : Optional.of(Dielectric.values()[n - 1]);
    }

    private static Component component(Random r) {
        double v = r.nextInt(1000) / 10.0;
        return switch (r.nextInt(11)) {
            case 0 -> new Component.Resistor(v * 1000, 0.1, r.nextInt(3));
            case 1 -> new Component.Potentiometer(v * 1000, "log");
            case 2 -> new Component.Capacitor(List.of(v * 1e-6, 3.3e-9), r.nextInt(500), dielectric(r));
            case 3 ->
                new Component.Windings(List.of(new Winding(
                        new UUID(r.nextLong(), r.nextLong()),
                        "primary",
                        "1",
                        "2",
                        v,
                        0,
                        0,
                        r.nextBoolean(),
                        extra(r))));
            case 4 -> new Component.Device(DeviceKind.TUBE, "6AQ5", "miniature-7", Map.of("1", "g1"));
            case 5 -> new Component.Lamp(6.3, 0.3);
            case 6 ->
                new Component.Switch(List.of("AM", "FM"), List.of(new Contact("1", "2", List.of("FM"), extra(r))));
            case 7 -> new Component.Fuse(0.5);
            case 8 -> new Component.Speaker(3);
            case 9 -> new Component.Battery(90, 12);
            default -> new Component.Other("socket");
        };
    }

    private static Stage stage(Random r, int i, List<Part> parts) {
        List<String> owned = parts.stream()
                .map(Part::reference)
                .filter(p -> r.nextInt(4) == 0)
                .toList();
        return new Stage(id(r), "stage " + i, StripRow.values()[r.nextInt(2)], text(r), owned, "", extra(r));
    }

    private static Chart chart(Random r, Chassis chassis) {
        List<ChartRow> rows = new ArrayList<>();
        for (String net : Points.of(chassis).nets()) {
            OptionalDouble maybe = r.nextBoolean() ? OptionalDouble.of(r.nextInt(1000)) : OptionalDouble.empty();
            rows.add(new ChartRow(
                    id(r),
                    net,
                    "",
                    Measure.values()[r.nextInt(3)],
                    r.nextInt(500) - 100,
                    maybe,
                    OptionalDouble.empty(),
                    r.nextBoolean(),
                    extra(r)));
        }
        Chart.Conditions c = new Chart.Conditions(220, "20k/V@250", "", text(r), text(r), text(r), "CHASSIS", extra(r));
        return new Chart(id(r), text(r), r.nextBoolean(), 0.15, c, rows, extra(r));
    }

    @Property(seed = "21", tries = 300)
    void anyChassisReadsBackEqualAndWritesTheSameText(@ForAll long seed) {
        Chassis chassis = random(seed);
        assertThat(ChassisCheck.flaws(chassis)).isEmpty();
        String json = ChassisCodec.text(chassis);
        assertThat(ChassisCodec.read(json)).isEqualTo(chassis);
        assertThat(ChassisCodec.text(ChassisCodec.read(json))).isEqualTo(json);
    }

    @Property(seed = "22", tries = 200)
    void renamingThereAndBackIsNoChange(@ForAll long seed) {
        Chassis chassis = random(seed);
        for (Part p : chassis.parts()) {
            Chassis renamed = Renames.part(chassis, p.reference(), "Z99");
            assertThat(ChassisCheck.flaws(renamed)).isEmpty();
            assertThat(Renames.part(renamed, "Z99", p.reference())).isEqualTo(chassis);
        }
    }

    @Property(seed = "23", tries = 200)
    void everyPinIsFoundUnderItsOwnName(@ForAll long seed) {
        Chassis chassis = random(seed);
        Points points = Points.of(chassis);
        for (Part p : chassis.parts()) {
            if (p.device().isEmpty()) continue;
            points.pinsOf(p).forEach(pin -> assertThat(points.need(pin.label())).isEqualTo(pin));
        }
        for (String net : points.nets()) assertThat(points.need(net).net()).isEqualToIgnoringCase(net);
    }
}
