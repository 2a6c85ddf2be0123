package anabion.instruments.simulated;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.error.InputException;
import anabion.core.format.ChassisCodec;
import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** {@code CHASSIS-FILE CONDITION SPEED}: a simulated bench that ends with its input. The window starts one so; people use {@code bench-sim}. */
public final class Main {
    private static final int BAD_INPUT = 2;
    /** What is wrong with the sets of the demo. */
    private static final String PLANTED = "/anabion/demo/planted.json";

    private Main() {}

    /** @throws IOException if the file cannot be read, or no port is free */
    public static void main(String[] args) throws IOException {
        try {
            Chassis chassis = ChassisCodec.read(Files.readString(Path.of(args[0])));
            boolean seeded = args[1].matches("\\d{1,18}");
            boolean sound = args[1].equals("sound");
            List<Fault> planted = seeded || sound ? List.of() : planted(args[1]);
            long seed = seeded ? Long.parseLong(args[1]) : args[1].hashCode();
            new SimulatedBench(chassis, planted, sound, seed, 0, Double.parseDouble(args[2]))
                    .run(new PrintWriter(System.out, true, StandardCharsets.UTF_8), Optional.of(System.in));
        } catch (InputException e) {
            System.err.println(e.getMessage());
            System.exit(BAD_INPUT);
        }
    }

    private static List<Fault> planted(String set) throws IOException {
        try (InputStream in = Main.class.getResourceAsStream(PLANTED)) {
            if (in == null)
                throw InputException.at(set).because("no demo sets are here").so("give a seed");
            return Fields.of(TreeReader.read(in), PLANTED).strings(set).stream()
                    .map(Fault::parse)
                    .toList();
        }
    }
}
