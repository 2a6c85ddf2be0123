package anabion.workshop.report;

import anabion.core.drive.CordPath;
import anabion.core.error.InputException;
import anabion.core.job.CordRun;
import anabion.core.job.CordRun.Wheel;
import anabion.core.quantity.Figures;
import anabion.core.text.Words;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/**
 * The runs of a set's dial cords as they are, one millimetre on paper for one of the set: a page each, as large as the run wants, with a rule to
 * see whether the printer kept to it.
 */
public final class CordPrintout {
    private static final float POINTS = 72 / 25.4f;
    private static final double MARGIN = 15;
    /** Millimetres of the lines of text beneath. */
    private static final double FOOT = 42;

    private static final double HEAD = 14;
    private static final double RULE = 100;
    private static final List<PDRectangle> SHEETS =
            List.of(new PDRectangle(297 * POINTS, 210 * POINTS), new PDRectangle(420 * POINTS, 297 * POINTS));
    private static final int AROUND = 48;

    private final String name;
    private final List<CordRun> runs;
    private final Words words;

    /** @param name of the set */
    public CordPrintout(String name, List<CordRun> runs, Words words) {
        this.name = name;
        this.runs = runs.stream().filter(r -> !r.passes().isEmpty()).toList();
        this.words = words;
    }

    /**
     * Writes it as PDF.
     *
     * @throws InputException if there is no run, or one that no cord can take
     * @throws IOException if it cannot be written
     */
    public void write(OutputStream out) throws IOException {
        if (runs.isEmpty())
            throw InputException.at(name).because(words.say("cord.nothing")).so(words.say("cord.nothing.remedy"));
        try (PDDocument document = new PDDocument()) {
            document.getDocumentInformation().setTitle(words.say("cord.title", name));
            PDFont font;
            try (InputStream in =
                    CordPrintout.class.getResourceAsStream("/anabion/fonts/IBMPlexSansCondensed-Regular.ttf")) {
                font = PDType0Font.load(document, in);
            }
            for (CordRun run : runs) page(document, CordPath.of(run), font);
            document.save(out);
        }
    }

    /** One run. */
    private void page(PDDocument document, CordPath path, PDFont font) throws IOException {
        List<Wheel> wheels = path.run().wheels();
        double reach = path.run().cord();
        double left =
                wheels.stream().mapToDouble(w -> w.x() - w.diameter() / 2).min().orElse(0) - reach;
        double right =
                wheels.stream().mapToDouble(w -> w.x() + w.diameter() / 2).max().orElse(0) + reach;
        double low =
                wheels.stream().mapToDouble(w -> w.y() - w.diameter() / 2).min().orElse(0) - reach;
        double high =
                wheels.stream().mapToDouble(w -> w.y() + w.diameter() / 2).max().orElse(0) + reach;
        double width = Math.max(right - left, RULE) + 2 * MARGIN;
        double height = high - low + 2 * MARGIN + HEAD + FOOT;
        PDRectangle sheet = SHEETS.stream()
                .filter(s -> width * POINTS <= s.getWidth() && height * POINTS <= s.getHeight())
                .findFirst()
                .orElseGet(() -> new PDRectangle((float) width * POINTS, (float) height * POINTS));
        PDPage page = new PDPage(sheet);
        document.addPage(page);
        double x0 = sheet.getWidth() / POINTS / 2 - (left + right) / 2;
        double y0 = (sheet.getHeight() / POINTS - HEAD + FOOT) / 2 - (low + high) / 2;
        try (PDPageContentStream pen = new PDPageContentStream(document, page)) {
            text(
                    pen,
                    font,
                    14,
                    MARGIN,
                    sheet.getHeight() / POINTS - MARGIN,
                    words.say("cord.title", name) + ", "
                            + words.say(
                                    "cord.how",
                                    words.say("cord.run." + path.run().name())));
            pen.setLineWidth(0.4f);
            for (Wheel w : wheels) circle(pen, x0 + w.x(), y0 + w.y(), w.diameter() / 2);
            for (Wheel w : wheels) circle(pen, x0 + w.x(), y0 + w.y(), 0.4);
            pen.setStrokingColor(0.65f, 0.15f, 0.1f);
            pen.setLineWidth((float) Math.max(0.4, path.run().cord() * POINTS));
            line(pen, path.points(), x0, y0);
            pen.setStrokingColor(0f, 0f, 0f);
            for (Wheel w : wheels)
                text(
                        pen,
                        font,
                        9,
                        x0 + w.x() + 1,
                        y0 + w.y() + 1,
                        w.name() + " Ø" + Figures.fixed(w.diameter(), w.diameter() % 1 == 0 ? 0 : 1));
            foot(pen, font, path);
        }
    }

