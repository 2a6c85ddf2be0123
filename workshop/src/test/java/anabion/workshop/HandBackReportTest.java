package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.handback.SafetyLimits;
import anabion.core.job.Job;
import anabion.core.job.Note;
import anabion.core.json.Extra;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.demo.DemoWorkshop;
import anabion.workshop.report.Edition;
import anabion.workshop.report.HandBackReport;
import anabion.workshop.report.Paper;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.preflight.ValidationResult;
import org.apache.pdfbox.preflight.parser.PreflightParser;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The paper that leaves the house. */
class HandBackReportTest {
    private static final Clock CLOCK = Clock.fixed(Temp.NOW, ZoneOffset.UTC);

    @TempDir
    Path folder;

    private HandBackReport report(SetRecord set) {
        return new HandBackReport(
                set, new Words(Vocabulary.STANDARD), p -> folder.resolve("none"), SafetyLimits.USUAL, CLOCK);
    }

    private static SetRecord told(String name) {
        SetRecord set = DemoWorkshop.set(name);
        Job job = set.job();
        for (Note n : List.of(
                note(
                        Note.Kind.CAUSE,
                        "the coupling capacitor C14 had leaked for years",
                        "it drew the output tube into the red"),
                note(Note.Kind.FRAGILE, "lift it by the base, not by the dial", ""),
                note(Note.Kind.STAYS, "the crack in the back", "it holds"),
                note(Note.Kind.MODIFICATION, "diodes in place of V5", "put the tube back"))) job = job.with(n);
        return new SetRecord(set.chassis(), job, set.readings(), set.photos(), set.place());
    }

    private static Note note(Note.Kind kind, String text, String reason) {
        return new Note(UUID.randomUUID(), Temp.NOW, kind, text, reason, 0, Optional.empty(), Extra.NONE);
    }

    private Path pdf(SetRecord set, Edition edition, Paper paper) throws IOException {
        Path file = folder.resolve(set.chassis().name() + "-" + edition.code() + ".pdf");
        try (OutputStream out = Files.newOutputStream(file)) {
            report(set).pdf(edition, paper, out);
        }
        return file;
    }

    /** Any reader shows it alike in decades. */
    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "lark"})
    void itIsAnArchivalPdfWithAllThatAnOwnerAsks(String name) throws IOException {
        Path file = pdf(told(name), Edition.OWNER, Paper.A4);
        ValidationResult valid = PreflightParser.validate(file.toFile());
        assertThat(valid.getErrorsList())
                .extracting(e -> e.getErrorCode() + " " + e.getDetails())
                .isEmpty();
        assertThat(file.toFile().length()).isLessThan(2_000_000);
        try (PDDocument document = Loader.loadPDF(file.toFile())) {
            assertThat(document.getNumberOfPages()).isBetween(1, 6);
            assertThat(document.getDocumentCatalog().getDocumentOutline())
                    .as("bookmarks")
                    .isNotNull();
            String text = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
            assertThat(text)
                    .contains("What was wrong", "The coupling capacitor C14 had leaked for years")
                    .contains("Lift it by the base", "The crack in the back: it holds", "put the tube back")
                    .contains("Draft:", "restored by", "1 of ")
                    .doesNotContain("report.", "closing.", "{{");
        }
    }

    @ParameterizedTest
    @CsvSource({"A4,595,842", "LETTER,612,792"})
    void aCardIsOnePage(Paper paper, int width, int height) throws IOException {
        Path file = pdf(told("brae"), Edition.CARD, paper);
        try (PDDocument document = Loader.loadPDF(file.toFile())) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
            assertThat(Math.round(document.getPage(0).getMediaBox().getWidth())).isEqualTo(width);
            assertThat(Math.round(document.getPage(0).getMediaBox().getHeight()))
                    .isEqualTo(height);
            assertThat(new PDFTextStripper().getText(document).replaceAll("\\s+", " "))
                    .contains("Its metal parts inside may be at the mains");
        }
    }

    @Test
    void aLiveChassisIsToldToItsOwnerAndASafeOneIsNot() throws IOException {
        assertThat(report(told("brae")).html(Edition.OWNER, Paper.A4)).contains("may be at the mains");
        assertThat(report(told("halcyon")).html(Edition.OWNER, Paper.A4)).doesNotContain("may be at the mains");
    }
}
