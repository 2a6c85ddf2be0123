package anabion.cli;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.error.InputException;
import anabion.instruments.simulated.SimulatedBench;
import anabion.workshop.archive.SetArchive;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code bench-sim SET}: a simulated bench on the loopback address. */
@Command(
        name = "bench-sim",
        mixinStandardHelpOptions = true,
        description =
                "Simulate a set with instruments at it, to be spoken to in SCPI on the loopback address until it is ended.")
final class BenchSimCommand implements Callable<Integer> {
    private static final double QUICKEST = 1000;

    @Spec
    private CommandSpec spec;

    @Parameters(index = "0", paramLabel = "SET", description = "chassis file or set archive")
    private Path file;

    @Option(
            names = "--fault",
            paramLabel = "F",
            description = "what is wrong, such as C14:leaky:1M; may be repeated. Without any the seed decides")
    private List<String> faults = new ArrayList<>();

    @Option(names = "--sound", description = "nothing is wrong")
    private boolean sound;

    @Option(
            names = "--seed",
            paramLabel = "N",
            description = "tells one specimen, its fault and its instruments from another (default: ${DEFAULT-VALUE})")
    private long seed = 1;

    @Option(names = "--port", paramLabel = "N", description = "default: any that is free")
    private int port;

    @Option(
            names = "--speed",
            paramLabel = "X",
            description = "seconds of the set in one of the clock (default: ${DEFAULT-VALUE})")
    private double speed = 1;

    @Override
    public Integer call() throws Exception {
        Chassis chassis = SettingOptions.wired(SetArchive.open(file).set().chassis(), spec);
        List<Fault> wrong = faults.stream().map(Fault::parse).toList();
        within("--port", port, 0, 65535);
        within("--speed", speed, 0.01, QUICKEST);
        new SimulatedBench(chassis, wrong, sound, seed, port, speed)
                .run(spec.commandLine().getOut(), Optional.empty());
        return Main.FINE;
    }

    private static void within(String option, double value, double least, double most) {
        if (value >= least && value <= most) return;
        throw InputException.at(option + " "
                        + new java.math.BigDecimal(value).stripTrailingZeros().toPlainString())
                .because("it lies between " + least + " and " + most)
                .so("give another, or leave it out");
    }
}
