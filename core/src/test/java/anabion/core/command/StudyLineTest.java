package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Measure;
import anabion.core.chassis.TestSets;
import anabion.core.error.InputException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class StudyLineTest {
    private final Chassis set = TestSets.audioEnd();

    private ChartRow row(Chassis c, String point) {
        return c.chart().orElseThrow().rows().stream()
                .filter(r -> r.point().equals(point))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aChartRowTakesItsExtrasInAnyOrder() {
        ChartRow row = row(StudyLine.chartRow("v4.k 12.5 fixed 270 15%", set), "V4.2");
        assertThat(row.value()).isEqualTo(12.5);
        assertThat(row.sourceOhms()).hasValue(270);
        assertThat(row.tolerance()).hasValue(0.15);
        assertThat(row.followsLine()).isFalse();
        assertThat(row(StudyLine.chartRow("V4.3 6.3~", set), "V4.3").measure()).isEqualTo(Measure.AC_VOLTS);
    }

    @Test
    void chartingAPointAgainReplacesItsRowAndKeepsItsId() {
        Chassis again = StudyLine.chartRow("V4.2 13", set);
        assertThat(again.chart().orElseThrow().rows())
                .hasSameSizeAs(set.chart().orElseThrow().rows());
        assertThat(row(again, "V4.2").id()).isEqualTo(row(set, "V4.2").id());
    }

    @Test
    void conditionsAreSetOneByOne() {
        Chart chart = StudyLine.chartLine("chart-meter 1k/V", StudyLine.chartLine("chart-source from the lid", set))
                .chart()
                .orElseThrow();
        assertThat(chart.conditions().meter()).isEqualTo("1k/V");
        assertThat(chart.conditions().line()).isEqualTo(220);
        assertThat(chart.source()).isEqualTo("from the lid");
        assertThat(chart.tolerance()).isEqualTo(0.1);
    }

    @Test
    void stagesAndBandsAreTyped() {
        Chassis c = StudyLine.stageOrBand("Output: V4 c14 @V4.5", set);
        assertThat(c.stage("Output").orElseThrow().parts()).containsExactly("V4", "C14");
        assertThat(c.stage("Output").orElseThrow().point()).isEqualTo("V4.5");
        Chassis band = StudyLine.stageOrBand("FM = IF, Audio", c);
        assertThat(band.band("FM").orElseThrow().stages()).containsExactly("IF", "Audio");
        assertThat(StudyLine.stageOrBand("FM = IF", band)
                        .band("FM")
                        .orElseThrow()
                        .id())
                .isEqualTo(band.band("FM").orElseThrow().id());
    }

    @Test
    void whatIsDroppedLeavesNothingBehind() {
        Chassis c = StudyLine.drop("r13", set);
        assertThat(c.part("R13")).isEmpty();
        assertThat(c.stage("Audio").orElseThrow().parts()).containsExactly("V3");
        assertThat(StudyLine.drop("Mixer", set).band("AM").orElseThrow().stages())
                .doesNotContain("Mixer");
        assertThat(StudyLine.drop("V4.2", set).chart().orElseThrow().rows())
                .extracting(ChartRow::point)
                .doesNotContain("V4.2");
    }

    @Test
    void aTubeThatOthersHangOnIsNotDropped() {
        assertThatThrownBy(() -> StudyLine.drop("V4", set)).isInstanceOf(InputException.class);
    }

    @ParameterizedTest
    @ValueSource(strings = {"V4.2", "V4.2 x", "V9.1 12", "V4.2 1,000"})
    void badChartRowsAreRefused(String line) {
        assertThatThrownBy(() -> StudyLine.chartRow(line, set)).isInstanceOf(InputException.class);
    }

    @ParameterizedTest
    @ValueSource(strings = {"Output V4", "Output: V9", "AM = Nowhere", "Output: @V9.1"})
    void badStagesAreRefused(String line) {
        assertThatThrownBy(() -> StudyLine.stageOrBand(line, set)).isInstanceOf(InputException.class);
    }

    @Test
    void aDrawingAndAListAreJoined() {
        Chassis drawing = set.withParts(set.parts().stream()
                .map(p -> p.reference().equals("R13") || p.reference().equals("R15")
                        ? p.withValue(new Component.Resistor(0, 0.2, 0), "")
                        : p)
                .toList());
        ValueList.Report report = ValueList.join(
                drawing,
                List.of(
                        new ValueList.Listed("R13", "220k", ""),
                        new ValueList.Listed("R16", "330", ""),
                        new ValueList.Listed("C99", "10n", ""),
                        new ValueList.Listed("R8", "220", ""),
                        new ValueList.Listed("R8", "270", ""),
                        new ValueList.Listed("R18", "1q", "")));
        assertThat(report.clean()).isFalse();
        assertThat(report.missing()).containsExactly("R15");
        assertThat(report.unplaced()).containsExactly("C99");
        assertThat(report.doubled()).containsExactly("R8");
        assertThat(report.contradictory()).containsExactly(new ValueList.Contradiction("R16", "270", "330"));
        assertThat(report.unreadable()).singleElement().satisfies(e -> assertThat(e.where())
                .contains("R18"));
        Chassis joined = drawing.withParts(report.parts());
        assertThat(joined.part("R13").orElseThrow().component()).isEqualTo(new Component.Resistor(220e3, 0.2, 0));
        assertThat(joined.part("R13").orElseThrow().nets())
                .isEqualTo(set.part("R13").orElseThrow().nets());
        assertThat(joined.part("R16").orElseThrow().printed()).isEqualTo("270");
    }

    @Test
    void aListThatAgreesIsClean() {
        List<ValueList.Listed> rows = set.parts().stream()
                .map(p -> new ValueList.Listed(p.reference(), p.printed(), ""))
                .toList();
        ValueList.Report report = ValueList.join(set, rows);
        assertThat(report.clean()).isTrue();
        assertThat(report.parts()).isEqualTo(set.parts());
    }
}
