package anabion.cli;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.format.ChassisCodec;
import anabion.core.format.ReadingCodec;
import anabion.core.testing.Deep;
import anabion.core.typical.TypicalCircuit;
import anabion.workshop.SetRecord;
import anabion.workshop.archive.SetArchive;
import anabion.workshop.demo.DemoWorkshop;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Damaged files are refused with a reason, or taken; what is called sound does not fail later. Each is read by {@code validate} and by one
 * other command, all in one process. Those that once failed are kept in the resources and tried in every run.
 */
class MutatedInputsTest extends Headless {
    private static final Path KEPT = Path.of("src/test/resources/inputs");
    private static final Path FOUND = Path.of("target/failed-inputs");
    /** Of processor time, so that other work on the machine does not count. */
    private static final double MOST_SECONDS = 8;

    private static final List<String> ODD_POINTS =
            List.of("V1.1", "V1.a", "B1", "CHASSIS", "", " ", "V1.99", "..", "R1", "\u0000", "=x", "İ", "V1.1@3", "-1");
    private static final List<String> ODD_NUMBERS = List.of(
            "0", "-1", "230", "1e999", "NaN", "1e-300", "0x10", "12d", "1,000", "9".repeat(500), "", "Infinity");

    private static final Path EVIDENCE = KEPT.resolve("base/evidence.csv");
    /** The faults of a whole receiver take longer to weigh than this test has. */
    private static final int SMALL = 12_000;

    @TempDir
    Path folder;

    private final List<String> failures = new ArrayList<>();

    private byte[] bytes(Chassis chassis) {
        return ChassisCodec.text(chassis).getBytes(StandardCharsets.UTF_8);
    }

    /** Sets without a demo's name: a small one, which most are made of, and the circuits that people start from. */
    private List<byte[]> chassis() throws IOException {
        byte[] small = Files.readAllBytes(KEPT.resolve("base/one-tube.json"));
        List<byte[]> all = new ArrayList<>();
        for (int n = 0; n < 24; n++) all.add(small);
        for (TypicalCircuit t : TypicalCircuit.values())
            all.add(bytes(t.into(
                    ChassisCodec.read(new java.io.ByteArrayInputStream(small)).withParts(List.of()))));
        return all;
    }

