package anabion.core.testing;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Identity;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Part;
import anabion.core.chassis.SetKind;
import anabion.core.chassis.Supply;
import anabion.core.command.WiringLine;
import anabion.core.job.Job;
import anabion.core.json.Extra;
import anabion.core.reading.Condition;
import anabion.core.reading.Reading;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;

/** Sets of any size: triode stages in a row on one supply. */
public final class RowOfStages {
    private RowOfStages() {}

    /** With so many parts, from seven on. */
    public static Chassis of(int parts) {
        Chassis set = Chassis.blank(
                UUID.fromString("3a0f2a34-6c0e-4a8e-9d15-55d6c0c8c001"),
                Identity.of("", "Row of stages", SetKind.HOME),
                new Supply(Arrangement.TRANSFORMER, 230, 50, "", Extra.NONE));
        List<String> lines = new ArrayList<>(List.of(
                "S1 off/on MAINS-L M1 mains switch",
                "T1 230 M1>MAINS-N=230V,2R HA>CHASSIS=260V,2R CHASSIS>HB=260V,2R H>CHASSIS=6.3V,0.001R mains transformer",
                "D1 1N4007 HA B1",
                "D2 1N4007 HB B1",
                "C1 470/450 B1 CHASSIS reservoir",
                "R1 10 50W B1 B2 smoothing",
                "C2 470/450 B2 CHASSIS smoothing"));
        int number = 3;
        for (int stage = 1; lines.size() + 6 <= parts; stage++) {
            lines.add("V" + stage + " 6C4 1=A" + stage + " 3=H 4=CHASSIS 6=G" + stage + " 7=K" + stage);
            lines.add("R" + number++ + " 220k A" + stage + " B2 plate load");
            lines.add("R" + number++ + " 2k2 K" + stage + " CHASSIS cathode");
            lines.add("R" + number++ + " 470k G" + stage + " CHASSIS grid leak");
            lines.add("C" + number++ + " .01/400 A" + stage + " G" + (stage + 1) + " coupling to a grid");
            lines.add("C" + number++ + " 25/25 K" + stage + " CHASSIS cathode bypass");
        }
        while (lines.size() < parts) lines.add("R" + number++ + " 1M B2 CHASSIS bleeder");
        List<Part> all = new ArrayList<>();
        for (String line : lines) all.add(WiringLine.parse(line, set));
        return set.withParts(all);
    }

    /** So many readings of its plates and cathodes, a second apart, each point again and again. */
    public static List<Reading> readings(Chassis set, int count) {
        int stages = (int) set.parts().stream().filter(Part::isTube).count();
        Condition now = Condition.of(230, new MeterSpec.Fixed(10e6), "");
        Instant begun = Instant.parse("2026-03-01T08:00:00Z");
        List<Reading> all = new ArrayList<>();
        for (int n = 0; n < count; n++) {
            boolean plate = n / stages % 2 == 0;
            all.add(new Reading(
                    new UUID(5, n),
                    "V" + (n % stages + 1) + (plate ? ".1" : ".7"),
                    set.reference(),
                    Measure.DC_VOLTS,
                    (plate ? 110 : 1.9) * (1 + 0.01 * (n % 7)),
                    false,
                    now,
                    Job.NEW.fitted().id(),
                    begun.plusSeconds(n),
                    Extra.NONE));
        }
        return all;
    }
}