    private void foot(PDPageContentStream pen, PDFont font, CordPath p) throws IOException {
        double y = FOOT - 2;
        String first = words.say("cord.length") + " " + mm(p.length()) + ": " + words.say("cord.straight") + " "
                + mm(p.straight()) + ", " + words.say("cord.around") + " " + mm(p.around()) + ", "
                + words.say("cord.inside") + " " + mm(p.run().inside()) + ", " + words.say("cord.knots") + " "
                + mm(p.run().knots());
        text(pen, font, 11, MARGIN, y, first);
        String second = words.say("cord.travel") + " " + mm(p.travel()) + ", "
                + words.say("cord.gang", Figures.fixed(p.run().gang(), 0));
        text(pen, font, 11, MARGIN, y - 6, second);
        double ruleAt = y - 14;
        pen.setLineWidth(0.4f);
        pen.moveTo((float) MARGIN * POINTS, (float) ruleAt * POINTS);
        pen.lineTo((float) (MARGIN + RULE) * POINTS, (float) ruleAt * POINTS);
        for (int n = 0; n <= RULE / 10; n++) {
            pen.moveTo((float) (MARGIN + 10 * n) * POINTS, (float) ruleAt * POINTS);
            pen.lineTo((float) (MARGIN + 10 * n) * POINTS, (float) (ruleAt + (n % 5 == 0 ? 4 : 2)) * POINTS);
        }
        pen.stroke();
        text(pen, font, 9, MARGIN, ruleAt - 5, words.say("cord.rule"));
    }

    private String mm(double value) {
        return words.say("cord.mm", Figures.fixed(value, 0));
    }

    private static void circle(PDPageContentStream pen, double x, double y, double radius) throws IOException {
        for (int n = 0; n <= AROUND; n++) {
            float px = (float) (x + radius * Math.cos(2 * Math.PI * n / AROUND)) * POINTS;
            float py = (float) (y + radius * Math.sin(2 * Math.PI * n / AROUND)) * POINTS;
            if (n == 0) pen.moveTo(px, py);
            else pen.lineTo(px, py);
        }
        pen.stroke();
    }

    private static void line(PDPageContentStream pen, List<double[]> points, double x0, double y0) throws IOException {
        for (int n = 0; n < points.size(); n++) {
            float px = (float) (x0 + points.get(n)[0]) * POINTS;
            float py = (float) (y0 + points.get(n)[1]) * POINTS;
            if (n == 0) pen.moveTo(px, py);
            else pen.lineTo(px, py);
        }
        pen.stroke();
    }

    /** Names are typed: what the font lacks is a question mark. */
    private static String drawable(PDFont font, String text) {
        StringBuilder all = new StringBuilder();
        text.codePoints().forEach(c -> {
            String one = Character.toString(c);
            try {
                font.getStringWidth(one);
                all.append(one);
            } catch (IOException | IllegalArgumentException | IllegalStateException e) {
                all.append('?'); // so the library says that it has no such glyph
            }
        });
        return all.toString();
    }

    private static void text(PDPageContentStream pen, PDFont font, float size, double x, double y, String text)
            throws IOException {
        pen.beginText();
        pen.setFont(font, size);
        pen.newLineAtOffset((float) x * POINTS, (float) y * POINTS);
        pen.showText(drawable(font, text));
        pen.endText();
    }
}
