package anabion.cli;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.engine.Engine;
import anabion.core.engine.Setting;
import anabion.core.input.BadInput;
import anabion.workshop.archive.SetArchive;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** The set and the condition it is computed in: shared by the commands that ask the engine. */
final class SettingOptions {
    @Parameters(index = "0", paramLabel = "CHASSIS", description = "chassis file or set archive")
    private Path file;

    @Option(names = "--line", paramLabel = "V", description = "mains or battery volts; default: the set's own")
    private Double line;

    @Option(names = "--band", paramLabel = "B", description = "band or function; default: the first")
    private String band = "";

    @Option(names = "--fault", paramLabel = "F", description = "a fault, such as C14:leaky:1M; may be repeated")
    private List<String> faults = new ArrayList<>();

    @Option(
            names = "--set",
            paramLabel = "POT=0.3",
            description = "a control's setting from 0 to 1, or a switch's position; may be repeated")
    private Map<String, String> controls = new LinkedHashMap<>();

    Chassis chassis() throws IOException {
        return SetArchive.open(file).set().chassis();
    }

    Path file() {
        return file;
    }

    Setting setting(Chassis chassis) {
        if (!band.isEmpty() && chassis.band(band).isEmpty())
            throw BadInput.at("--band " + band)
                    .because("this set has no such band")
                    .so("use one of "
                            + String.join(
                                    ", ",
                                    chassis.bands().stream().map(b -> b.name()).toList()));
        double volts = line != null ? line : chassis.supply().volts();
        if (!(volts >= 0))
            throw BadInput.at("--line").because("a line has no " + volts + " V").so("give volts, such as 230");
        Map<String, Double> pots = new LinkedHashMap<>();
        Map<String, String> switches = new LinkedHashMap<>();
        controls.forEach((ref, value) -> sort(chassis, ref, value, pots, switches));
        return new Setting(
                volts, band, pots, switches, faults.stream().map(Fault::parse).toList(), Map.of(), true);
    }

    private static void sort(
            Chassis chassis, String ref, String value, Map<String, Double> pots, Map<String, String> switches) {
        Component part = chassis.part(ref)
                .orElseThrow(() -> BadInput.at("--set " + ref)
                        .because("there is no such part")
                        .so("name a potentiometer or switch"))
                .component();
        if (part instanceof Component.Switch) switches.put(ref, value);
        else if (part instanceof Component.Potentiometer) pots.put(ref, share(ref, value));
        else throw BadInput.at("--set " + ref).because("it cannot be set").so("name a potentiometer or switch");
    }

    private static double share(String ref, String value) {
        try {
            double share = Double.parseDouble(value);
            if (share >= 0 && share <= 1) return share;
        } catch (NumberFormatException e) {
            // said below
        }
        throw BadInput.at("--set " + ref + "=" + value)
                .because("a control stands between 0 and 1")
                .so("write it like " + ref + "=0.3");
    }

    /** The net of a name: a net as it is, or a pin or function. */
    static String net(Chassis chassis, String name) {
        return Engine.nets(chassis).contains(name)
                ? name
                : anabion.core.chassis.Points.of(chassis).need(name).net();
    }
}
