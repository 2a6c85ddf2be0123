package anabion.cli;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.error.InputException;
import anabion.core.signal.CircuitCheck;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.archive.SetArchive;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import picocli.CommandLine.Spec.Target;

/** The set and the condition it is computed in: shared by the commands that ask the engine. */
final class SettingOptions {
    private static final int HIGHEST_LINE = 1_000;

    @Spec(Target.MIXEE)
    private CommandSpec spec;

    @Parameters(index = "0", paramLabel = "SET", description = "chassis file or set archive")
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
    private List<String> controls = new ArrayList<>();

    /** @throws InputException if no circuit is entered yet */
    Chassis chassis() throws IOException {
        return wired(SetArchive.open(file).set().chassis(), spec);
    }

    /**
     * A set whose circuit is entered; what the library does not know of it is said beside the answer.
     *
     * @throws InputException if no circuit is entered yet
     */
    static Chassis wired(Chassis chassis, CommandSpec spec) {
        if (chassis.parts().isEmpty())
            throw InputException.at(chassis.name())
                    .because("no circuit is entered yet")
                    .so("enter its parts and nets first");
        Words words = new Words(Vocabulary.STANDARD);
        for (CircuitCheck.Remark r : CircuitCheck.unknownTypes(chassis))
            spec.commandLine().getErr().println("anabion: " + words.say(r.words()));
        return chassis;
    }

    Path file() {
        return file;
    }

    Setting setting(Chassis chassis) {
        if (!band.isEmpty() && chassis.band(band).isEmpty())
            throw InputException.at("--band " + band)
                    .because("this set has no such band")
                    .so("use one of "
                            + String.join(
                                    ", ",
                                    chassis.bands().stream().map(b -> b.name()).toList()));
        double volts = line != null ? line : chassis.supply().volts();
        if (!(volts >= 0 && volts <= HIGHEST_LINE))
            throw InputException.at("--line")
                    .because("no line has " + volts + " V")
                    .so("give volts from 0 to " + HIGHEST_LINE + ", such as 230");
        Controls set = Controls.of(chassis, controls);
        return new Setting(
                volts,
                band,
                set.pots(),
                set.switches(),
                faults.stream().map(Fault::parse).toList(),
                Map.of(),
                true,
                0,
                0);
    }

    /** The setting with every volume control full up that the command leaves alone. */
    Setting loud(Chassis chassis) {
        Setting setting = setting(chassis);
        Map<String, Double> pots = new LinkedHashMap<>(Controls.volume(chassis, 1));
        pots.putAll(setting.controls());
        return setting.withControls(pots);
    }

    /** The band asked for, or the first. */
    Band band(Chassis chassis) {
        if (chassis.bands().isEmpty())
            throw InputException.at(chassis.name())
                    .because("no band is entered yet")
                    .so("name its stages and a band first");
        return chassis.band(band).orElse(chassis.bands().get(0));
    }

    /** The net of a name: a net as it is, or a pin or function. */
    static String net(Chassis chassis, String name) {
        return Simulator.nets(chassis).contains(name)
                ? name
                : anabion.core.chassis.Points.of(chassis).need(name).net();
    }
}
