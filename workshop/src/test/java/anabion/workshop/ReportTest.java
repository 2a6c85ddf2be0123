package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.when;

import anabion.core.job.AlignmentEntry;
import anabion.core.job.AlignmentEntry.Given;
import anabion.core.job.AlignmentPurpose;
import anabion.core.job.FittedState;
import anabion.core.job.Job;
import anabion.core.job.Note;
import anabion.core.job.PowerEntry;
import anabion.core.json.Extra;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.report.SetReport;
import anabion.workshop.storage.CheckedPicture;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

@ExtendWith(MockitoExtension.class)
class ReportTest {
    @TempDir
    Path folder;

    private final SetReport report = new SetReport();

    private SetRecord withPhoto(Workshop w) {
        w.sets().add(Temp.halcyon());
        return w.addPhoto(Temp.halcyon().id(), CheckedPicture.of(Temp.picture(1), "a.png"), "the <underside> & more");
    }

    @Test
    void thePageSaysWhatTheBenchSays() throws IOException {
        try (Workshop w = Temp.open(folder)) {
            StringWriter html = new StringWriter();
            report.html(withPhoto(w), new Words(Vocabulary.STANDARD), w::file, html);
            assertThat(html.toString())
                    .contains(
                            "Vessmark Halcyon",
                            "Coupling capacitor C14 leaks into the grid of V4",
                            "must not be positive",
                            "C14 leaky, near ")
                    .contains(
                            "C18 stand-in: 22+47/350 until the can is restuffed",
                            "AM: distorted, when warm, after ten minutes",
                            "parts younger than the set")
                    .contains("licensed practice", "data:image/jpeg;base64,", "the &lt;underside&gt; &amp; more");
            assertThat(html.toString())
                    .as("cold checks and what was heard")
                    .contains("Cold checks", "B1 – CHASSIS, across C18", "MAINS-L – CHASSIS, line to chassis")
                    .doesNotContain("<h2>Trace</h2>");
            int needles = html.toString().split("class=\"needle ", -1).length - 1;
            assertThat(needles).as("one needle for each reading").isEqualTo(9);
        }
    }

    private static PowerEntry line(PowerEntry.Kind kind, double dial, String what, double value, String text) {
        return new PowerEntry(
                UUID.randomUUID(),
                Instant.parse("2026-11-12T10:15:30Z"),
                kind,
                dial,
                0,
                what,
                "",
                value,
                text,
                Temp.halcyon().job().fitted().id(),
                Extra.NONE);
    }

    @Test
    void everyLineOfAPowerUpIsPrinted() throws IOException {
        try (Workshop w = Temp.open(folder)) {
            SetRecord set = withPhoto(w);
            Job job = set.job()
                    .with(line(PowerEntry.Kind.OVERRULED, 0, "loads", 0, "the speaker is away"))
                    .with(line(PowerEntry.Kind.BEGAN, 69, "whole-set", 0, ""))
                    .with(line(PowerEntry.Kind.RAIL, 69, "B1", 42, ""))
                    .with(line(PowerEntry.Kind.SIGN, 69, "smoke", 0, ""));
            for (PowerEntry.Kind k : PowerEntry.Kind.values())
                if (job.power().entries().stream().noneMatch(e -> e.kind() == k))
                    job = job.with(line(k, 69, what(k), 1, k == PowerEntry.Kind.BAND ? "weak" : "some words"));
            SetRecord logged = w.sets().change(set.id(), "power", List.of(new Op.PutJob(job)));
            StringWriter html = new StringWriter();
            report.html(logged, new Words(Vocabulary.STANDARD), w::file, html);
            assertThat(html.toString())
                    .contains(
                            "First power",
                            "Before it",
                            "2026-11-12, Whole set",
                            "loads: set aside, the speaker is away")
                    .contains("69.0 V", "B1: 42.0 V", "smoke", "lamp faint", "some words")
                    .doesNotContain("power.");
        }
    }

