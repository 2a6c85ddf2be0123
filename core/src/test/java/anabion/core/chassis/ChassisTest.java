package anabion.core.chassis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.error.InputException;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ChassisTest {
    private final Chassis set = TestSets.audioEnd();

    @Test
    void pointsAreFoundByPinFunctionAndNet() {
        Points points = Points.of(set);
        assertThat(points.need("V4.6").net()).isEqualTo("B2");
        assertThat(points.need("v4.G2").label()).isEqualTo("V4.6");
        assertThat(points.need("V4.k").function()).isEqualTo("k+g3");
        assertThat(points.need("b1").net()).isEqualTo("B1");
        assertThat(points.find("V4.8")).isEmpty();
        assertThat(points.nets()).contains("B1", "B2", "CHASSIS", "AVC");
    }

    @Test
    void anUnknownPointNamesWhatThereIs() {
        assertThatThrownBy(() -> Points.of(set).need("V4.9")).hasMessageContaining("V4 has pins 1, 2, 3");
        assertThatThrownBy(() -> Points.of(set).need("B7")).hasMessageContaining("V1, V2, V3");
        assertThatThrownBy(() -> Points.of(TestSets.wired(Arrangement.BATTERY)).need("B7"))
                .hasMessageContaining("Study sheet");
    }

    @Test
    void pinNamesComeApart() {
        assertThat(PinNames.plain("g2+g4H")).containsExactly("g2", "g4");
        assertThat(PinNames.section("g2+g4H")).isEqualTo("H");
        assertThat(PinNames.section("aT2")).isEqualTo("T2");
        assertThat(PinNames.section("h")).isEmpty();
        assertThat(PinNames.isPlate("aT")).isTrue();
        assertThat(PinNames.isPlate("a1")).isTrue();
        assertThat(PinNames.isPlate("nc")).isFalse();
        assertThat(PinNames.isHeater("hm")).isTrue();
        assertThat(PinNames.key("k+g3")).isEqualTo("pin.k");
        assertThat(PinNames.key("d2")).isEqualTo("pin.d");
        assertThat(PinNames.key("")).isEqualTo("pin.other");
    }

    @Test
    void aSiblingIsOfTheSameSection() {
        Chassis c = TestSets.wired(Arrangement.TRANSFORMER, "V1 ECH81", "V2 ECC85");
        Points points = Points.of(c);
        assertThat(PinNames.sibling(points, c.part("V1").orElseThrow(), points.need("V1.6"), "g1"))
                .map(Point::label)
                .contains("V1.2");
        assertThat(PinNames.sibling(points, c.part("V1").orElseThrow(), points.need("V1.8"), "g1"))
                .map(Point::label)
                .contains("V1.9");
        assertThat(PinNames.sibling(points, c.part("V2").orElseThrow(), points.need("V2.1"), "g1"))
                .map(Point::label)
                .contains("V2.2");
    }

    @Test
    void aSoundChassisHasNoFlaws() {
        assertThat(ChassisCheck.flaws(set)).isEmpty();
    }

    @Test
    void doubledReferencesAreFound() {
        List<Part> parts = new ArrayList<>(set.parts());
        parts.add(set.part("R13").orElseThrow());
        assertThat(ChassisCheck.flaws(set.withParts(parts))).singleElement().satisfies(e -> {
            assertThat(e.getMessage()).contains("R13 stands twice");
            assertThat(e.where()).contains("parts[" + (parts.size() - 1) + "].reference");
        });
    }

    @Test
    void unknownNetsStagesBandsAndPointsAreFound() {
        Chassis noTriode = set.withParts(
                set.parts().stream().filter(p -> !p.reference().equals("V3")).toList());
        assertThat(ChassisCheck.flaws(noTriode))
                .extracting(InputException::getMessage)
                .anyMatch(m -> m.contains("net V3.7 is unknown") && m.contains("there is no V3"))
                .anyMatch(m -> m.contains("Audio owns V3"))
                .anyMatch(m -> m.contains("V3.7 is unknown") && m.contains("chart"));
        Chassis noStage = set.withStages(List.of(), set.bands());
        assertThat(ChassisCheck.flaws(noStage))
                .extracting(InputException::getMessage)
                .anyMatch(m -> m.contains("there is no stage Mixer"));
    }

    @Test
    void stagesAreSharedByBands() {
        assertThat(set.owner("C14")).map(Stage::name).contains("Output");
        Set<String> am = Set.copyOf(set.band("AM").orElseThrow().stages());
        assertThat(am).containsAll(set.band("Pick-up").orElseThrow().stages());
    }

    @Test
    void metersAreWrittenAsTheTradeDoes() {
        assertThat(MeterSpec.parse("10M").ohmsAt(200)).isEqualTo(10e6);
        assertThat(MeterSpec.parse("20k/V@250").ohmsAt(3)).isEqualTo(5e6);
        assertThat(MeterSpec.parse("20k/V").ohmsAt(74)).isEqualTo(5e6);
        assertThat(MeterSpec.parse("20k/V").ohmsAt(-8)).isEqualTo(200e3);
        assertThat(MeterSpec.parse("1k/V").ohmsAt(5000)).isEqualTo(1e6);
        assertThat(MeterSpec.parse("20k/V").onRange(50).text()).isEqualTo("20k/V@50");
        assertThat(MeterSpec.parse("10M").onRange(50).text()).isEqualTo("10M");
        for (String text : List.of("10M", "20k/V", "20k/V@250", "1k/V@2.5"))
            assertThat(MeterSpec.parse(text).text()).isEqualTo(text);
        for (String text : List.of("", "volts", "20k/V 250", "0", "20k/V@0")) {
            assertThatThrownBy(() -> MeterSpec.parse(text)).as(text).isInstanceOf(InputException.class);
        }
    }

    @Test
    void renamingAPartReachesEverythingThatNamesIt() {
        Chassis renamed = Renames.part(set, "V4", "V7");
        assertThat(ChassisCheck.flaws(renamed)).isEmpty();
        assertThat(renamed.part("V4")).isEmpty();
        assertThat(renamed.part("V7").orElseThrow().id())
                .isEqualTo(set.part("V4").orElseThrow().id());
        assertThat(renamed.part("C14").orElseThrow().nets()).containsValue("V7.1");
        assertThat(renamed.owner("V7")).map(Stage::name).contains("Output");
        assertThat(renamed.chart().orElseThrow().rows())
                .extracting(ChartRow::point)
                .contains("V7.2")
                .doesNotContain("V4.2");
        assertThat(Renames.part(renamed, "V7", "V4")).isEqualTo(set);
        assertThatThrownBy(() -> Renames.part(set, "V4", "V5")).hasMessageContaining("taken");
        assertThatThrownBy(() -> Renames.part(set, "V99", "V5")).isInstanceOf(InputException.class);
    }
}
