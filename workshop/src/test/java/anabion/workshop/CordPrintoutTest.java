package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.error.InputException;
import anabion.core.job.CordRun;
import anabion.core.job.CordRun.Kind;
import anabion.core.job.CordRun.Pass;
import anabion.core.job.CordRun.Turning;
import anabion.core.job.CordRun.Wheel;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.report.CordPrintout;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/** A cord on paper, at size. */
class CordPrintoutTest {
    private static final Words WORDS = new Words(Vocabulary.STANDARD);

    private static CordRun run(double apart) {
        return CordRun.named(new UUID(0, 1), "front")
                .with(new Wheel("D", Kind.DRUM, 60, 0, 0))
                .with(new Wheel("E", Kind.DRUM, 60, apart, 0))
                .withPasses(List.of(
                        new Pass("D", Turning.CLOCKWISE, 0, Optional.of(0.0)),
                        new Pass("E", Turning.CLOCKWISE, 0, Optional.of(90.0))));
    }

    private static byte[] pdf(CordRun run) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        new CordPrintout("Vessmark Halcyon", List.of(run), WORDS).write(out);
        return out.toByteArray();
    }

    /** The red line's two ends lie as far apart on paper as on the set. */
    @Test
    void aMillimetreIsAMillimetre() throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf(run(150)))) {
            float width = document.getPage(0).getMediaBox().getWidth();
            assertThat(width / 72 * 25.4).as("a sheet of A4, lying").isCloseTo(297, within(0.5));
            double dpi = 254;
            BufferedImage page = new PDFRenderer(document).renderImageWithDPI(0, (float) dpi);
            int left = page.getWidth();
            int right = 0;
            for (int x = 0; x < page.getWidth(); x++)
                for (int y = 0; y < page.getHeight(); y++) {
                    int rgb = page.getRGB(x, y);
                    if (((rgb >> 16) & 255) > 120 && (rgb & 255) < 90) {
                        left = Math.min(left, x);
                        right = Math.max(right, x);
                    }
                }
            // from the top of the first drum to the right of the second, of which the cord's own half stands out on
            // either side
            assertThat((right - left) * 25.4 / dpi).isCloseTo(150 + 30 + 0.6, within(0.5));
            assertThat(new PDFTextStripper().getText(document))
                    .contains("Dial cord of Vessmark Halcyon", "to be cut 198 mm", "This rule is 100 mm");
        }
    }

    @Test
    void aWideRunGetsAWideSheet() throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf(run(600)))) {
            assertThat(document.getPage(0).getMediaBox().getWidth() / 72 * 25.4).isGreaterThan(660);
        }
    }

    @Test
    void aNameThatTheFontLacksSpoilsNoPage() throws IOException {
        CordRun run = run(150).with(new Wheel("Ж漢", Kind.POST, 3, 40, 90));
        try (PDDocument document = Loader.loadPDF(pdf(run))) {
            assertThat(new PDFTextStripper().getText(document)).contains("Ø3");
        }
    }

    @Test
    void withoutARunThereIsNothingToPrint() {
        CordPrintout none = new CordPrintout("Halcyon", List.of(), WORDS);
        assertThatThrownBy(() -> none.write(new ByteArrayOutputStream()))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("no run of a cord");
    }
}
