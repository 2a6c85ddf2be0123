package anabion.workshop.demo;

import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Points;
import anabion.core.format.ChassisCodec;
import anabion.core.format.ReadingCodec;
import anabion.core.json.Extra;
import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import anabion.core.reading.Condition;
import anabion.core.reading.Reading;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.chart.ChartMaker;
import anabion.core.simulation.cold.ColdSet;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.tolerance.Specimen;
import anabion.workshop.SetRecord;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/**
 * Writes the computed papers of the demo sets anew: their service charts, from a healthy specimen, and the readings already taken,
 * from another specimen with the planted faults. Run it after a change to a demo circuit or to the engine, with the resource folder as
 * its argument; a test holds that the papers are those of the circuits.
 */
public final class DemoPapers {
    /** The sets that have a service chart. */
    public static final List<String> CHARTED_SETS = List.of("halcyon", "brae", "lark", "concerto", "trunk-road");

    /** The sets of which a few points were read, as far as their work has come. */
    static final List<String> READ_SETS = List.of("halcyon", "brae", "rover", "trunk-road");

    private static final long CHARTED = 11;
    private static final long ON_THE_BENCH = 8;

    /** Insulation of the electrolytics, against usual ones: they have lain for years. */
    private static final double LAIN = 0.2;

    private static final Instant FIRST = Instant.parse("2026-04-20T14:00:00Z");

    private DemoPapers() {}

    /** @param args the folder to write into */
    public static void main(String[] args) throws IOException {
        Path folder = Path.of(args[0]);
        for (String name : CHARTED_SETS)
            Files.writeString(folder.resolve(name + ".json"), ChassisCodec.text(charted(DemoWorkshop.chassis(name))));
        for (String name : READ_SETS)
            write(folder, name, read(name, DemoWorkshop.set(name).readings()));
        write(folder, "lark", repaired("lark"));
        write(folder, "concerto", taken("concerto", planted("concerto")));
        for (DemoStories.Story s : DemoStories.all())
            Files.writeString(folder.resolve("stories").resolve(s.name() + ".csv"), DemoStories.evidence(s));
    }

    private static void write(Path folder, String name, List<Reading> readings) throws IOException {
        StringBuilder csv = new StringBuilder();
        ReadingCodec.csv(readings, csv);
        Files.writeString(folder.resolve(name + ".readings.csv"), csv);
    }

    /** A chassis with its chart computed. */
    static Chassis charted(Chassis chassis) {
        return chassis.withChart(ChartMaker.of(chassis, Specimen.of(chassis, CHARTED)));
    }

    /** The faults planted in a demo set. */
    public static List<Fault> planted(String name) {
        try (InputStream in = DemoPapers.class.getResourceAsStream("/anabion/demo/planted.json")) {
            Fields all = Fields.of(TreeReader.read(in), "");
            return all.has(name) ? all.strings(name).stream().map(Fault::parse).toList() : List.of();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** These readings with the values that the faulty set shows, to three figures as a meter does. */
    static List<Reading> read(String name, List<Reading> taken) {
        Chassis chassis = DemoWorkshop.chassis(name);
        Simulator engine = new Simulator();
        List<Reading> all = new ArrayList<>();
        for (Reading r : taken) {
            Setting setting = Setting.of(r.condition().line())
                    .withControls(Map.of("RV1", 0.0))
                    .withFaults(planted(name))
                    .withTrims(Specimen.of(chassis, ON_THE_BENCH));
            String net = Points.of(chassis).need(r.point()).net();
            Simulator.PreparedCircuit bench = engine.prepare(chassis, setting);
            double volts;
            if (r.measure() == Measure.OHMS)
                volts = ColdSet.of(chassis, setting, LAIN).between(net, r.reference(), 1.5);
            else if (r.measure() == Measure.AC_VOLTS)
                volts = bench.solve().alternating(net).orElse(0);
            else {
                double free = bench.solve().volts(net).orElse(0);
                OperatingPoint loaded =
                        bench.solveWithMeter(net, r.condition().meter().ohmsAt(free));
                volts = loaded.volts(net).orElse(0);
            }
            all.add(r.withValue(shown(volts)));
        }
        return all;
    }

    /** Every charted point of a set that is well again, a minute apart, with a 10 MΩ meter. */
    static List<Reading> repaired(String name) {
        return taken(name, List.of());
    }

    private static List<Reading> taken(String name, List<Fault> faults) {
        SetRecord set = DemoWorkshop.set(name);
        Condition usual = new SetRecord(set.chassis(), set.job(), List.of(), List.of(), set.place()).usual();
        Simulator.PreparedCircuit bench = new Simulator()
                .prepare(
                        set.chassis(),
                        Setting.of(usual.line())
                                .withBand(usual.band())
                                .withControls(Map.of("RV1", 0.0))
                                .withFaults(faults)
                                .withTrims(Specimen.of(set.chassis(), ON_THE_BENCH)));
        List<Reading> all = new ArrayList<>();
        for (ChartRow r : set.chassis().chart().orElseThrow().rows()) {
            String net = Points.of(set.chassis()).need(r.point()).net();
            double volts = r.measure() == Measure.AC_VOLTS
                    ? bench.solve().alternating(net).orElse(0)
                    : bench.solveWithMeter(net, usual.meter().ohmsAt(1))
                            .volts(net)
                            .orElse(0);
            all.add(new Reading(
                    UUID.nameUUIDFromBytes((name + r.point()).getBytes(StandardCharsets.UTF_8)),
                    r.point(),
                    set.chassis().reference(),
                    r.measure(),
                    shown(volts),
                    false,
                    usual,
                    set.job().fitted().id(),
                    FIRST.plusSeconds(60L * all.size()),
                    Extra.NONE));
        }
        return all;
    }

    /** What a meter shows, as it is written down. */
    static String meter(double value) {
        return value >= 1e9
                ? "open"
                : java.math.BigDecimal.valueOf(shown(value)).toPlainString();
    }

    private static double shown(double volts) {
        double size = Math.abs(volts);
        if (size >= 1000) return Double.parseDouble(String.format(java.util.Locale.ROOT, "%.2e", volts));
        double unit = size >= 100 ? 1 : size >= 10 ? 0.1 : 0.01;
        return Math.rint(Math.rint(volts / unit) * unit * 100) / 100 + 0.0;
    }
}
