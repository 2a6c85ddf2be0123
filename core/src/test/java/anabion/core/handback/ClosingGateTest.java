package anabion.core.handback;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.command.ClosingLine;
import anabion.core.error.InputException;
import anabion.core.format.JobCodec;
import anabion.core.handback.ClosingGate.State;
import anabion.core.isolation.Isolation;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.ClosingEntry;
import anabion.core.job.ClosingEntry.Kind;
import anabion.core.job.Job;
import anabion.core.job.Note;
import anabion.core.job.SoakEntry;
import anabion.core.job.Whereabouts;
import anabion.core.json.Extra;
import anabion.core.reading.Condition;
import anabion.core.reading.Reading;
import anabion.core.simulation.supply.AcSupply;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.SharedSets;
import anabion.core.typical.TypicalCircuit;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What bars a set from leaving, and which tests are asked for. */
class ClosingGateTest {
    private static final Instant NOW = Instant.parse("2026-11-01T12:00:00Z");

    private static ClosingGate gate(Chassis chassis, Job job) {
        return ClosingGate.of(chassis, job, Isolation.of(chassis), pins(chassis), SafetyLimits.USUAL, NOW);
    }

    /** Both plug pins measured against the chassis, and nothing found. */
    private static List<Reading> pins(Chassis chassis) {
        return List.of(AcSupply.L, AcSupply.N).stream()
                .map(pin -> new Reading(
                        UUID.randomUUID(),
                        pin,
                        chassis.reference(),
                        Measure.OHMS,
                        20e6,
                        false,
                        Condition.of(0, new MeterSpec.Fixed(10e6), ""),
                        new UUID(0, 0),
                        NOW,
                        Extra.NONE))
                .toList();
    }

    private static ClosingEntry entry(Job job, Kind kind, String item, Double... values) {
        return new ClosingEntry(
                UUID.randomUUID(),
                NOW,
                kind,
                item,
                List.of(values),
                "",
                job.fitted().id(),
                Extra.NONE);
    }

    private static State state(ClosingGate gate, ClosingItem item) {
        return gate.rows().stream()
                .filter(r -> r.item() == item)
                .findFirst()
                .orElseThrow()
                .state();
    }

    private static boolean asks(ClosingGate gate, ClosingItem item) {
        return gate.rows().stream().anyMatch(r -> r.item() == item);
    }

    /** All that a set without mains needs. */
    private static Job sound(Chassis chassis, Job begun) {
        Job job = begun.with(
                new Note(UUID.randomUUID(), NOW, Note.Kind.CAUSE, "C14", "", 0, Optional.empty(), Extra.NONE));
        Instant start = NOW.minus(Duration.ofHours(5));
        job = job.with(SoakEntry.of(
                UUID.randomUUID(), start, SoakEntry.Kind.BEGAN, job.fitted().id()));
        for (int h = 1; h <= 4; h++)
            job = job.with(SoakEntry.of(
                    UUID.randomUUID(),
                    start.plus(Duration.ofHours(h)),
                    SoakEntry.Kind.READ,
                    job.fitted().id()));
        for (Band b : chassis.bands()) job = job.with(entry(job, Kind.HEARD, b.name(), 5.0));
        for (ClosingItem item : ClosingItem.values())
            if (item.isLookedAt()) job = job.with(entry(job, Kind.CHECKED, item.code()));
        return job;
    }

    private static Job tested(Job job, double ohms, double amperes, double earth) {
        return job.with(entry(job, Kind.INSULATION, "", ohms))
                .with(entry(job, Kind.TOUCH, "", amperes, amperes / 2, amperes, amperes / 2))
                .with(entry(job, Kind.EARTH, "", earth));
    }

    @Test
    void aSetWithATransformerLeavesOnceAllIsSeenAndMeasured() {
        Chassis halcyon = SharedSets.named("halcyon");
        assertThat(gate(halcyon, Job.NEW).open()).isNotEmpty();
        Job job = tested(sound(halcyon, Job.NEW), 120e6, 0.16e-3, 0.08);
        assertThat(gate(halcyon, job).open()).isEmpty();
    }

