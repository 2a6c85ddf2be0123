package anabion.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Chassis;
import anabion.core.command.PowerRequest;
import anabion.core.error.InputException;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.SharedSets;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.core.typical.TypicalCircuit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The expected figures are worked out by hand from the sets' own heaters and rails. */
class SumTest {
    private static final Words WORDS = new Words(Vocabulary.STANDARD);

    private static String said(Chassis set, String line) {
        PowerModel model = PowerModel.sound(set);
        PowerRequest.Reckon r = (PowerRequest.Reckon) PowerRequest.parse(line, model.nominal(), w -> false, true);
        return WORDS.say(r.sum().answer(set, model));
    }

    /** UCH42 14 V, UF41 12.6 V, UBC41 14 V, UL41 45 V, UY41 31 V: 116.6 V at 0.1 A leave 113.4 V on 230 V. */
    @Test
    void aHeaterChainWantsItsDropper() {
        assertThat(said(SharedSets.named("brae"), "heaters 230 V"))
                .contains("117 V at 100 mA", "1.13 kΩ", "11 W")
                .doesNotContain("power.");
    }

    /** Cold, 1166 Ω of heaters are some 180 Ω: 230 V over 1310 Ω. The line above the dropper's own raises them by as much. */
    @Test
    void aColdChainDrawsMoreAndAnotherLineHasItsExcess() {
        assertThat(said(SharedSets.named("brae"), "heaters"))
                .contains("Cold, it all draws 180 mA")
                .doesNotContain("With the dropper");
        assertThat(said(SharedSets.named("brae"), "heaters 240")).contains("With the dropper for 230 V", "+4.3 %");
        assertThat(said(CircuitFixtures.typical(TypicalCircuit.FIVE_TUBE_AC_DC), "ballast"))
                .doesNotContain("power.");
    }

    /** What 16 µF and more hold: C ln(U/30 V) R seconds. */
    @Test
    void aBleederTakesTheTimeThatIsWanted() {
        String said = said(SharedSets.named("halcyon"), "bleeder 30");
        assertThat(said).contains("µF", "kΩ", "down to 30 V").doesNotContain("power.");
        assertThat(Integer.parseInt(said.replaceAll("(?s).* V in (\\d+) s.*", "$1")))
                .isBetween(24, 30);
        assertThatThrownBy(() -> said(SharedSets.named("lark"), "bleeder 30")).hasMessageContaining("no capacitor");
    }

    @Test
    void thePlugBothWaysIsJudgedByTheCircuit() {
        assertThat(said(SharedSets.named("brae"), "plug"))
                .contains("230 V", "150 mA", "phantom", "isolation transformer");
        assertThat(said(SharedSets.named("halcyon"), "plug"))
                .contains("phantom")
                .doesNotContain("It conducts");
        assertThatThrownBy(() -> said(SharedSets.named("lark"), "plug"))
                .hasMessageContaining("does not hang on the mains");
    }

    /** Filaments of 25 mA, and of 50 mA in the output tube, from 5 V: (5 − 1.4) V × 0.125 A. */
    @Test
    void aRegulatorTurnsTheRestIntoHeat() {
        assertThat(said(CircuitFixtures.typical(TypicalCircuit.BATTERY_FOUR_TUBE), "regulate 5 to 1.4"))
                .contains("120 mA", "0.4 W", "180 mA");
        assertThatThrownBy(() -> said(SharedSets.named("lark"), "regulate 5 to 1.4"))
                .hasMessageContaining("no battery of this set");
    }

    /** √(230² − 116.6²) = 198 V at 0.1 A and 50 Hz: 1.6 µF. */
    @Test
    void aCapacitorStandsAtRightAnglesToTheHeaters() {
        assertThat(said(SharedSets.named("brae"), "capacitor")).contains("1.6 µF", "198 V", "X2");
    }

    @Test
    void aWrongTransformersRailComesDownByTheCurrentThatTheSetDraws() {
        Chassis set = SharedSets.named("halcyon");
        PowerModel model = PowerModel.sound(set);
        double rail = model.sound().at(230).rail("B1");
        String load = said(set, "load");
        assertThat(load).contains("B1 loaded like the set", String.format("%.0f V", rail));
        // from 340 to 240 V, at some 60 mA: 1.6 kΩ and 6 W
        // the other way round, the same resistor brings the same volts
        assertThat(said(set, "drop 340 with 1.6k")).containsPattern("to 2[34]\\d V");
        assertThat(said(set, "drop 340 to 240")).containsPattern("1\\.[5-9] kΩ").containsPattern("[5-7]\\.\\d W");
    }

    @Test
    void todaysLineIsBroughtDownByASecondaryAgainstIt() {
        assertThat(said(SharedSets.named("brae"), "buck 240 to 220")).contains("20 V", "310 mA", "7 VA");
    }

    @Test
    void aMeasuredHeaterWindingSaysWhichTapIsRight() {
        assertThat(said(SharedSets.named("halcyon"), "tap 6.9 of 6.3")).contains("9.5 %", "252 V");
    }

    @Test
    void aBatteryLastsByTheIdleCurrent() {
        assertThat(said(SharedSets.named("lark"), "runtime 500 mAh")).contains("32 hours", "16 mA");
    }

    @ParameterizedTest
    @ValueSource(strings = {"heaters", "capacitor"})
    void aSetWithoutAChainSaysSo(String line) {
        assertThatThrownBy(() -> said(CircuitFixtures.typical(TypicalCircuit.FIVE_TUBE), line))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("not a chain");
        assertThatThrownBy(() -> said(SharedSets.named("rover"), line))
                .as("its filaments hang on the rail")
                .isInstanceOf(InputException.class)
                .hasMessageContaining("not a chain");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "drop 240 to 360",
                "drop 900 to 800",
                "drop 9000 with 1k",
                "drop 340 with 3 V",
                "buck 110 to 220",
                "drop 240",
                "tap 6.9",
                "runtime soon",
                "drop a to b"
            })
    void sumsThatMakeNoSenseAreRefused(String line) {
        assertThatThrownBy(() -> said(SharedSets.named("halcyon"), line)).isInstanceOf(InputException.class);
    }
}
