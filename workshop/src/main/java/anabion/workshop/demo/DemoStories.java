package anabion.workshop.demo;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Points;
import anabion.core.diagnosis.prediction.AudibilityModel;
import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import anabion.core.signal.Loudness;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.cold.ColdSet;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.tolerance.Specimen;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Classic faults in the demo sets, as the evidence that somebody would bring to the diagnosis: what to measure is written down in {@code stories.json},
 * what it shows is computed from a scattered specimen with the fault.
 */
public final class DemoStories {
    private static final String HEADING = "kind,at,value,against,line,band,meter,lifted\n";
    private static final int COMMAS = 7;
    private static final long SPECIMEN = 8;
    private static final double TEST = 1.5;
    private static final MeterSpec METER = new MeterSpec.Fixed(10e6);

    private DemoStories() {}

    /**
     * One story.
     *
     * @param take what was measured and heard, in order: {@code volts V4.1}, {@code lifted C14 V4.1}, {@code ohms A B}, {@code symptom MW},
     *     {@code inject rf V1.6 MW}, {@code test V4}, {@code bridged C18}
     */
    public record Story(String name, String set, List<Fault> faults, List<String> take) {
        public Story {
            faults = List.copyOf(faults);
            take = List.copyOf(take);
        }
    }

    /** The stories of all demo sets, in the order of the Shelf. */
    public static List<Story> all() {
        try (InputStream in = DemoStories.class.getResourceAsStream("/anabion/demo/stories.json")) {
            return Fields.of(TreeReader.read(in), "")
                    .list(
                            "stories",
                            f -> new Story(
                                    f.text("name"),
                                    f.text("set"),
                                    f.strings("faults").stream()
                                            .map(Fault::parse)
                                            .toList(),
                                    f.strings("take")));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The evidence of a story, in the format of evidence lists. */
    public static String evidence(Story story) {
        Chassis set = DemoWorkshop.chassis(story.set());
        Scene scene = new Scene(set, story.faults());
        List<String> rows = new ArrayList<>();
        for (String line : story.take()) {
            String row = scene.row(line.split(" "));
            rows.add(row
                    + ","
                            .repeat(COMMAS
                                    - (int) row.chars().filter(c -> c == ',').count()));
        }
        return HEADING + String.join("\n", rows) + "\n";
    }

    /** A specimen with its faults on the bench. */
    private static final class Scene {
        private final Chassis set;
        private final Setting sound;
        private final Setting broken;
        private final List<Fault> faults;
        private final Simulator engine = new Simulator();

        Scene(Chassis set, List<Fault> faults) {
            this.set = set;
            this.faults = faults;
            this.sound = Setting.of(set.supply().volts()).withTrims(Specimen.of(set, SPECIMEN));
            this.broken = sound.withFaults(faults);
        }

        String row(String[] w) {
            return switch (w[0]) {
                case "volts" ->
                    "volts," + w[1] + "," + volts(w[1], List.of()) + ",,"
                            + set.supply().volts();
                case "lifted" ->
                    "volts," + w[2] + "," + volts(w[2], List.of(Fault.of(w[1], FaultMode.OPEN))) + ",,"
                            + set.supply().volts() + ",,," + w[1];
                case "ohms" -> "ohms," + w[1] + "," + ohms(w[1], w[2]) + "," + w[2];
                case "symptom" -> "symptom," + w[1] + "," + heard(w[1], Optional.empty());
                case "inject" ->
                    "inject," + w[1] + " " + w[2] + ","
                            + heard(w[3], Optional.of(w[1].toLowerCase(Locale.ROOT) + " " + w[2])) + ",,," + w[3];
                case "test" -> "test," + w[1] + "," + (bad(w[1], List.of()) ? "bad" : "good");
                case "bridged" ->
                    "across," + w[1] + "," + (bad(w[1], List.of(FaultMode.OPEN, FaultMode.DRIED)) ? "better" : "same");
                default -> throw new IllegalArgumentException(Arrays.toString(w));
            };
        }

        private boolean bad(String part, List<FaultMode> modes) {
            return faults.stream()
                    .anyMatch(f -> f.part().equals(part) && (modes.isEmpty() || modes.contains(f.mode())));
        }

        private String volts(String point, List<Fault> lifted) {
            List<Fault> all = new ArrayList<>(lifted);
            all.addAll(faults);
            String net = Points.of(set).need(point).net();
            Simulator.PreparedCircuit bench = engine.prepare(set, broken.withFaults(all));
            double free = bench.solve().volts(net).orElse(0);
            return DemoPapers.meter(
                    bench.solveWithMeter(net, METER.ohmsAt(free)).volts(net).orElse(free));
        }

        private String ohms(String a, String b) {
            return DemoPapers.meter(ColdSet.of(set, broken).between(net(a), net(b), TEST));
        }

        private String net(String name) {
            return Simulator.nets(set).contains(name)
                    ? name
                    : Points.of(set).need(name).net();
        }

        private String heard(String band, Optional<String> at) {
            Loudness good = loudness(sound, band).orElseThrow();
            return AudibilityModel.usual(good, loudness(broken, band), at.orElse(good.whole()))
                    .code();
        }

        private Optional<Loudness> loudness(Setting setting, String name) {
            Band band = set.band(name).orElseThrow();
            return Loudness.of(engine, set, setting.withControls(Controls.volume(set, 1)), band);
        }
    }
}
