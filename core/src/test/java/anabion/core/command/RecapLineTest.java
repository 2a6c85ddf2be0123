package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.format.JobCodec;
import anabion.core.job.Alteration;
import anabion.core.job.Job;
import anabion.core.job.LooseEnd;
import anabion.core.job.LooseKind;
import anabion.core.job.PartTest;
import anabion.core.job.RecapLog;
import anabion.core.job.Tick;
import anabion.core.json.Extra;
import anabion.core.recap.CapacitorSection;
import anabion.core.recap.Causes;
import anabion.core.recap.Forming;
import anabion.core.recap.Plan;
import anabion.core.recap.Planner;
import anabion.core.recap.Policy;
import anabion.core.recap.Stock;
import anabion.core.recap.Tested;
import anabion.core.testing.SharedSets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is typed at the bench while recapping, and that it is kept. */
class RecapLineTest {
    private static final Instant NOW = Instant.parse("2026-05-04T10:00:00Z");
    private final Chassis set = SharedSets.named("halcyon");

    private RecapLog typed(String... lines) {
        RecapLog log = RecapLog.NONE;
        for (String line : lines) log = RecapLine.edit(line, log, set, NOW);
        return log;
    }

    @Test
    void ticksRolesMarksAndSchoolsAreKept() {
        RecapLog log = typed(
                "removed c14",
                "fitted C14",
                "untick C14 removed",
                "role C4 tone",
                "role C7 tone",
                "role C7 auto",
                "mark C18.1 half-moon",
                "school tested restuff",
                "can C18 24 x 70");
        assertThat(log.ticks("C14")).containsExactly(Tick.FITTED);
        assertThat(log.roles()).containsOnlyKeys("C4").containsValue("tone");
        assertThat(log.marks()).containsEntry("C18.1", "half-moon").containsEntry("C18", "24x70");
        assertThat(Policy.USUAL.with(log.school()).scope()).isEqualTo(Policy.Scope.TESTED);
    }

    @Test
    void readingsAreTestsAndTheLastOneCounts() {
        RecapLog log = typed(
                "measured C14 9n8",
                "measured C14 10n2",
                "esr C18.1 2.4",
                "leak C18.2 1.2mA@300 good 0.2mA",
                "measured R13 250k",
                "emission V4 62/50");
        assertThat(Tested.deciding(log, set).get("C14").amount()).isEqualTo(10.2e-9);
        assertThat(Tested.deciding(log, set).get("C18.1").what()).isEqualTo(PartTest.What.ESR);
        PartTest leak = Tested.deciding(log, set).get("C18.2");
        assertThat(leak.amount()).isEqualTo(1.2e-3);
        assertThat(leak.good()).isEqualTo(0.2e-3);
        assertThat(leak.volts()).isEqualTo(300);
        assertThat(Tested.deciding(log, set).get("R13").amount()).isEqualTo(250e3);
        assertThat(Tested.deciding(log, set).get("V4").good()).isEqualTo(50);
        assertThat(log.ticks("C14")).contains(Tick.MEASURED);
    }

    /** An open part is measured, too; a leak does not go away because a value was measured later. */
    @Test
    void anOpenPartAndALeakStay() {
        assertThat(Tested.deciding(typed("measured R13 open"), set).get("R13").amount())
                .isGreaterThanOrEqualTo(1e9);
        RecapLog log = typed("leak C18.2 1.2mA@300 good 0.2mA", "measured C18.2 33u");
        assertThat(Tested.deciding(log, set).get("C18.2").what()).isEqualTo(PartTest.What.LEAKAGE);
        RecapLog mended =
                typed("leak C18.2 1.2mA@300 good 0.2mA", "leak C18.2 0.1mA@300 good 0.2mA", "measured C18.2 33u");
        assertThat(Tested.deciding(mended, set).get("C18.2").what()).isEqualTo(PartTest.What.VALUE);
    }

    @ParameterizedTest
    @CsvSource({
        "removed C99, no such part",
        "removed, missing",
        "fitted C18, several sections",
        "role C4 chimney, no role",
        "leak C14 1mA, volts are missing",
        "leak C14 x@300, no current",
        "measured C14, missing",
        "emission V4 lots/50, no number",
        "untick C14 soup, nothing to tick",
        "school guess, guess",
        "can C18 huge, no size",
        "can R3 24x70, no such capacitor",
        "dance C14, not known"
    })
    void whatCannotBeReadIsSaid(String line, String said) {
        assertThatThrownBy(() -> typed(line)).isInstanceOf(InputException.class).hasMessageContaining(said);
    }

