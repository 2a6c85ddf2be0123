package anabion.core.chassis;

import anabion.core.command.StudyLine;
import anabion.core.command.WiringLine;
import anabion.core.format.ListCodec;
import anabion.core.json.Extra;
import java.util.List;
import java.util.UUID;

/** Small sets for tests, typed in as wiring lines as a user would. */
public final class TestSets {
    private TestSets() {}

    /** A chassis from wiring lines. */
    public static Chassis wired(Arrangement arrangement, String... lines) {
        Chassis chassis = Chassis.blank(
                UUID.fromString("00000000-0000-4000-8000-000000000001"),
                Identity.of("Ostelle", "Test piece", SetKind.HOME),
                new Supply(arrangement, 230, 50, "", Extra.NONE));
        for (String line : lines) chassis = ListCodec.withPart(chassis, WiringLine.parse(line, chassis));
        return chassis;
    }

    /** The audio end of a set: triode, coupling capacitor, output tube, rectifier; with stages, two bands and a chart. */
    public static Chassis audioEnd(Arrangement arrangement) {
        Chassis c = wired(
                arrangement,
                "V1 6BE6",
                "V2 6BD6",
                "V3 6AT6 2=CHASSIS",
                "V4 6AQ5 7=V4.1 6=B2",
                "V5 6X4 7=B1",
                "R1 22k V1.1 CHASSIS oscillator grid leak",
                "C3 50p V1.1 OSC oscillator grid capacitor",
                "L2 110uH OSC CHASSIS oscillator coil",
                "R7 33k V2.6 B2 screen feed",
                "C10 47n/400 V2.6 CHASSIS screen bypass",
                "R8 220 V2.7 CHASSIS cathode",
                "C11 47n/200 V2.7 CHASSIS cathode bypass",
                "L3 1mH V2.5 B2 IF primary",
                "R11 2M2 V2.1 AVC AVC filter",
                "C4 47n/200 AVC CHASSIS AVC filter",
                "R13 220k V3.7 B2 plate load",
                "C14 10n/400 V3.7 V4.1 coupling to a grid",
                "R15 470k V4.1 CHASSIS grid leak",
                "R16 270 V4.2 CHASSIS cathode",
                "C23 25@25 V4.2 CHASSIS cathode bypass",
                "L4 14H V4.5 B1 output primary",
                "R18 1k B1 B2 smoothing",
                "C18 16@350 B1 CHASSIS reservoir");
        c = StudyLine.stageOrBand("Mixer: V1 R1 C3 L2", c);
        c = StudyLine.stageOrBand("IF: V2 R7 C10 R8 C11 L3", c);
        c = StudyLine.stageOrBand("Audio: V3 R13", c);
        c = StudyLine.stageOrBand("Output: V4 C14 R15 R16 C23 L4", c);
        c = StudyLine.stageOrBand("supply Rectifier: V5 C18 @V5.7", c);
        c = StudyLine.stageOrBand("AM = Mixer, IF, Audio, Output", c);
        c = StudyLine.stageOrBand("Pick-up = Audio, Output", c);
        for (String row : List.of(
                "V1.1 -8.5 22k",
                "V2.5 220",
                "V2.6 105 17k",
                "V2.7 2.8",
                "V2.1 -0.7 fixed",
                "V3.7 80 52k",
                "V4.5 236",
                "V4.6 221",
                "V4.1 0 470k",
                "V4.2 11",
                "V5.7 248",
                "V5.1 230~")) {
            c = StudyLine.chartRow(row, c);
        }
        c = StudyLine.chartLine("chart-line 220", c);
        return StudyLine.chartLine("chart-tolerance 10%", c);
    }

    public static Chassis audioEnd() {
        return audioEnd(Arrangement.TRANSFORMER);
    }
}
