package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.command.RecapLine;
import anabion.core.job.Job;
import anabion.core.job.LooseEnd;
import anabion.core.job.LooseKind;
import anabion.core.job.Tick;
import anabion.core.json.Extra;
import anabion.core.recap.Plan;
import anabion.core.recap.Planner;
import anabion.core.recap.Policy;
import anabion.core.recap.Stock;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.archive.SetArchive;
import anabion.workshop.report.RecapPrintout;
import anabion.workshop.report.SetReport;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What came out of a set, and what is loose, on paper, on the shelf and in an archive. */
class CasualtiesTest {
    @TempDir
    Path folder;

    private final Words words = new Words(Vocabulary.STANDARD);

    private static Job recapped(Job job, Chassis set) {
        Optional<Plan> plan = Optional.of(Planner.plan(set, Policy.USUAL, Stock.NONE));
        Job done = job;
        for (String line : List.of("removed C14", "measured C14 4n1", "fitted C14", "mark C18.1 square"))
            done = RecapLine.carryOut(line, done, set, plan, Temp.NOW);
        return done.with(new LooseEnd(
                UUID.randomUUID(), Temp.NOW, LooseKind.BORROWED, "V4", "from the Moor", false, Extra.NONE));
    }

    private SetRecord recapped(Workshop w) {
        SetRecord set = Temp.halcyon();
        w.sets().add(set);
        return w.sets().change(set.id(), "recap", List.of(new Op.PutJob(recapped(set.job(), set.chassis()))));
    }

    @Test
    void theRecordListsWhatCameOutWhatItMeasuredAndWhatWentIn() throws IOException {
        try (Workshop w = Temp.open(folder)) {
            StringWriter html = new StringWriter();
            new SetReport().html(recapped(w), words, w::file, html);
            assertThat(html.toString())
                    .contains(
                            "Parts that came out",
                            "V3.7 V4.1",
                            ".01/400 coupling to a grid",
                            "outside -20 % to 30 %: bad",
                            "10 nF 630 V")
                    .contains("borrowed V4 from the Moor");
        }
    }

    @Test
    void itSurvivesARestartAnArchiveAndAnUndo() throws IOException {
        UUID id = Temp.halcyon().id();
        try (Workshop w = Temp.open(folder)) {
            recapped(w);
        }
        Path file = folder.resolve("set.zip");
        try (Workshop w = Temp.open(folder)) {
            SetRecord set = w.sets().get(id);
            assertThat(set.job().recap().ticks("C14")).contains(Tick.FITTED, Tick.MEASURED);
            assertThat(w.sets().summaries().get(0).loose()).containsExactly("borrowed V4 from the Moor");
            try (var out = Files.newOutputStream(file)) {
                SetArchive.write(set, w::file, out);
            }
            w.sets().undo(id);
            assertThat(w.sets().get(id).job().recap().ticks("C14")).isEmpty();
            assertThat(w.sets().summaries().get(0).loose()).isEmpty();
        }
        SetRecord read = SetArchive.open(file).set();
        assertThat(read.job().recap().tests()).anyMatch(t -> t.test().key().equals("C14"));
        assertThat(read.job().recap().marks()).containsEntry("C18.1", "square");
        assertThat(read.job().unsettled()).hasSize(1);
    }

    @Test
    void theBenchSheetHasABoxForEverythingAndTicksWhatIsDone() {
        SetRecord set = Temp.halcyon();
        Plan plan = Planner.plan(set.chassis(), Policy.USUAL, Stock.NONE);
        Job job = recapped(set.job(), set.chassis());
        String page = new RecapPrintout(set.chassis().name(), plan, job.recap(), words).html();
        assertThat(page).contains("Vessmark Halcyon", "At the mains", "Power section", "100 nF X2", "Stays: ");
        int boxes = page.split("class=\"box ", -1).length - 1;
        long parts = plan.batches().stream().mapToLong(b -> b.keys().size()).sum();
        assertThat(boxes).isEqualTo((int) parts * Tick.values().length);
        assertThat(page.split("class=\"box done\"", -1))
                .as("out, test and in of C14")
                .hasSize(4);
        plan.batches().forEach(b -> assertThat(page).contains(words.say(b.title())));
    }
}
