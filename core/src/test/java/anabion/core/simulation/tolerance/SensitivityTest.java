package anabion.core.simulation.tolerance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.Deep;
import anabion.core.testing.SharedSets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What tolerances do to readings, against solving the set anew. */
class SensitivityTest {
    private final Simulator engine = new Simulator();

    private Sensitivity about(Chassis set, Setting at) {
        return Sensitivity.about(engine, set, at, engine.solve(set, at)).orElseThrow();
    }

    private static Setting usual(Chassis set) {
        return Setting.of(set.supply().volts());
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "lark"})
    void everySlopeIsWhatSolvingAnewSays(String name) {
        Chassis set = SharedSets.named(name);
        Sensitivity s = about(set, usual(set));
        for (String part : s.parts()) {
            OperatingPoint up = engine.solve(set, usual(set).withTrims(Map.of(part, 1.01)));
            OperatingPoint down = engine.solve(set, usual(set).withTrims(Map.of(part, 0.99)));
            for (String net : Simulator.nets(set)) {
                double anew = (up.volts(net).orElseThrow() - down.volts(net).orElseThrow()) / 0.02;
                double swing =
                        0.04 * Math.abs(anew) + 0.003 * Math.abs(up.volts(net).orElseThrow()) + 0.01;
                assertThat(s.slope(net, part)).as(part + " on " + net).isCloseTo(anew, within(swing));
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"halcyon,V3.7,V4.2", "halcyon,B2,V1.5", "brae,V3.a,B1", "lark,Q6.e,Q5.c"})
    void spreadAndCorrelationAreThoseOfManySpecimens(String name, String a, String b) {
        Chassis set = SharedSets.named(name);
        String one = anabion.core.chassis.Points.of(set).need(a).net();
        String other = anabion.core.chassis.Points.of(set).need(b).net();
        Sensitivity s = about(set, usual(set));
        Random random = new Random(4);
        List<double[]> found = new ArrayList<>();
        int specimens = Deep.times("specimens of " + name + " whose volts spread", 150, 300);
        for (int n = 0; n < specimens; n++) {
            Map<String, Double> trims = new LinkedHashMap<>();
            for (String p : s.parts()) trims.put(p, 1 + s.spread(p) * Math.max(-2, Math.min(2, random.nextGaussian())));
            OperatingPoint o = engine.solve(set, usual(set).withTrims(trims));
            found.add(new double[] {o.volts(one).orElseThrow(), o.volts(other).orElseThrow()});
        }
        double first = covariance(found, 0, 0);
        double second = covariance(found, 1, 1);
        assertThat(s.deviation(one)).isCloseTo(Math.sqrt(first), within(0.15 * Math.sqrt(first)));
        assertThat(s.deviation(other)).isCloseTo(Math.sqrt(second), within(0.15 * Math.sqrt(second)));
        assertThat(s.covariance(one, other) / (s.deviation(one) * s.deviation(other)))
                .isCloseTo(covariance(found, 0, 1) / Math.sqrt(first * second), within(0.15));
    }

    private static double covariance(List<double[]> all, int i, int j) {
        double mi = all.stream().mapToDouble(x -> x[i]).average().orElseThrow();
        double mj = all.stream().mapToDouble(x -> x[j]).average().orElseThrow();
        return all.stream().mapToDouble(x -> (x[i] - mi) * (x[j] - mj)).sum() / (all.size() - 1);
    }

    @Test
    void highLineLiftsEveryRailTogether() {
        Chassis set = SharedSets.named("halcyon");
        Sensitivity s = about(set, usual(set));
        double b1 = s.slope("B1", Setting.LINE)
                / engine.solve(set, usual(set)).volts("B1").orElseThrow();
        double b2 = s.slope("B2", Setting.LINE)
                / engine.solve(set, usual(set)).volts("B2").orElseThrow();
        assertThat(b1).isCloseTo(1, within(0.2));
        assertThat(b2).isCloseTo(b1, within(0.05));
        assertThat(s.slope("CHASSIS", Setting.LINE)).isZero();
    }
}
