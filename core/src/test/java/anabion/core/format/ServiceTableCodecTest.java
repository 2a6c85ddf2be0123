package anabion.core.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.align.AlignmentLine;
import anabion.core.align.AlignmentProcedure;
import anabion.core.align.Indicator;
import anabion.core.chassis.Aim;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.ServiceLine;
import anabion.core.error.InputException;
import anabion.core.job.AlignmentPurpose;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.io.IOException;
import java.io.StringReader;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Alignment tables as makers print them, pasted: three layouts, and what is refused. */
class ServiceTableCodecTest {
    private static final Chassis HALCYON = SharedSets.named("halcyon");
    private static final Chassis BRAE = SharedSets.named("brae");
    private static final Chassis CONCERTO = SharedSets.named("concerto");

    /** With kilocycles, parts instead of letters, and the dial in words. */
    private static final String STEPS =
            """
            Step\tConnect generator to\tDummy antenna\tGenerator frequency\tDial setting\tAdjust\tRemarks
            1\tV1.7\t0.1 mfd\t465 kc\tquiet point, high end\tL4 pri. and sec.\tmaximum output
            2\tV1.7\t0.1 mfd\t465 kc\tquiet point, high end\tL3 (pri, sec)\tstop the oscillator: C4 to chassis
            3\tloop\t1 turn\t1,600 kc\t1,600 kc\tA5\t
            4\tloop\t1 turn\t600 kc\t600 kc, rock gang\tA6\t
            5\tloop\t1 turn\t1,400 kc\t1,400 kc\tA7\t
            """;

    /** Ranges in a column of their own, decimal commas, semicolons. */
    private static final String RANGES =
            """
            Range;Frequency kHz;Pointer;Trimmer;Generator to;via;For
            MW;473;;1, 2, 3, 4;V1.6;100 nF;max
            ;1500;1500;7;AE;200 pF;max
            ;600;600;5;AE;200 pF;max
            ;1500;1500;6;AE;200 pF;max
            LW;"250,5";"250,5";8;AE;200 pF;max
            """;

    /** AM and FM in one, megahertz where they belong, zero and symmetry. */
    private static final String BOTH =
            """
            Band,Signal to,Through,Signal frequency,Set dial to,Turn,Aim,Note
            FM,,1 nF,10.7 MHz,,F1,zero,last of all
            FM,,1 nF,10.7 MHz,,F2 F3,peak,
            FM,,,106 MHz,106,F4,peak,
            MW,,100 nF,460 kHz,,A1 A2,peak,narrow
            MW,,,1.5 MHz,1500 kHz,A5,peak,
            """;

    private static List<ServiceLine> lines(String text, Chassis chassis, String band) {
        try {
            return ServiceTableCodec.lines(
                    new StringReader(text), chassis, chassis.band(band).orElseThrow());
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static AlignmentProcedure procedure(Chassis chassis, List<ServiceLine> lines, String band) {
        Chassis with = chassis.withServiceTable(lines);
        Setting setting = Setting.fed(with).withControls(Controls.volume(with, 1));
        return AlignmentProcedure.of(
                new Simulator(), with, setting, with.band(band).orElseThrow());
    }

    @Test
    void aTableInStepsNamesPartsAndQuietPoints() {
        List<ServiceLine> all = lines(STEPS, HALCYON, "AM");
        assertThat(all).extracting(ServiceLine::hertz).containsExactly(465e3, 465e3, 1.6e6, 600e3, 1.4e6);
        assertThat(all.get(0).adjusters()).containsExactlyInAnyOrder("A1", "A2");
        assertThat(all.get(0).dial()).isEmpty();
        assertThat(all.get(0).note()).isEqualTo("quiet point, high end; maximum output");
        assertThat(all.get(3).rocked()).isTrue();
        assertThat(all.get(3).dial()).contains(600e3);
        AlignmentProcedure p = procedure(HALCYON, all, "AM");
        assertThat(p.printed()).isTrue();
        assertThat(p.lines())
                .extracting(AlignmentLine::purpose)
                .containsExactly(
                        AlignmentPurpose.INTERMEDIATE,
                        AlignmentPurpose.INTERMEDIATE,
                        AlignmentPurpose.OSCILLATOR_HIGH,
                        AlignmentPurpose.OSCILLATOR_LOW,
                        AlignmentPurpose.SIGNAL_HIGH);
        assertThat(p.lines().get(0).level())
                .as("at the pin of the circuit's own line")
                .isPresent();
        assertThat(p.lines().get(1).printed().orElseThrow().note()).contains("stop the oscillator");
        assertThat(p.untold()).isEmpty();
    }

    @Test
    void aTableOfRangesCarriesThemOn() {
        List<ServiceLine> all = lines(RANGES, BRAE, "LW");
        assertThat(all).extracting(ServiceLine::band).containsExactly("MW", "MW", "MW", "MW", "LW");
        assertThat(all.get(4).hertz()).isCloseTo(250.5e3, within(1e-6));
        assertThat(all.get(0).adjusters()).containsExactly("1", "2", "3", "4");
        AlignmentProcedure p = procedure(BRAE, all, "MW");
        assertThat(p.lines()).hasSize(4);
        assertThat(p.lines().get(1).level()).as("at the aerial").isPresent();
        assertThat(procedure(BRAE, all, "LW").lines()).hasSize(1);
    }

    @Test
    void aTableOfBothKindsKeepsMegahertzApart() {
        List<ServiceLine> all = lines(BOTH, CONCERTO, "MW");
        assertThat(all).extracting(ServiceLine::hertz).containsExactly(10.7e6, 10.7e6, 106e6, 460e3, 1.5e6);
        assertThat(all.get(2).dial()).contains(106e6);
        assertThat(all.get(0).aim()).isEqualTo(Aim.ZERO);
        AlignmentProcedure fm = procedure(CONCERTO, all, "FM");
        assertThat(fm.lines()).hasSize(3);
        assertThat(fm.lines().get(0).indicator()).isEqualTo(Indicator.DETECTOR_VOLTS);
        assertThat(procedure(CONCERTO, all, "LW").printed())
                .as("made from the circuit as before")
                .isFalse();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "frequency,adjust\\n465,A9|line 2|A9",
                "frequency,adjust\\nIF,A1|line 2|no frequency",
                "frequency,adjust\\n465|line 2|fields",
                "frequency,colour\\n465,A1|line 1|colour",
                "band,frequency,adjust\\nSW9,465,A1|line 2|no band",
                "frequency,adjust\\n900000000 Hz,A1|line 2|no receiver",
                "frequency,adjust\\n-465,A1|line 2|below zero",
                "adjust,for\\nA1,max|line 1|frequency",
                "frequency,adjust|line 2|no lines"
            })
    void whatCannotBeReadIsRefusedWithItsPlace(String text, String where, String what) {
        assertThatThrownBy(() -> lines(text.replace("\\n", "\n"), HALCYON, "AM"))
                .isInstanceOf(InputException.class)
                .hasMessageContaining(where)
                .hasMessageContaining(what);
    }

    /** A list keeps what it says through the set's file. */
    @Test
    void theTableIsKeptInTheFile() {
        Chassis with = BRAE.withServiceTable(lines(RANGES, BRAE, "MW"));
        assertThat(ChassisCodec.read(ChassisCodec.text(with)).serviceTable()).isEqualTo(with.serviceTable());
        assertThat(ChassisCodec.text(BRAE)).doesNotContain("serviceTable");
        assertThat(Optional.of(with.serviceTable().get(0).dial())).contains(Optional.empty());
    }
}
