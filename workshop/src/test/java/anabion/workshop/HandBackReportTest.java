package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.error.InputException;
import anabion.core.handback.SafetyLimits;
import anabion.core.job.Job;
import anabion.core.job.Note;
import anabion.core.job.PowerEntry;
import anabion.core.job.PowerLog;
import anabion.core.job.PowerStage;
import anabion.core.json.Extra;
import anabion.core.testing.LeftToDeep;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.demo.DemoWorkshop;
import anabion.workshop.report.Edition;
import anabion.workshop.report.HandBackReport;
import anabion.workshop.report.Paper;
import anabion.workshop.report.ReportChoice;
import anabion.workshop.report.Templates;
import anabion.workshop.storage.PhotoFiles;
import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.preflight.ValidationResult;
import org.apache.pdfbox.preflight.parser.PreflightParser;
import org.apache.pdfbox.rendering.PDFRenderer;
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
            report(set).pdf(ReportChoice.of(edition, paper), out);
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
            assertThat(document.getDocumentCatalog().getDocumentOutline().children())
                    .as("bookmarks")
                    .isNotEmpty()
                    .allSatisfy(b -> assertThat(b.findDestinationPage(document))
                            .as(b.getTitle())
                            .isNotNull());
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
        assertThat(report(told("brae")).html(ReportChoice.of(Edition.OWNER, Paper.A4)))
                .contains("may be at the mains");
        assertThat(report(told("halcyon")).html(ReportChoice.of(Edition.OWNER, Paper.A4)))
                .doesNotContain("may be at the mains");
        assertThat(report(told("trunk-road")).html(ReportChoice.of(Edition.OWNER, Paper.A4)))
                .contains("negative pole on the body")
                .doesNotContain("batteries out");
    }

    /** The first photo stands at the top, all of them at the end, each with its caption; one that is lost is said in its place. */
    @Test
    void photosAreInThePdfWithTheirWords() throws IOException {
        SetRecord set = told("brae");
        Path there = folder.resolve("a.png");
        Files.write(there, Temp.picture(3));
        Photo a = new Photo(UUID.randomUUID(), new PhotoFiles.Stored("a".repeat(64), "png"), "the underside", Temp.NOW);
        Photo b = new Photo(UUID.randomUUID(), new PhotoFiles.Stored("b".repeat(64), "png"), "the dial", Temp.NOW);
        SetRecord with = new SetRecord(set.chassis(), set.job(), set.readings(), List.of(a, b), set.place());
        Path pdf = folder.resolve("photos.pdf");
        try (OutputStream out = Files.newOutputStream(pdf)) {
            new HandBackReport(
                            with,
                            new Words(Vocabulary.STANDARD),
                            p -> p.equals(a) ? there : folder.resolve("none"),
                            SafetyLimits.USUAL,
                            CLOCK)
                    .pdf(ReportChoice.of(Edition.OWNER, Paper.A4), out);
        }
        assertThat(PreflightParser.validate(pdf.toFile()).isValid()).isTrue();
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            int images = 0;
            for (PDPage page : document.getPages())
                for (COSName name : page.getResources().getXObjectNames())
                    if (page.getResources().isImageXObject(name)) images++;
            assertThat(images).as("code, cover, photo").isGreaterThanOrEqualTo(2);
            assertThat(new PDFTextStripper().getText(document).replaceAll("\\s+", " "))
                    .contains("the underside", "the dial", "cannot be read");
        }
    }

    /** The workshop's own has the circuit as drawn, in the same archival form. */
    @ParameterizedTest
    @CsvSource({"halcyon, V4 6AQ5, V4 6AQ5 tube", "brae, V4 UL41, V4 UL41 tube", "concerto, V7 EL84, V7 EL84 tube"})
    void theWorkshopsEditionHasTheCircuit(String name, String drawn, String listed) throws IOException {
        Path file = pdf(told(name), Edition.WORKSHOP, Paper.LETTER);
        assertThat(PreflightParser.validate(file.toFile()).getErrorsList())
                .extracting(e -> e.getErrorCode() + " " + e.getDetails())
                .isEmpty();
        try (PDDocument document = Loader.loadPDF(file.toFile())) {
            assertThat(new PDFTextStripper().getText(document).replaceAll("\\s+", " "))
                    .contains("Circuit", "Figure 1.", drawn, listed, "What the readings say");
            assertThat(document.getNumberOfPages()).isBetween(2, 6);
        }
    }

    @Test
    void soakAndFirstPowerAreDrawn() throws IOException {
        assertThat(report(told("lark")).html(ReportChoice.of(Edition.OWNER, Paper.A4)))
                .contains("How far the rail wandered", "<svg", "aria-label=\"Curve over the hours");
        assertThat(report(poweredUp()).html(ReportChoice.of(Edition.OWNER, Paper.A4)))
                .contains("Rail B1 while the line was turned up");
    }

    private static SetRecord poweredUp() {
        SetRecord set = DemoWorkshop.set("halcyon");
        PowerLog log = PowerLog.NONE
                .with(power(set, PowerEntry.Kind.BEGAN, PowerStage.WHOLE_SET.code(), 0, 0))
                .with(power(set, PowerEntry.Kind.RAIL, "B1", 120, 120))
                .with(power(set, PowerEntry.Kind.RAIL, "B1", 240, 230));
        return new SetRecord(set.chassis(), set.job().withPower(log), set.readings(), set.photos(), set.place());
    }

    private static PowerEntry power(SetRecord set, PowerEntry.Kind kind, String what, double value, double dial) {
        return new PowerEntry(
                UUID.randomUUID(),
                Temp.NOW,
                kind,
                dial,
                0,
                what,
                "",
                value,
                "",
                set.job().fitted().id(),
                Extra.NONE);
    }

    @Test
    void whatIsLeftOutIsNotThere() throws IOException {
        ReportChoice all = ReportChoice.of(Edition.OWNER, Paper.A4);
        assertThat(report(told("lark")).html(all)).contains("Hours at work", "Work and costs", "received by");
        assertThat(report(told("lark")).html(all.without(List.of("soak", "cost", "signatures"))))
                .doesNotContain("Hours at work", "Work and costs", "received by")
                .contains("What to know");
        assertThat(ReportChoice.read(all.without(List.of("soak")).text())).contains(all.without(List.of("soak")));
        assertThatThrownBy(() -> all.without(List.of("safety"))).isInstanceOf(InputException.class);
    }

    /** A workshop may say it in its own way; what it writes wrongly is named. */
    @Test
    void aWorkshopsOwnTemplatesServe() throws IOException {
        Path own = folder.resolve("templates");
        assertThat(Templates.copyTo(own)).hasSizeGreaterThan(5);
        assertThat(Templates.copyTo(own)).as("nothing of it is written over").isEmpty();
        ReportChoice choice = ReportChoice.of(Edition.OWNER, Paper.A4);
        Path file = own.resolve("owner.html");
        Files.writeString(file, Files.readString(file).replace("What was wrong</h2>", "Why it came</h2>"));
        assertThat(report(told("lark")).with(Templates.in(own)).html(choice)).contains("Why it came</h2>");
        Files.writeString(file, "{{#wrong}}");
        assertThatThrownBy(() -> report(told("lark")).with(Templates.in(own)).html(choice))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("owner.html");
        Files.writeString(file, "<html><body><p>not closed</body></html>");
        assertThatThrownBy(() -> report(told("lark")).with(Templates.in(own)).pdf(choice, new ByteArrayOutputStream()))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("owner.html");
    }

    @Test
    void aLabelIsOneAndItsCodeNamesTheSet() throws Exception {
        Path file = pdf(told("concerto"), Edition.LABEL, Paper.A4);
        try (PDDocument document = Loader.loadPDF(file.toFile())) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
            BufferedImage image = new PDFRenderer(document).renderImageWithDPI(0, 300);
            int[] pixels = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
            String code = new QRCodeReader()
                    .decode(new BinaryBitmap(
                            new HybridBinarizer(new RGBLuminanceSource(image.getWidth(), image.getHeight(), pixels))))
                    .getText();
            assertThat(code).contains(DemoWorkshop.chassis("concerto").id().toString());
        }
    }

    @Test
    void theBagListsWhatCameOut() throws IOException {
        assertThat(report(told("halcyon")).html(ReportChoice.of(Edition.BAG, Paper.A4)))
                .contains("C19", "C20", "hazardous waste");
    }

    /** Pictures of 12 megapixels each take their time to be made and read. */
    @Test
    @LeftToDeep
    void fortyPhotosAreSoonOnPaper() throws IOException {
        SetRecord set = told("halcyon");
        List<Photo> photos = new ArrayList<>();
        Map<UUID, Path> files = new HashMap<>();
        for (int n = 0; n < 40; n++) {
            Path file = n < 4 ? bigPhoto(n) : folder.resolve("big" + n % 4 + ".jpg");
            UUID id = UUID.randomUUID();
            photos.add(new Photo(id, new PhotoFiles.Stored("0".repeat(64), "jpg"), "photo " + n, Temp.NOW));
            files.put(id, file);
        }
        SetRecord with = new SetRecord(set.chassis(), set.job(), set.readings(), photos, set.place());
        Path pdf = folder.resolve("forty.pdf");
        long start = System.nanoTime();
        try (OutputStream out = Files.newOutputStream(pdf)) {
            new HandBackReport(with, new Words(Vocabulary.STANDARD), p -> files.get(p.id()), SafetyLimits.USUAL, CLOCK)
                    .pdf(ReportChoice.of(Edition.OWNER, Paper.A4), out);
        }
        double seconds = (System.nanoTime() - start) / 1e9;
        System.err.printf(
                "forty photos: %.1f s, %.1f MB%n", seconds, pdf.toFile().length() / 1e6);
        assertThat(pdf.toFile().length()).isLessThan(20_000_000);
        // ten by itself; other tests run beside
        assertThat(seconds).isLessThan(30);
    }

    private Path bigPhoto(int n) throws IOException {
        BufferedImage image = new BufferedImage(4000, 3000, BufferedImage.TYPE_INT_RGB);
        Random random = new Random(n);
        for (int y = 0; y < 3000; y += 4)
            for (int x = 0; x < 4000; x += 4) {
                int colour = random.nextInt(1 << 24);
                for (int k = 0; k < 16; k++) image.setRGB(x + k % 4, y + k / 4, colour);
            }
        Path file = folder.resolve("big" + n + ".jpg");
        ImageIO.write(image, "jpg", file.toFile());
        return file;
    }
}