    private static AlignmentEntry aligned(
            AlignmentEntry.Kind kind,
            AlignmentPurpose purpose,
            String letters,
            double before,
            double after,
            Given given,
            String text) {
        return AlignmentEntry.of(UUID.randomUUID(), Temp.NOW, kind, "AM", FittedState.AS_FOUND)
                .withPurpose(Optional.ofNullable(purpose))
                .withAdjusters(letters)
                .withBefore(before)
                .withAfter(after)
                .withGiven(given)
                .withText(text);
    }

    /** Before and after of each line, with the generator's level; every kind of entry has its words. */
    @Test
    void theRecordSaysWhatTheAlignmentBrought() throws IOException {
        try (Workshop w = Temp.open(folder)) {
            SetRecord set = Temp.halcyon();
            w.sets().add(set);
            AlignmentPurpose between = AlignmentPurpose.INTERMEDIATE;
            Job job = set.job()
                    .with(aligned(AlignmentEntry.Kind.READ, between, "A1 A2", 0, 0.4, new Given(100e-6, 0), ""))
                    .with(aligned(AlignmentEntry.Kind.PEAK, between, "A2", 0, 0.8, new Given(50e-6, 0), ""))
                    .with(aligned(AlignmentEntry.Kind.PEAKS_AT, between, "A3", 0, 452e3, Given.NOT_SAID, ""))
                    .with(aligned(AlignmentEntry.Kind.STATION, null, "", 580e3, 600e3, Given.NOT_SAID, ""))
                    .with(aligned(AlignmentEntry.Kind.WATCH, null, "", 0, 0, Given.NOT_SAID, "avc-volts"))
                    .with(aligned(
                            AlignmentEntry.Kind.READ, AlignmentPurpose.SIGNAL_HIGH, "A7", 2, 4, Given.NOT_SAID, ""));
            for (double middle : List.of(462e3, 470e3, 465e3))
                job = job.with(aligned(AlignmentEntry.Kind.CURVE, between, "A1", 0, 0, Given.NOT_SAID, "")
                        .withCurve(List.of(
                                new AlignmentEntry.Sample(middle - 10e3, 0.1),
                                new AlignmentEntry.Sample(middle, 1),
                                new AlignmentEntry.Sample(middle + 10e3, 0.1))));
            for (AlignmentEntry.Kind k : AlignmentEntry.Kind.values())
                if (job.alignment().stream().noneMatch(e -> e.kind() == k))
                    job = job.with(aligned(
                            k,
                            k == AlignmentEntry.Kind.LEFT_ALONE ? null : AlignmentPurpose.OSCILLATOR_LOW,
                            "A6",
                            0,
                            0,
                            Given.NOT_SAID,
                            "good enough"));
            SetRecord logged = w.sets().change(set.id(), "aligned", List.of(new Op.PutJob(job)));
            StringWriter html = new StringWriter();
            report.html(logged, new Words(Vocabulary.STANDARD), w::file, html);
            assertThat(html.toString())
                    .contains("Alignment", "Band AM", "A1 A2", "400 mV at 100 µV", "800 mV at 50 µV", "+12.0 dB")
                    .contains(
                            "As found: 462 kHz, 6 kHz wide",
                            "For 50 mW at the speaker (intermediate frequency): 97 µV before, 24 µV after",
                            "Now: 465 kHz, 6 kHz wide",
                            "peaks at 452 kHz",
                            "600 kHz where the dial read 580 kHz",
                            "Watched: AVC volts",
                            "good enough")
                    .doesNotContain("align.", "+6.0 dB", "470 kHz");
        }
    }

    private static String what(PowerEntry.Kind kind) {
        return switch (kind) {
            case GLOW -> "faint";
            case WARMTH -> "warm";
            case MET -> "fuse";
            default -> "F1";
        };
    }