    @Test
    void theJobFileKeepsItAll() {
        Job job = Job.NEW
                .withRecap(
                        typed("removed C14", "measured C14 9n8", "role C4 tone", "mark C18.1 square", "school nearest"))
                .with(new LooseEnd(
                        UUID.randomUUID(), NOW, LooseKind.BORROWED, "V4", "from the Moor", false, Extra.NONE))
                .with(new LooseEnd(UUID.randomUUID(), NOW, LooseKind.WANTED, "EM81", "", false, Extra.NONE));
        Job read = JobCodec.read(JobCodec.text(job));
        assertThat(read).isEqualTo(job);
        assertThat(read.unsettled()).hasSize(2);
        assertThat(read.settled("v4").unsettled()).extracting(LooseEnd::part).containsExactly("EM81");
        String salted = JobCodec.text(job).replace("\"school\"", "\"x-later\" : { \"kept\" : true },\n    \"school\"");
        assertThat(JobCodec.text(JobCodec.read(salted))).contains("x-later");
    }

    /** A part that is out is an open end, one that is in is renewed by what the plan says; a can counts once. */
    @Test
    void whatComesOutAndGoesInStandsInTheHistory() {
        Optional<Plan> plan = Optional.of(Planner.plan(set, Policy.USUAL, Stock.NONE));
        Job out = RecapLine.carryOut("removed C14", Job.NEW, set, plan, NOW);
        assertThat(out.fitted().openEnds()).extracting(Alteration::part).containsExactly("C14");
        Job in = RecapLine.carryOut("fitted c14", out, set, plan, NOW);
        assertThat(in.fitted().openEnds()).isEmpty();
        assertThat(in.fitted().last().get("C14").detail()).isEqualTo("10 nF 630 V");
        Job can = RecapLine.carryOut("removed C18.1", Job.NEW, set, plan, NOW);
        can = RecapLine.carryOut("removed C18.2", can, set, plan, NOW);
        assertThat(can.alterations()).extracting(Alteration::part).containsExactly("C18");
        Job only = RecapLine.carryOut("photo C14", Job.NEW, set, plan, NOW);
        assertThat(only.alterations()).isEmpty();
    }

    /** 350 V through 70 kΩ would be 5 mA: the next of E12 is 82 kΩ. */
    @Test
    void formingKeepsTheCurrentSmallAndEndsAtTheRating() {
        CapacitorSection c = CapacitorSection.of(set).stream()
                .filter(p -> p.key().equals("C18.1"))
                .findFirst()
                .orElseThrow();
        Forming f = Forming.of(c);
        assertThat(f.ohms()).isEqualTo(82e3);
        assertThat(f.volts() / f.ohms()).isLessThanOrEqualTo(Forming.AMPERES);
        assertThat(f.steps()).isSorted().hasSize(4).endsWith(350.0);
        assertThat(f.time()).isGreaterThan(Duration.ofMinutes(30));
        PartTest settled = new PartTest("C18.1", PartTest.What.LEAKAGE, 0.9 * f.passes(), 0, 350);
        assertThat(Tested.of(settled, c).fails()).isFalse();
        PartTest not = new PartTest("C18.1", PartTest.What.LEAKAGE, 1.1 * f.passes(), 0, 350);
        assertThat(Tested.of(not, c).fails()).isTrue();
    }

    @Test
    void aBurntScreenResistorHasTheShortedBypassAmongItsCauses() {
        List<Causes.Cause> causes = Causes.of(set, set.part("R3").orElseThrow());
        assertThat(causes).extracting(c -> c.fault().text()).anyMatch(f -> f.startsWith("C7:short"));
        assertThat(causes.get(0).times()).isGreaterThan(2.5);
        List<Causes.Cause> rectifier = Causes.of(set, set.part("V5").orElseThrow());
        assertThat(rectifier).extracting(c -> c.fault().part()).contains("C18");
    }
}
