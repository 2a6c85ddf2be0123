package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.OwnTypes;
import anabion.core.device.DeviceLibrary;
import anabion.core.device.DeviceType;
import anabion.core.device.TypeCodec;
import anabion.core.error.InputException;
import anabion.core.format.ChassisCodec;
import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import anabion.core.json.TreeWriter;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Own types: typed, written, and taken along by the sets that use them. */
class TypeLineTest {
    private final DeviceLibrary shipped = DeviceLibrary.standard();

    private DeviceType find(String name) {
        return shipped.find(name).orElseThrow();
    }

    @Test
    void everyShippedRowSurvivesWritingAndReading() throws IOException {
        for (DeviceType t : shipped.all()) {
            byte[] json = TreeWriter.text(TypeCodec.write(t)).getBytes(StandardCharsets.UTF_8);
            assertThat(TypeCodec.read(Fields.of(TreeReader.read(new ByteArrayInputStream(json)), "")))
                    .isEqualTo(t);
        }
    }

    @Test
    void aLineChangesWhatItNames() {
        DeviceType t = TypeLine.edit(find("6AQ5"), "heater 12,6 0.225");
        assertThat(t.heaterVolts()).isEqualTo(12.6);
        t = TypeLine.edit(t, "point 1 plateMilliamps 40");
        assertThat(t.sections().get(0).points().get(0).plateMilliamps()).isEqualTo(40);
        t = TypeLine.edit(t, "pin 7 nc");
        assertThat(t.functions()).containsEntry("7", "nc");
        t = TypeLine.edit(t, "limit plateWatts 0");
        assertThat(t.limits()).doesNotContainKey("plateWatts");
        t = TypeLine.edit(t, "source my own tester, two specimens");
        assertThat(t.source()).isEqualTo("my own tester, two specimens");
        DeviceType two = TypeLine.edit(find("ECL82"), "P mu 10");
        assertThat(two.section("P").orElseThrow().mu()).isEqualTo(10);
        assertThat(two.section("T").orElseThrow().mu()).isEqualTo(70);
        assertThat(TypeLine.edit(find("OC71"), "gain 33")
                        .semiconductor()
                        .orElseThrow()
                        .gain())
                .isEqualTo(33);
    }

    @ParameterizedTest
    @CsvSource({
        "6AQ5, wings 2, wings",
        "6AQ5, mu many, many",
        "6AQ5, mu, missing",
        "6AQ5, point 9 plate 3, no such point",
        "6AQ5, point 1 plate 0 plateMilliamps 45, no tube has such figures",
        "6AQ5, base cellar, no base",
        "ECL82, mu 18, several systems",
        "OC71, gain -2, above zero",
        "OC71, feedbackPicofarads -8, below zero",
        "OC71, baseOhms -1, below zero",
        "0D3, point 1 plate -150, no tube has such figures",
        "302, point 2 plateMilliamps 0, no tube has such figures",
        "6AL5, drop point 1, D1 or D2"
    })
    void whatCannotBeIsRefusedByName(String type, String line, String said) {
        assertThatThrownBy(() -> TypeLine.edit(find(type), line))
                .isInstanceOf(InputException.class)
                .hasMessageContaining(said);
    }

    @Test
    void aNewTypeResemblesAnotherAndKeepsNoneOfItsOtherNumbers() {
        DeviceType made = TypeLine.like("my-5", find("6AQ5"));
        assertThat(made.name()).isEqualTo("MY-5");
        assertThat(made.also()).isEmpty();
        assertThat(made.sections()).isEqualTo(find("6AQ5").sections());
        assertThatThrownBy(() -> TypeLine.like("?", find("6AQ5"))).isInstanceOf(InputException.class);
    }

    @Test
    void aSetTakesOwnFiguresAlongInItsFileAndIsComputedWithThem() {
        Chassis set = SharedSets.named("halcyon");
        DeviceType weak = TypeLine.edit(find("6AQ5"), "point 1 plateMilliamps 30 screenMilliamps 3 millisiemens 2.8");
        DeviceLibrary own = shipped.with(List.of(weak));
        Chassis dressed = ChassisCodec.read(ChassisCodec.text(OwnTypes.dress(set, shipped, own)));
        assertThat(dressed.part("V4").orElseThrow().device().orElseThrow().known())
                .contains(weak);
        double before = cathode(set);
        assertThat(cathode(dressed)).isLessThan(0.9 * before);
        assertThat(OwnTypes.dress(dressed, own, shipped)).isEqualTo(set);
    }

    @Test
    void pinsThatCameFromTheLibraryFollowItAndThoseEnteredByHandStay() {
        DeviceType turned = TypeLine.edit(TypeLine.edit(find("6AQ5"), "pin 1 nc"), "pin 7 g1");
        DeviceLibrary own = shipped.with(List.of(turned));
        Chassis set = SharedSets.named("halcyon");
        assertThat(OwnTypes.dress(set, shipped, own)
                        .part("V4")
                        .orElseThrow()
                        .device()
                        .orElseThrow()
                        .functions())
                .isEqualTo(turned.functions());
        Chassis typed = set.withParts(List.of(WiringLine.parse("V9 6AQ5", set, own)));
        assertThat(typed.part("V9").orElseThrow().device().orElseThrow().own()).contains(turned);
    }

    private static double cathode(Chassis set) {
        return new Simulator().solve(set, Setting.of(230)).volts("V4.2").orElseThrow();
    }
}