    /** Wrong advice on the mains is the worst there is: no earth and no test to the chassis wherever it may be live. */
    @ParameterizedTest
    @EnumSource(TypicalCircuit.class)
    void noSetWhoseChassisMayBeLiveIsEarthedOrTestedToItsChassis(TypicalCircuit typical) {
        Chassis set = CircuitFixtures.typical(typical);
        Isolation i = Isolation.of(set);
        ClosingGate gate = gate(set, Job.NEW);
        if (i.mayBeLive() || !i.doubleWound()) noTestToTheChassis(gate);
        noTestToTheChassis(ClosingGate.of(set, Job.NEW, i, List.of(), SafetyLimits.USUAL, NOW));
        assertThat(asks(gate, ClosingItem.BARRIERS)).isEqualTo(i.mayBeLive());
        boolean mains = set.supply().arrangement().usesMains();
        assertThat(asks(gate, ClosingItem.TOUCH_CURRENT)).isEqualTo(mains || i.mayBeLive());
    }

    @Test
    void beforeItsCircuitIsKnownNothingIsTakenForIsolated() {
        Chassis bare = SharedSets.named("halcyon").withParts(List.of());
        noTestToTheChassis(gate(bare, Job.NEW));
    }

    private static void noTestToTheChassis(ClosingGate gate) {
        assertThat(gate.toChassis()).isFalse();
        assertThat(asks(gate, ClosingItem.EARTH)).isFalse();
        assertThat(gate.rows())
                .filteredOn(r -> r.item() == ClosingItem.INSULATION)
                .allSatisfy(r -> assertThat(r.says().key()).isEqualTo("closing.insulation.touchable"));
    }

    @ParameterizedTest
    @CsvSource({"1e6,1e-4,0.1,INSULATION", "1e8,6e-4,0.1,TOUCH_CURRENT", "1e8,1e-4,0.9,EARTH"})
    void whatIsBeyondItsLimitFails(double ohms, double amperes, double earth, ClosingItem failed) {
        Chassis halcyon = SharedSets.named("halcyon");
        ClosingGate gate = gate(halcyon, tested(sound(halcyon, Job.NEW), ohms, amperes, earth));
        assertThat(gate.open()).extracting(ClosingGate.Row::item).containsExactly(failed);
        assertThat(state(gate, failed)).isEqualTo(State.FAILED);
    }

    @Test
    void aTouchCurrentHasFourWays() {
        Chassis halcyon = SharedSets.named("halcyon");
        Job job = Job.NEW.with(entry(Job.NEW, Kind.TOUCH, "", 1e-4, 1e-4));
        assertThat(gate(halcyon, job).rows())
                .filteredOn(r -> r.item() == ClosingItem.TOUCH_CURRENT)
                .allSatisfy(r -> assertThat(r.says().key()).isEqualTo("closing.touch-four"));
    }

    @Test
    void whatIsOpenMayGoOutWithItsReason() {
        Job job = sound(SharedSets.named("lark"), Job.NEW).withWaitsFor("a knob");
        assertThat(state(gate(SharedSets.named("lark"), job), ClosingItem.WAITS))
                .isEqualTo(State.OPEN);
        Job signed = job.with(entry(job, Kind.SIGNED, "waits").withText("it will be sent"));
        assertThat(state(gate(SharedSets.named("lark"), signed), ClosingItem.WAITS))
                .isEqualTo(State.SIGNED);
        assertThat(gate(SharedSets.named("lark"), signed).open()).isEmpty();
    }

    /** What was measured, heard and signed before another part went in counts no more. */
    @Test
    void anotherPartAsksForAllOfItAnew() {
        Chassis halcyon = SharedSets.named("halcyon");
        Job job = tested(sound(halcyon, Job.NEW), 120e6, 0.16e-3, 0.08)
                .altered(new Alteration(UUID.randomUUID(), NOW, "C14", AlterationKind.RENEWED, "10n", Extra.NONE));
        assertThat(gate(halcyon, job).open())
                .extracting(ClosingGate.Row::item)
                .contains(ClosingItem.INSULATION, ClosingItem.TOUCH_CURRENT, ClosingItem.BANDS, ClosingItem.SOAK);
        assertThat(JobCodec.read(JobCodec.text(job))).isEqualTo(job);
    }

