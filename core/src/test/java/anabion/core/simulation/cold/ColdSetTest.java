package anabion.core.simulation.cold;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Part;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Many cold readings from one matrix, against each solved for itself. */
class ColdSetTest {
    @ParameterizedTest
    @CsvSource({"halcyon, C10:short", "halcyon, R13:open", "brae, R1:open", "lark, R2:open"})
    void agreesWithTheMeterSolvedAlone(String name, String fault) {
        Chassis set = SharedSets.named(name);
        Setting setting = Setting.of(set.supply().volts()).withFaults(List.of(Fault.parse(fault)));
        ColdSet quick = ColdSet.of(set, setting);
        String reference = set.reference();
        assertThat(quick.quick()).as("junctions are solved pair by pair").isEqualTo(!name.equals("lark"));
        for (String net : Simulator.nets(set)) {
            double alone = ColdOhms.between(set, setting, net, reference, 1.5).ohms();
            assertThat(quick.between(net, reference, 1.5)).as(net).isCloseTo(alone, within(0.01 + 0.005 * alone));
        }
        assertThat(quick.between(reference, reference, 1.5)).isZero();
    }

    /** What a part's tolerance does to the ohms, against the part a little larger. */
    @ParameterizedTest
    @CsvSource({"halcyon, V2.1", "halcyon, V4.1", "brae, AVC", "lark, Q3B", "lark, OBIAS"})
    void aResistorsShareIsWhatItMoves(String name, String net) {
        Chassis set = SharedSets.named(name);
        Setting usual = Setting.of(set.supply().volts());
        String reference = set.reference();
        ColdSet cold = ColdSet.of(set, usual);
        Map<String, Double> shares = cold.shares(net, reference, 1.5);
        double step = 1e-3;
        double most = 0;
        for (Part p : set.parts()) {
            if (!(p.component() instanceof Component.Resistor)) continue;
            double more = ColdSet.of(set, usual.withTrims(Map.of(p.reference(), 1 + step)))
                    .between(net, reference, 1.5);
            double slope = (more / cold.between(net, reference, 1.5) - 1) / step;
            assertThat(shares.getOrDefault(p.reference(), 0.0))
                    .as(p.reference())
                    .isCloseTo(slope, within(3e-3));
            most = Math.max(most, slope);
        }
        assertThat(most).as("some resistor decides what is read here").isGreaterThan(0.1);
        assertThat(cold.shares(net, net, 1.5)).isEmpty();
    }

    /** Where the search for an answer begins makes it quicker, not another one. */
    @ParameterizedTest
    @CsvSource({"R2:open", "Q3:leaky:5k", "C6:short", "R13:drifted:7k"})
    void startingFromALikeSetAnswersTheSame(String fault) {
        Chassis set = SharedSets.named("lark");
        Setting usual = Setting.of(set.supply().volts());
        ColdSet sound = ColdSet.of(set, usual);
        Setting broken = usual.withFaults(List.of(Fault.parse(fault)));
        ColdSet alone = ColdSet.of(set, broken);
        ColdSet like = ColdSet.of(set, broken, 1, Optional.of(sound));
        for (String net : Simulator.nets(set))
            for (String against : List.of("CHASSIS", "NEG2")) {
                sound.between(net, against, 1.5);
                double wanted = alone.between(net, against, 1.5);
                assertThat(like.between(net, against, 1.5)).as(net).isCloseTo(wanted, within(1e-3 + 1e-4 * wanted));
            }
    }

    /** Only what lies over an electrolytic hangs on how long that has lain. */
    @ParameterizedTest
    @CsvSource({"B2, true", "V1.1, false"})
    void electrolyticsThatHaveLainShowWhereTheyStand(String net, boolean over) {
        Chassis set = SharedSets.named("halcyon");
        Setting setting = Setting.of(230);
        double formed = ColdSet.of(set, setting, ColdOhms.FORMED).between(net, "CHASSIS", 1.5);
        double worn = ColdSet.of(set, setting, ColdOhms.WORN).between(net, "CHASSIS", 1.5);
        if (over) assertThat(worn).isLessThan(formed / 10);
        else assertThat(worn).isCloseTo(formed, within(0.01 * formed));
    }
}