    private static byte[] archive(SetRecord set) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        SetArchive.write(set, p -> Path.of("none"), out);
        return out.toByteArray();
    }

    private void holds(Path input, List<Object> words) throws IOException {
        int code = run(words.toArray());
        if (code >= 0 && code <= 2 && seconds() < MOST_SECONDS) return;
        Files.createDirectories(FOUND);
        Path copy = FOUND.resolve(failures.size() + "-" + words.get(0) + "-" + input.getFileName());
        Files.copy(input, copy, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
        failures.add(words + " on " + copy + ": exit " + code + " after " + Math.round(seconds()) + " s: "
                + err.lines().limit(3).toList());
    }

    private static boolean isSmall(Path chassis) throws IOException {
        return Files.size(chassis) < SMALL;
    }

    private static <T> T one(List<T> all, Random random) {
        return all.get(random.nextInt(all.size()));
    }

    /** A command that reads a chassis, with usual and odd words. */
    private List<Object> command(Path chassis, Random random) throws IOException {
        String number = one(ODD_NUMBERS, random);
        String point = one(ODD_POINTS, random);
        Path out = folder.resolve("out");
        return new ArrayList<>(
                switch (random.nextInt(isSmall(chassis) ? 22 : 16)) {
                    case 0 -> List.<Object>of("solve", chassis);
                    case 1 -> List.<Object>of("solve", chassis, "--line", number);
                    case 2 -> List.<Object>of("solve", chassis, "--fault", point + ":leaky:" + number);
                    case 3 -> List.<Object>of("solve", chassis, "--set", point + "=" + number, "--meter", number);
                    case 4 -> List.<Object>of("ohms", chassis, point, one(ODD_POINTS, random));
                    case 5 -> List.<Object>of("gains", chassis);
                    case 6 -> List.<Object>of("gains", chassis, "--band", point, "--fault", "V1:dead");
                    case 7 -> List.<Object>of("spread", chassis, "--meter", number);
                    case 8 -> List.<Object>of("supply", chassis, "--lamp", number, "--steps", number);
                    case 9 -> List.<Object>of("recap", chassis, "--json");
                    case 10 -> List.<Object>of("recap", chassis, "--policy", point);
                    case 11 -> List.<Object>of("export", chassis, "--to", "html", "--force", "--out", out);
                    case 12 -> List.<Object>of("export", chassis, "--to", "deck", "--force", "--out", out);
                    case 13 ->
                        List.<Object>of(
                                "export", chassis, "--to", "deck-tran", "--force", "--out", out, "--line", number);
                    case 14 ->
                        List.<Object>of("export", chassis, "--to", "deck-ac", "--force", "--out", out, "--at", point);
                    case 16 -> List.<Object>of("diagnose", chassis, "--evidence", EVIDENCE);
                    case 17 -> List.<Object>of("next", chassis, "--evidence", EVIDENCE);
                    case 18 -> List.<Object>of("power", chassis, "--lamp", number);
                    case 19 -> List.<Object>of("align", chassis);
                    case 20 -> List.<Object>of("track", chassis, "--points", number + ":" + one(ODD_NUMBERS, random));
                    case 21 -> List.<Object>of("response", chassis, "--at", point);
                    default -> List.<Object>of("export", chassis, "--to", "csv", "--force", "--out", out);
                });
    }

    /** Twenty thousand take six minutes; the plain run's two hundred some seconds. */
    @Test
    void damagedFilesAreRefusedOrTakenAndNeverFail() throws IOException {
        int times = Deep.times("damaged input files", 120, 20_000);
        List<byte[]> chassis = chassis();
        byte[] archive = archive(DemoWorkshop.set("moor"));
        StringBuilder csv = new StringBuilder();
        ReadingCodec.csv(DemoWorkshop.set("halcyon").readings(), csv);
        byte[] readings = csv.toString().getBytes(StandardCharsets.UTF_8);
        byte[] evidence = Files.readAllBytes(EVIDENCE);
        byte[] stock = Files.readAllBytes(KEPT.resolve("base/stock.csv"));
        Path small = KEPT.resolve("base/one-tube.json");
        Path halcyon = folder.resolve("halcyon.json");
        Files.write(halcyon, bytes(DemoWorkshop.chassis("halcyon")));
        int taken = 0;
        for (int n = 0; n < times; n++) {
            Mutations mutations = new Mutations(n);
            Random random = new Random(n);
            Path input = folder.resolve(n % 10 == 6 ? "input.csv" : "input.json");
            switch (n % 10) {
                case 6 -> Files.write(input, mutations.table(one(List.of(readings, evidence, stock), random)));
                case 7 -> Files.write(input, mutations.archive(archive));
                default -> Files.write(input, mutations.json(one(chassis, random)));
            }
            if (n % 10 == 6) {
                holds(
                        input,
                        one(
                                List.of(
                                        List.of("compare", halcyon, "--readings", input),
                                        List.of("diagnose", small, "--evidence", input),
                                        List.of("next", small, "--evidence", input),
                                        List.of("recap", small, "--stock", input)),
                                random));
                continue;
            }
            holds(input, List.of("validate", input));
            if (out.contains("sound")) taken++;
            holds(input, command(input, random));
        }
        assertThat(failures).isEmpty();
        assertThat(taken)
                .as("some must be sound, or the later commands see nothing")
                .isBetween(times / 50, times / 2);
    }

    @Test
    void whatOnceFailedIsStillRefusedOrTaken() throws IOException {
        int commands = Deep.times("commands on each input that once failed", 8, 64);
        try (Stream<Path> all = Files.list(KEPT)) {
            for (Path input : all.filter(Files::isRegularFile).sorted().toList()) {
                holds(input, List.of("validate", input));
                for (int n = 0; n < commands; n++) holds(input, command(input, new Random(n)));
            }
        }
        assertThat(failures).isEmpty();
    }
}
