package anabion.core.recap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Chassis;
import anabion.core.engine.SharedSets;
import anabion.core.format.JobCodec;
import anabion.core.input.BadInput;
import anabion.core.job.Job;
import anabion.core.job.LooseEnd;
import anabion.core.job.LooseKind;
import anabion.core.job.PartTest;
import anabion.core.job.RecapLog;
import anabion.core.job.Tick;
import anabion.core.tree.Extra;
import java.time.Instant;
import java.util.List;
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
        assertThat(log.last().get("C14").amount()).isEqualTo(10.2e-9);
        assertThat(log.last().get("C18.1").what()).isEqualTo(PartTest.What.ESR);
        PartTest leak = log.last().get("C18.2");
        assertThat(leak.amount()).isEqualTo(1.2e-3);
        assertThat(leak.good()).isEqualTo(0.2e-3);
        assertThat(leak.volts()).isEqualTo(300);
        assertThat(log.last().get("R13").amount()).isEqualTo(250e3);
        assertThat(log.last().get("V4").good()).isEqualTo(50);
        assertThat(log.ticks("C14")).contains(Tick.MEASURED);
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
        assertThatThrownBy(() -> typed(line)).isInstanceOf(BadInput.class).hasMessageContaining(said);
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

    @Test
    void aBurntScreenResistorHasTheShortedBypassAmongItsCauses() {
        List<Causes.Cause> causes = Causes.of(set, set.part("R3").orElseThrow());
        assertThat(causes).extracting(c -> c.fault().text()).anyMatch(f -> f.startsWith("C7:short"));
        assertThat(causes.get(0).times()).isGreaterThan(2.5);
        List<Causes.Cause> rectifier = Causes.of(set, set.part("V5").orElseThrow());
        assertThat(rectifier).extracting(c -> c.fault().part()).contains("C18");
    }
}
