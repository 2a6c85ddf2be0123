package anabion.core.testing;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Identity;
import anabion.core.chassis.Part;
import anabion.core.chassis.SetKind;
import anabion.core.chassis.Supply;
import anabion.core.command.BandsLine;
import anabion.core.command.StudyLine;
import anabion.core.command.WiringLine;
import anabion.core.json.Extra;
import anabion.core.typical.TypicalCircuit;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/** Circuits that are no demo set: a first line {@code ! ARRANGEMENT VOLTS HERTZ}, then wiring lines. */
public final class CircuitFixtures {
    /** All that {@link #named(String)} knows. */
    public static final List<String> NAMES = List.of(
            "doubler",
            "capacitor-dropper",
            "car-12-v",
            "car-6-v-synchronous",
            "barretter",
            "regulated",
            "transistors-pnp-positive-earth",
            "transistors-npn-two-cells");

    private CircuitFixtures() {}

    public static Chassis named(String name) {
        return named(name, UnaryOperator.identity());
    }

    /** @param change of the file's text: another reference, another leg for the switch */
    public static Chassis named(String name, UnaryOperator<String> change) {
        return read(change.apply(text("/anabion/circuits/" + name + ".txt")));
    }

    public static Chassis typical(TypicalCircuit t) {
        return typical(t, UnaryOperator.identity());
    }

    public static Chassis typical(TypicalCircuit t, UnaryOperator<String> change) {
        Supply s = t.supply();
        return read("! " + s.arrangement().code() + " " + s.volts() + " " + s.hertz() + "\n"
                + change.apply(text("/anabion/typical/" + t.code() + ".txt")));
    }

    /**
     * A car set whose dial draws cores; its capacitors stay.
     *
     * @param aerial the ends of the aerial coil, in either order
     */
    public static Chassis tunedBySlugs(String aerial) {
        Chassis set = typical(TypicalCircuit.CAR_VIBRATOR, text -> text.lines()
                .map(line -> line.startsWith("L1 ")
                        ? "L1 aerial " + aerial + "=900uH,slug aerial coil"
                        : line.startsWith("L2 ")
                                ? "L2 oscillator OSC>OSCC=260uH,slug OSCC>CHASSIS=6uH oscillator coil"
                                : line.startsWith("C1 ")
                                        ? """
                                        C1 100p AGC CHASSIS aerial trimmer
                                        C41 30p OSC CHASSIS oscillator trimmer
                                        C42 130p OSC CHASSIS oscillator tuning"""
                                        : line)
                .collect(Collectors.joining("\n")));
        return BandsLine.parse(set, set.bands().get(0).name() + " 540-1600");
    }

    private static String text(String resource) {
        try (InputStream in = CircuitFixtures.class.getResourceAsStream(resource)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Chassis read(String text) {
        List<String> lines = new ArrayList<>(
                text.lines().map(String::strip).filter(l -> !l.isEmpty()).toList());
        String[] head = lines.remove(0).split(" ");
        Arrangement arrangement = Arrays.stream(Arrangement.values())
                .filter(a -> a.code().equals(head[1]))
                .findFirst()
                .orElseThrow();
        Supply supply =
                new Supply(arrangement, Double.parseDouble(head[2]), Double.parseDouble(head[3]), "", Extra.NONE);
        Chassis grown = Chassis.blank(new UUID(1, 1), Identity.of("Tarnholt", "Fixture", SetKind.HOME), supply);
        List<String> rest = new ArrayList<>();
        for (String line : lines) {
            if (!WiringLine.looksLike(line)) {
                rest.add(line);
                continue;
            }
            List<Part> parts = new ArrayList<>(grown.parts());
            parts.add(WiringLine.parse(line, grown));
            grown = grown.withParts(parts);
        }
        for (String line : rest) grown = StudyLine.stageOrBand(line, grown);
        return grown;
    }
}