    /** What the disk does not give is said in the picture's place, and the rest of the record is written. */
    @Test
    void aPhotoThatTheDiskDoesNotGiveIsSaidInItsPlace(@Mock Function<Photo, Path> photos) throws IOException {
        try (Workshop w = Temp.open(folder)) {
            SetRecord set = withPhoto(w);
            Path cut = folder.resolve("cut.png");
            Files.write(cut, Arrays.copyOf(Temp.picture(1), 60));
            when(photos.apply(set.photos().get(0))).thenReturn(folder.resolve("gone.png"), cut);
            for (String lost : new String[] {"gone.png", "cut.png"}) {
                StringWriter html = new StringWriter();
                report.html(set, new Words(Vocabulary.STANDARD), photos, html);
                assertThat(html.toString())
                        .contains("The file of this picture, " + lost + ", cannot be read", "the &lt;underside&gt;")
                        .contains("Coupling capacitor C14 leaks")
                        .doesNotContain("<img src=\"data:image/jpeg");
            }
        }
    }

    @Test
    void aDiskThatFillsUnderTheRecordIsSaid(@Mock OutputStream disk) throws IOException {
        doThrow(new IOException("No space left on device")).when(disk).write(any(byte[].class), anyInt(), anyInt());
        assertThatThrownBy(() -> report.pdf(Temp.halcyon(), new Words(Vocabulary.STANDARD), p -> folder, disk))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("No space left");
    }

    @Test
    void theVocabularyReachesThePage() throws IOException {
        StringWriter html = new StringWriter();
        report.html(Temp.halcyon(), new Words(new Vocabulary(true, false)), p -> folder, html);
        assertThat(html.toString()).contains("anode").doesNotContain("plate V");
    }

    @Test
    void thePdfHoldsTheTextWithItsFontInside() throws IOException {
        try (Workshop w = Temp.open(folder)) {
            ByteArrayOutputStream pdf = new ByteArrayOutputStream();
            report.pdf(withPhoto(w), new Words(Vocabulary.STANDARD), w::file, pdf);
            try (PDDocument document = Loader.loadPDF(pdf.toByteArray())) {
                String text = new PDFTextStripper().getText(document);
                assertThat(text).contains("Vessmark Halcyon", "V4.1", " MΩ", "must not be positive");
                boolean embedded = true;
                for (var name : document.getPage(0).getResources().getFontNames())
                    embedded &= document.getPage(0).getResources().getFont(name).isEmbedded();
                assertThat(embedded).isTrue();
                assertThat(document.getNumberOfPages()).isBetween(2, 5);
            }
        }
    }

    @Test
    void aSetAboutWhichNothingIsKnownStillHasAPage() throws IOException {
        StringWriter html = new StringWriter();
        report.html(anabion.workshop.demo.DemoWorkshop.set("moor"), new Words(Vocabulary.STANDARD), p -> folder, html);
        assertThat(html.toString()).contains("Tarnholt Moor").doesNotContain("<h2>Voltages</h2>");
    }

    /** The Lark's whole story: what came off, how it held out, its cord and its case. */
    @Test
    void theRecordHasStripDownSoakDriveAndNotes() throws IOException {
        try (Workshop w = Temp.open(folder)) {
            SetRecord set = anabion.workshop.demo.DemoWorkshop.set("lark");
            Job job = set.job()
                    .with(new Note(
                            UUID.randomUUID(),
                            Temp.NOW,
                            Note.Kind.CAUSE,
                            "cord broke at the shaft",
                            "",
                            0,
                            Optional.empty(),
                            anabion.core.json.Extra.NONE));
            w.sets().add(set);
            SetRecord told = w.sets().change(set.id(), "told", List.of(new Op.PutJob(job)));
            StringWriter html = new StringWriter();
            report.html(told, new Words(Vocabulary.STANDARD), w::file, html);
            assertThat(html.toString())
                    .contains("Root cause", "cord broke at the shaft")
                    .contains("<h2>Soak</h2>", "It held out for 6 h 2 min", "Hottest part Q7", "8 K above the room")
                    .contains("<h2>Drive and case</h2>", "695 mm", "plays better")
                    .contains("6 screws M3x8 back: off")
                    .doesNotContain("stripdown.", "case.kind", "soak.state");
        }
    }
}
