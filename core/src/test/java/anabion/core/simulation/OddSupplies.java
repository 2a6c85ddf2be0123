package anabion.core.simulation;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.Provenance;
import anabion.core.chassis.TestSets;
import anabion.core.chassis.Winding;
import anabion.core.json.Extra;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;

/** Supplies that no demo set has. */
public enum OddSupplies {
    BRIDGE(230) {
        @Override
        public Chassis set() {
            return fed(
                    TestSets.wired(
                            Arrangement.TRANSFORMER,
                            "D1 1N4007 1=AC1 2=B1",
                            "D2 1N4007 1=AC2 2=B1",
                            "D3 1N4007 1=CHASSIS 2=AC1",
                            "D4 1N4007 1=CHASSIS 2=AC2",
                            "C1 100@50 B1 CHASSIS reservoir",
                            "R1 1k B1 CHASSIS load"),
                    24);
        }
    },
    /** Capacitor, clamp and rectifier from one side of the line. */
    COMMON_LINE(120) {
        @Override
        public Chassis set() {
            return TestSets.wired(
                    Arrangement.HOT_CHASSIS,
                    "S1 off/on MAINS-N CHASSIS",
                    "R1 22 MAINS-L LINE surge",
                    "C1 50@200 LINE PUMP doubler",
                    "D1 1N4007 1=CHASSIS 2=PUMP",
                    "D2 1N4007 1=PUMP 2=B1",
                    "C2 50@350 B1 CHASSIS reservoir",
                    "R2 4k7 B1 CHASSIS load");
        }
    },
    /** Two reservoirs in series, each filled by its own rectifier. */
    IN_SERIES(230) {
        @Override
        public Chassis set() {
            return fed(
                    TestSets.wired(
                            Arrangement.TRANSFORMER,
                            "D1 1N4007 1=AC1 2=B1",
                            "D2 1N4007 1=CHASSIS 2=AC1",
                            "C1 50@200 B1 AC2 reservoir",
                            "C2 50@200 AC2 CHASSIS reservoir",
                            "R1 10k B1 CHASSIS load"),
                    110);
        }
    },
    VIBRATOR(6.3) {
        @Override
        public Chassis set() {
            return with(
                    TestSets.wired(
                            Arrangement.VIBRATOR,
                            "BT1 6.3 A CHASSIS battery",
                            "S1 off/on 1=CHASSIS 2=P1 3=P2 vibrator",
                            "V1 6X4 1=S1A 6=S2A 7=B1 3=A 4=CHASSIS",
                            "C1 20@350 B1 CHASSIS reservoir",
                            "R1 6k8 B1 CHASSIS load"),
                    wound(
                            Map.of("1", "P1", "2", "A", "3", "P2", "4", "S1A", "5", "CHASSIS", "6", "S2A"),
                            winding("primary", "3", "2", 0.1, 6.3),
                            winding("other half", "2", "1", 0.1, 6.3),
                            winding("high", "4", "5", 150, 230),
                            winding("other high", "5", "6", 150, 230)));
        }
    };

    private final double volts;

    OddSupplies(double volts) {
        this.volts = volts;
    }

    public abstract Chassis set();

    double volts() {
        return volts;
    }

    private static Chassis fed(Chassis chassis, double secondary) {
        return with(
                chassis,
                wound(
                        Map.of("1", "MAINS-L", "2", "MAINS-N", "3", "AC1", "4", "AC2"),
                        winding("primary", "1", "2", 20, 230),
                        winding("secondary", "3", "4", secondary / 10, secondary)));
    }

    static Chassis with(Chassis chassis, Part part) {
        List<Part> parts = new ArrayList<>(chassis.parts());
        parts.add(part);
        return chassis.withParts(parts);
    }

    /** Its nets in the order of their terminals: that of a constant map differs from run to run, and with it the deck. */
    private static Part wound(Map<String, String> nets, Winding... windings) {
        return new Part(
                UUID.randomUUID(),
                "T1",
                new Component.Windings(List.of(windings)),
                new TreeMap<>(nets),
                "mains transformer",
                Optional.empty(),
                "",
                "",
                Provenance.SHEET,
                "",
                Extra.NONE);
    }

    private static Winding winding(String name, String from, String to, double ohms, double volts) {
        return new Winding(UUID.randomUUID(), name, from, to, ohms, 0, volts, Extra.NONE);
    }
}
