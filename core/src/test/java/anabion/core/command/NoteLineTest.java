package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.command.Entry.Arrived;
import anabion.core.command.Entry.Noted;
import anabion.core.command.Entry.Ordered;
import anabion.core.error.InputException;
import anabion.core.format.JobCodec;
import anabion.core.job.Job;
import anabion.core.job.Note;
import anabion.core.job.Order;
import anabion.core.job.Step;
import anabion.core.json.Extra;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Lines for the history of a set, on any sheet. */
class NoteLineTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "note smells of smoke|REMARK|smells of smoke|''|0",
                "decided to keep the wax, because it looks right|DECISION|to keep the wax|it looks right|0",
                "cost 12.50 two tubes|COST|two tubes|''|12.5",
                "cost 8 postage|COST|postage|''|8",
                "worked 1,5h|HOURS|''|''|1.5",
                "worked 90 min on the cabinet|HOURS|on the cabinet|''|1.5",
                "cause C14 leaked and ran V4 hot|CAUSE|C14 leaked and ran V4 hot|''|0",
                "stays the crack because it holds|STAYS|the crack|it holds|0",
                "modified diodes in place of V5 undo put the 6X4 back|MODIFICATION|diodes in place of V5|put the 6X4 back|0",
                "fragile lift it by the base|FRAGILE|lift it by the base|''|0"
            })
    void everyKindHasItsWord(String line, Note.Kind kind, String text, String reason, double amount) {
        for (boolean readings : new boolean[] {true, false})
            assertThat(ProbeParser.parse(line, readings)).isEqualTo(new Noted(kind, text, reason, amount));
    }

    @Test
    void ordersHaveASupplierAPriceAndADay() {
        assertThat(ProbeParser.parse("ordered dial cord from the Attic 4.50 due 2026-12-10", false))
                .isEqualTo(new Ordered("dial cord", "the Attic", 4.5, Optional.of(LocalDate.of(2026, 12, 10))));
        assertThat(ProbeParser.parse("ordered 6AQ5", false)).isEqualTo(new Ordered("6AQ5", "", 0, Optional.empty()));
        assertThat(ProbeParser.parse("arrived dial cord", true)).isEqualTo(new Arrived("dial cord"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "note",
                "cost tubes",
                "cost 2h",
                "worked long",
                "stays the crack",
                "ordered",
                "ordered cord due soon"
            })
    void whatSaysTooLittleIsRefused(String line) {
        assertThatThrownBy(() -> ProbeParser.parse(line, false))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("ype it");
    }

    @Test
    void notesAndOrdersAreInTheJobFileAndOrdersHoldTheSetUp() {
        Order cord = new Order(
                new UUID(0, 1),
                Instant.EPOCH,
                "dial cord",
                "the Attic",
                4.5,
                Optional.of(LocalDate.of(2026, 12, 10)),
                Optional.empty(),
                Extra.NONE);
        Note note = new Note(
                new UUID(0, 2),
                Instant.EPOCH,
                Note.Kind.STAYS,
                "crack",
                "it holds",
                0,
                Optional.of(Step.STUDY),
                Extra.NONE);
        Job job = Job.NEW.with(note).with(cord);
        assertThat(JobCodec.read(JobCodec.text(job))).isEqualTo(job);
        assertThat(job.waiting()).isEqualTo("dial cord (2026-12-10)");
        assertThat(job.withWaitsFor("the owner").waiting()).isEqualTo("the owner");
        Job come = job.with(cord.arrived(Instant.ofEpochSecond(5)));
        assertThat(come.waiting()).isEmpty();
        assertThat(JobCodec.read(JobCodec.text(come))).isEqualTo(come);
    }
}