    @Test
    void linesSayWhatWasMeasured() {
        assertThat(ClosingLine.parse("insulation >120M"))
                .isEqualTo(new ClosingLine.Measured(Kind.INSULATION, List.of(120e6)));
        assertThat(ClosingLine.parse("touch 0.16 120uA"))
                .isEqualTo(new ClosingLine.Measured(Kind.TOUCH, List.of(0.16e-3, 120e-6)));
        assertThat(ClosingLine.parse("heard Pick-up 1 clean")).isEqualTo(new ClosingLine.Heard("Pick-up", 1, "clean"));
        assertThat(ClosingLine.parse("checked mains tap".replace("mains ", "")))
                .isEqualTo(new ClosingLine.Checked(Optional.of(ClosingItem.TAP)));
        assertThat(ClosingLine.parse("sign because it will be sent"))
                .isEqualTo(new ClosingLine.Signed(Optional.empty(), "it will be sent"));
        SafetyLimits four = SafetyLimits.USUAL.with("insulation", "4M");
        assertThat(SafetyLimits.read(four.text())).isEqualTo(four);
        assertThat(SafetyLimits.read("nonsense")).isEqualTo(SafetyLimits.USUAL);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "insulation",
                "touch",
                "touch 1 2 3 4 5",
                "heard MW",
                "sign soak",
                "checked nothing",
                "limit",
                "fine"
            })
    void whatSaysTooLittleIsRefused(String line) {
        assertThatThrownBy(() -> ClosingLine.parse(line)).isInstanceOf(InputException.class);
    }

    /** What was proved before it left the house says nothing of what it went through since. */
    @Test
    void aSetThatCameBackIsLookedAtAnew() throws IOException {
        Chassis halcyon = SharedSets.named("halcyon");
        Job job = tested(sound(halcyon, Job.NEW), 120e6, 0.16e-3, 0.08);
        Job gone = job.with(entry(job, Kind.HANDED_BACK, ""));
        assertThat(Whereabouts.of(gone).away()).isTrue();
        Note before = new Note(UUID.randomUUID(), NOW, Note.Kind.REMARK, "hum", "", 0, Optional.empty(), Extra.NONE);
        Alteration back = new Alteration(
                UUID.randomUUID(),
                NOW.plus(Duration.ofDays(90)),
                "",
                AlterationKind.CAME_BACK,
                "it is silent",
                Extra.NONE);
        Job here = gone.cameBack(back, before);
        assertThat(Whereabouts.of(here).returned()).isTrue();
        ClosingGate gate = gate(halcyon, here);
        assertThat(gate.open())
                .extracting(ClosingGate.Row::item)
                .contains(
                        ClosingItem.CAUSE,
                        ClosingItem.SOAK,
                        ClosingItem.BANDS,
                        ClosingItem.FUSE,
                        ClosingItem.INSULATION,
                        ClosingItem.TOUCH_CURRENT);
        noTestToTheChassis(gate);
        assertThat(here.arrival().complaints()).isEmpty();
        assertThat(JobCodec.read(new ByteArrayInputStream(JobCodec.text(here).getBytes(StandardCharsets.UTF_8))))
                .as("as it is in files")
                .isEqualTo(here);
    }

    @ParameterizedTest
    @CsvSource({
        "handed back,'',P3M",
        "handed back to the keeper,the keeper,P3M",
        "'handed back to the keeper, ask in 6 weeks',the keeper,P42D",
        "'handed back, ask never','',''"
    })
    void itGoesToSomebodyAndIsAskedAfter(String line, String to, String ask) {
        ClosingLine.HandedBack h = (ClosingLine.HandedBack) ClosingLine.parse(line);
        assertThat(h.to()).isEqualTo(to);
        assertThat(h.ask().map(Object::toString).orElse("")).isEqualTo(ask);
    }
}
