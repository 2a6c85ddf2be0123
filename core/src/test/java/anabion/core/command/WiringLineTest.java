package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Contact;
import anabion.core.chassis.Part;
import anabion.core.chassis.TestSets;
import anabion.core.chassis.Winding;
import anabion.core.error.InputException;
import anabion.core.format.ListCodec;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class WiringLineTest {
    private final Chassis set = TestSets.audioEnd();

    @Test
    void aResistorKnowsItsValueNetsAndRole() {
        Part p = WiringLine.parse("R20 220k 1/2W V3.a B2 plate load", set);
        assertThat(p.component()).isEqualTo(new Component.Resistor(220e3, 0.2, 0.5));
        assertThat(p.nets()).containsExactly(java.util.Map.entry("1", "V3.7"), java.util.Map.entry("2", "B2"));
        assertThat(p.roleText()).isEqualTo("plate load");
        assertThat(p.printed()).isEqualTo("220k 1/2W");
    }

    @Test
    void aFunctionNamesThePinThatCarriesIt() {
        assertThat(WiringLine.parse("C30 100p V4.g1 CHASSIS", set).nets()).containsEntry("1", "V4.1");
        assertThat(WiringLine.parse("C31 25@25 V4.k CHASSIS", set).nets()).containsEntry("1", "V4.2");
        assertThat(WiringLine.parse("R30 10k V4.g2 B3", set).nets()).containsEntry("1", "B2");
    }

    @Test
    void aTubeBringsItsPinsFromTheLibrary() {
        Part p = WiringLine.parse("V9 6aq5", set);
        assertThat(p.device()).hasValueSatisfying(d -> {
            assertThat(d.type()).isEqualTo("6AQ5");
            assertThat(d.base()).isEqualTo("miniature-7");
            assertThat(d.functions()).containsEntry("6", "g2");
        });
        assertThat(p.nets()).containsEntry("1", "V9.1").hasSize(7);
    }

    @Test
    void anUnknownTypeIsTakenWithoutPins() {
        assertThat(WiringLine.parse("V9 9XY9 1=V9.1", set).nets()).containsOnlyKeys("1");
    }

    @Test
    void aCanHasATerminalForEachSectionAndTheCommonOne() {
        Part p = WiringLine.parse("C40 20+20/350 B1 B2 CHASSIS", set);
        assertThat(p.nets()).hasSize(3);
        assertThat(p.component()).isInstanceOfSatisfying(Component.Capacitor.class, c -> {
            assertThat(c.farads()).hasSize(2);
            assertThat(c.volts()).isEqualTo(350);
        });
    }

    @Test
    void editingAPartKeepsItsIdRoleAndNote() {
        Part before = set.part("R13").orElseThrow();
        Part after = WiringLine.parse("R13 270k V3.7 B2", set);
        assertThat(after.id()).isEqualTo(before.id());
        assertThat(after.roleText()).isEqualTo("plate load");
        assertThat(((Component.Resistor) after.component()).ohms()).isEqualTo(270e3);
    }

    @Test
    void everyPartReadsBackFromItsOwnLine() {
        for (Part p : set.parts()) {
            assertThat(WiringLine.parse(WiringLine.of(p), set))
                    .as(p.reference())
                    .isEqualTo(p);
        }
    }

    @Test
    void thePartsListReadsBackAsTheSameParts() throws Exception {
        StringBuilder csv = new StringBuilder();
        ListCodec.parts(set, csv);
        Chassis again = ListCodec.parts(
                new java.io.StringReader(csv.toString()),
                set.withParts(java.util.List.of()).withStages(java.util.List.of(), java.util.List.of()));
        assertThat(again.parts())
                .usingRecursiveFieldByFieldElementComparatorIgnoringFields("id", "component.windings.id")
                .isEqualTo(set.parts());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "R20 220q V3.7 B2",
                "R20",
                "220k V3.7 B2",
                "R20 220k V8.1 B2",
                "R20 220k V3.9 B2",
                "R20 10mfd V3.7 B2"
            })
    void aLineThatCannotBeReadSaysWhy(String line) {
        assertThatThrownBy(() -> WiringLine.parse(line, set))
                .isInstanceOfSatisfying(
                        InputException.class, e -> assertThat(e.remedy()).isNotBlank());
    }

    @Test
    void looksLikeKnowsALineFromAReading() {
        assertThat(WiringLine.looksLike("R12 220k")).isTrue();
        assertThat(WiringLine.looksLike("V3.7 182")).isFalse();
    }

    @Test
    void terminalsOfAnyPartCanBeNamed() {
        Part s2 = WiringLine.parse("S2 MW/LW 1=A 2=B 3=C band", set);
        assertThat(s2.nets()).containsEntry("1", "A").containsEntry("3", "C");
        assertThat(s2.roleText()).isEqualTo("band");
        assertThat(WiringLine.of(s2)).isEqualTo("S2 MW/LW 1=A 2=B 3=C band");
    }

    @Test
    void windingsAreWrittenEndToEndAndMayShareATap() {
        Part t1 = WiringLine.parse(
                "T9 230 M2>MAINS-N=230V,32R AC1>CHASSIS=240V,190R CHASSIS>AC2=240V,190R H>CHASSIS=6.3V mains transformer",
                set);
        Component.Windings w = (Component.Windings) t1.component();
        assertThat(w.windings()).extracting(Winding::volts).containsExactly(230.0, 240.0, 240.0, 6.3);
        assertThat(w.windings()).extracting(Winding::ohms).containsExactly(32.0, 190.0, 190.0, 0.0);
        assertThat(w.windings().get(1).to())
                .as("the tap")
                .isEqualTo(w.windings().get(2).from());
        assertThat(t1.nets()).hasSize(7).containsEntry("6", "H");
        assertThat(t1.roleText()).isEqualTo("mains transformer");
        assertThat(t1.printed()).isEqualTo("230");
        Part again = WiringLine.parse(WiringLine.of(t1), set.withParts(java.util.List.of(t1)));
        assertThat(again.nets()).isEqualTo(t1.nets());
        assertThat(again.component()).isEqualTo(t1.component());
    }

    @Test
    void contactsSayInWhichPositionsTheyAreClosed() {
        Part s = WiringLine.parse("S9 MW/LW/SW A>B@MW,LW B>C@SW band switch", set);
        Component.Switch k = (Component.Switch) s.component();
        assertThat(k.contacts())
                .extracting(Contact::at)
                .containsExactly(java.util.List.of("MW", "LW"), java.util.List.of("SW"));
        assertThat(s.nets()).hasSize(3);
        assertThat(WiringLine.of(s)).isEqualTo("S9 MW/LW/SW A>B@MW,LW B>C@SW band switch");
        assertThatThrownBy(() -> WiringLine.parse("S9 MW/LW A>B@FM", set)).hasMessageContaining("MW, LW");
        assertThatThrownBy(() -> WiringLine.parse("T9 x A>B=3Q out", set)).hasMessageContaining("240V");
    }

    @Test
    void aLampMayHaveItsCurrent() {
        assertThat(WiringLine.parse("LP9 6.3V/.3A H CHASSIS", set).component()).isEqualTo(new Component.Lamp(6.3, 0.3));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "T9 A>",
                "T9 x >B",
                "T9 x A>B>C",
                "S9 A>B@on",
                "S9 MW/LW 1= 2=B",
                "BT9 12V/abc A B",
                "LP9 6V/ A B"
            })
    void halfAWordIsRefusedAndNotTakenForSomethingElse(String line) {
        assertThatThrownBy(() -> WiringLine.parse(line, set)).isInstanceOf(InputException.class);
    }
}
