package anabion.benchmarks.alignment;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Identity;
import anabion.core.chassis.SetKind;
import anabion.core.command.AdjusterLine;
import anabion.core.command.WiringLine;
import anabion.core.format.ListCodec;
import anabion.core.json.Extra;
import anabion.core.typical.TypicalCircuit;
import java.util.List;
import java.util.OptionalInt;
import java.util.UUID;

/** Sets that are no sets of the demo: typical circuits of which somebody has entered the adjusters. */
final class Fixtures {
    private Fixtures() {}

    /** A table set of the series kind, with padder and trimmers. */
    static Chassis tubes() {
        return set(
                TypicalCircuit.HOT_CHASSIS,
                List.of("C92 30p AGC CHASSIS aerial trimmer"),
                "A1 L4 top secondary core",
                "A2 L4 bottom primary core",
                "A3 L3 top secondary core",
                "A4 L3 bottom primary core",
                "A5 C91 top oscillator trimmer",
                "A6 C90 top padder",
                "A7 C92 top aerial trimmer");
    }

    /** A portable with transistors: single tuned cans, a rod, a gang with plates cut for tracking. */
    static Chassis transistors() {
        return set(
                TypicalCircuit.SEVEN_TRANSISTOR,
                List.of("C93 15p OSC CHASSIS oscillator trimmer"),
                "A1 L5 top primary core",
                "A2 L4 top primary core",
                "A3 L3 top primary core",
                "A4 L2 top primary core",
                "A5 C93 top oscillator trimmer",
                "A6 C2 top aerial trimmer");
    }

    private static Chassis set(TypicalCircuit circuit, List<String> parts, String... adjusters) {
        Identity identity =
                new Identity("Typical", circuit.code(), "", "", OptionalInt.empty(), "", SetKind.HOME, Extra.NONE);
        Chassis c = circuit.into(Chassis.blank(new UUID(1, circuit.ordinal()), identity, circuit.supply()));
        for (String p : parts) c = ListCodec.withPart(c, WiringLine.parse(p, c));
        for (String a : adjusters) c = AdjusterLine.put(a, c);
        return c;
    }
}
