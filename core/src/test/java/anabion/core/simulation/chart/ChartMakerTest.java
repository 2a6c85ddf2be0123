package anabion.core.simulation.chart;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.TestSets;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.tolerance.Specimen;
import anabion.core.testing.SharedSets;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ChartMakerTest {
    @ParameterizedTest
    @CsvSource({"231.4,231", "19.96,20", "20.4,20", "9.87,9.9", "-8.449,-8.4", "1.234,1.23", "-0.756,-0.76", "0.001,0"})
    void valuesAreRoundedAsChartsPrintThem(double volts, double printed) {
        assertThat(ChartMaker.printed(volts)).isEqualTo(printed);
    }

    @Test
    void aChartIsThatOfItsOwnMeterAndLine() {
        Chassis set = SharedSets.named("halcyon");
        Chart chart = ChartMaker.of(set, Map.of());
        double plate = row(chart, "V3.7").value();
        double grid = row(chart, "V4.1").value();
        assertThat(plate)
                .isLessThan(new Simulator()
                        .solve(set, Setting.of(220).withControls(Map.of("RV1", 0.0)))
                        .volts("V3.7")
                        .orElseThrow());
        assertThat(row(chart, "V3.7").sourceOhms().orElseThrow()).isBetween(30e3, 70e3);
        assertThat(grid).isBetween(-0.1, 0.1);
        assertThat(chart.provisional()).isFalse();
    }

    @Test
    void aSpecimenStaysWithinItsPartsTolerances() {
        Chassis set = SharedSets.named("halcyon");
        for (long seed = 0; seed < 30; seed++) {
            Map<String, Double> trims = Specimen.of(set, seed);
            assertThat(trims).isEqualTo(Specimen.of(set, seed));
            set.parts().forEach(p -> {
                if (p.component() instanceof Component.Resistor r)
                    assertThat(trims.get(p.reference())).isBetween(1 - r.tolerance(), 1 + r.tolerance());
            });
        }
        assertThat(Specimen.of(set, 1)).isNotEqualTo(Specimen.of(set, 2));
    }

    @Test
    void aSetWithoutAChartHasNoneToFill() {
        Chassis bare = TestSets.wired(Arrangement.TRANSFORMER, "R1 1k A B");
        assertThatThrownBy(() -> ChartMaker.of(bare, Map.of())).hasMessageContaining("chart");
    }

    private static ChartRow row(Chart chart, String point) {
        return chart.rows().stream()
                .filter(r -> r.point().equals(point))
                .findFirst()
                .orElseThrow();
    }
}
