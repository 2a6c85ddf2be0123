package anabion.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Identity;
import anabion.core.chassis.Provenance;
import anabion.core.chassis.SetKind;
import anabion.core.chassis.TestSets;
import anabion.core.command.WiringLine;
import anabion.core.error.InputException;
import anabion.core.format.ListCodec;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.typical.TypicalCircuit;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Circuits to start from, and what is noticed about one while it is entered. */
class TypicalCircuitTest {
    private static Chassis started(TypicalCircuit t) {
        Chassis blank = Chassis.blank(
                UUID.randomUUID(), Identity.of("Ostelle", "Trial", SetKind.HOME), TypicalCircuit.FIVE_TUBE.supply());
        return t.into(blank);
    }

    @ParameterizedTest
    @EnumSource(TypicalCircuit.class)
    void everyOneWorksAndIsMarkedAsInferred(TypicalCircuit t) {
        Chassis set = started(t);
        assertThat(set.parts()).isNotEmpty().allSatisfy(p -> assertThat(p.provenance())
                .isEqualTo(Provenance.INFERRED));
        assertThat(set.supply()).isEqualTo(t.supply());
        assertThat(CircuitCheck.of(set)).isEmpty();
        Setting loud = Setting.of(set.supply().volts()).withControls(Controls.volume(set, 1));
        Gains g = Gains.of(new Simulator(), set, loud, set.bands().get(0)).orElseThrow();
        assertThat(g.gains()).hasSizeGreaterThan(2);
        assertThat(TypicalCircuit.named(t.code())).contains(t);
    }

    @Test
    void whatIsTypedAnewIsNoGuessAnyMore() {
        Chassis set = started(TypicalCircuit.FIVE_TUBE);
        Chassis measured = ListCodec.withPart(set, WiringLine.parse("R13 270k V3.7 B2 plate load", set));
        assertThat(measured.part("R13").orElseThrow().provenance()).isEqualTo(Provenance.SHEET);
        assertThat(measured.part("R12").orElseThrow().provenance()).isEqualTo(Provenance.INFERRED);
    }

    @Test
    void aSetThatHasPartsIsNotOverwritten() {
        Chassis set = TestSets.audioEnd();
        assertThatThrownBy(() -> TypicalCircuit.FIVE_TUBE.into(set))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("parts already");
    }

    private static Chassis with(Chassis set, String line) {
        return ListCodec.withPart(set, WiringLine.parse(line, set));
    }

    private static java.util.List<String> remarks(Chassis set) {
        return CircuitCheck.of(set).stream()
                .map(r -> r.words().key() + " " + r.where())
                .toList();
    }

    @Test
    void anEndInTheAirAGridWithoutReturnAndABurningPartAreNoticed() {
        Chassis set = started(TypicalCircuit.FIVE_TUBE);
        assertThat(remarks(with(set, "C14 .01/400 V3.7 NOWHERE coupling to a grid")))
                .containsExactly("check.floating NOWHERE", "check.deaf Audio");
        assertThat(remarks(with(set, "R15 470k V3.7 CHASSIS grid leak"))).contains("check.no-path V4.1");
        assertThat(remarks(with(set, "R16 10 1W V4.2 CHASSIS cathode")))
                .anyMatch(r -> r.startsWith("check.overload") && r.endsWith("V4"));
        assertThat(remarks(with(set, "T1 220 M2>MAINS-N=230V,32R H>CHASSIS=6.3V,0.1R mains transformer")))
                .isNotEmpty();
    }

    @Test
    void withoutASupplyThatIsAllThatIsSaid() {
        Chassis bare = TestSets.wired(anabion.core.chassis.Arrangement.TRANSFORMER, "R1 1k A B", "R2 1k A B");
        assertThat(remarks(bare)).containsExactly("check.no-supply ");
    }
}
