package anabion.core.isolation;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.json.Extra;
import anabion.core.reading.Condition;
import anabion.core.reading.Reading;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.SharedSets;
import anabion.core.typical.TypicalCircuit;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What is said of isolation follows the circuit and the cold test, not the choice of a word. */
class IsolationTest {
    private static Reading ohms(String pin, double value) {
        return new Reading(
                UUID.randomUUID(),
                pin,
                "CHASSIS",
                Measure.OHMS,
                value,
                false,
                Condition.of(220, anabion.core.chassis.MeterSpec.parse("10M"), "AM"),
                new UUID(0, 0),
                Instant.EPOCH,
                Extra.NONE);
    }

    private static String said(Chassis set, Reading... readings) {
        return Isolation.of(set).words(List.of(readings)).key();
    }

    @Test
    void aTransformerIsolatesOnlyOnceItIsMeasured() {
        Chassis set = SharedSets.named("halcyon");
        assertThat(said(set)).isEqualTo("safety.transformer.unproved");
        assertThat(said(set, ohms("MAINS-L", 2e9))).isEqualTo("safety.transformer.unproved");
        assertThat(said(set, ohms("MAINS-L", 2e9), ohms("MAINS-N", 1e9))).isEqualTo("safety.transformer");
        assertThat(said(set, ohms("MAINS-L", 2e9), ohms("MAINS-N", 1e9), ohms("MAINS-N", 1e4)))
                .as("a later reading counts")
                .isEqualTo("safety.transformer.unproved");
    }

    @Test
    void withoutItsWindingsNothingIsProved() {
        Chassis set = SharedSets.named("halcyon");
        Chassis blank = set.withParts(List.of()).withStages(List.of(), List.of());
        assertThat(said(blank, ohms("MAINS-L", 2e9), ohms("MAINS-N", 1e9))).isEqualTo("safety.transformer.unproved");
    }

    /** Called a transformer set, but its circuit has the mains on it. */
    @ParameterizedTest
    @EnumSource(
            value = TypicalCircuit.class,
            names = {
                "HOT_CHASSIS",
                "FIVE_TUBE_AC_DC",
                "AUTOTRANSFORMER",
                "HEATER_TRANSFORMER",
                "LINE_CORD",
                "THREE_WAY_PORTABLE"
            })
    void aWrongWordIsContradictedByTheCircuit(TypicalCircuit circuit) {
        Chassis set = CircuitFixtures.typical(circuit);
        Chassis called = set.withSupply(set.supply().withArrangement(Arrangement.TRANSFORMER));
        assertThat(said(called)).isEqualTo("safety.transformer.live");
        assertThat(Isolation.of(called).mayBeLive()).isTrue();
    }

    @ParameterizedTest
    @EnumSource(
            value = TypicalCircuit.class,
            names = {
                "FIVE_TUBE",
                "AM_FM",
                "DIRECTLY_HEATED_RECTIFIER",
                "TUNED_RADIO_FREQUENCY",
                "CAR_VIBRATOR",
                "SEVEN_TRANSISTOR"
            })
    void isolatedSetsAreNotCalledLive(TypicalCircuit circuit) {
        assertThat(Isolation.of(CircuitFixtures.typical(circuit)).mayBeLive()).isFalse();
    }

    @Test
    void cautionsStandWhereTheSetHasWhatTheyAreAbout() {
        assertThat(Isolation.of(CircuitFixtures.typical(TypicalCircuit.LINE_CORD))
                        .cautions())
                .contains(
                        Caution.LINE_CORD,
                        Caution.ASBESTOS,
                        Caution.PLUG,
                        Caution.BREAKER,
                        Caution.SCOPE_CLIP,
                        Caution.LEAD);
        assertThat(Isolation.of(CircuitFixtures.typical(TypicalCircuit.CAR_HYBRID))
                        .cautions())
                .contains(Caution.BERYLLIUM)
                .doesNotContain(Caution.LINE_CORD, Caution.PLUG, Caution.SELENIUM, Caution.SCOPE_CLIP);
        assertThat(Isolation.of(CircuitFixtures.typical(TypicalCircuit.CAR_VIBRATOR))
                        .cautions())
                .contains(Caution.SYNCHRONOUS_VIBRATOR);
        assertThat(Isolation.of(CircuitFixtures.typical(TypicalCircuit.THREE_WAY_PORTABLE))
                        .cautions())
                .contains(Caution.SELENIUM);
        assertThat(Isolation.of(CircuitFixtures.typical(TypicalCircuit.FIVE_TUBE))
                        .cautions())
                .contains(Caution.OIL_AND_WAX)
                .doesNotContain(Caution.BREAKER, Caution.SCOPE_CLIP);
    }

    /** A lead that conducts to the mains with nothing between is named. */
    @Test
    void aBareLeadIsNamed() {
        Chassis set = CircuitFixtures.typical(
                TypicalCircuit.HOT_CHASSIS,
                t -> t.replace("C30 .001/1000 AE A1 aerial isolator\n", "").replace("L1 C1 C30", "L1 C1"));
        assertThat(MainsReach.of(set).bare()).containsExactly("A1");
        assertThat(MainsReach.of(CircuitFixtures.typical(TypicalCircuit.HOT_CHASSIS))
                        .bare())
                .isEmpty();
    }
}
