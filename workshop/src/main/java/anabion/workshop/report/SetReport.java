package anabion.workshop.report;

import anabion.core.text.Words;
import anabion.workshop.Photo;
import anabion.workshop.Predictors;
import anabion.workshop.SetRecord;
import anabion.workshop.storage.Pictures;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PDFontSupplier;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.Template;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InterruptedIOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javax.imageio.ImageIO;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** Writes the record of a set as HTML, or as PDF with its own fonts inside. */
public final class SetReport {
    private static final int PICTURE_WIDTH = 480;

    private final Template template;
    private final String empty;
    private final Predictors predictors = new Predictors();
    private Optional<Thread> waking = Optional.empty();

    /** Loads fonts and style when they are first needed. */
    public SetReport() {
        try (InputStream in = SetReport.class.getResourceAsStream("/anabion/report/record.html")) {
            String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            template = Mustache.compiler().compile(text);
            empty = text.replaceAll("\\{\\{[^}]*}}", "");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Writes the record as one HTML file with its pictures inside.
     *
     * @param file where a photo is on disk
     * @throws IOException if it cannot be written
     */
    public void html(SetRecord set, Words words, Function<Photo, Path> file, Writer out) throws IOException {
        out.write(page(set, words, file));
        out.flush();
    }

    /**
     * Writes the record as PDF.
     *
     * @param file where a photo is on disk
     * @throws IOException if it cannot be written
     */
    public void pdf(SetRecord set, Words words, Function<Photo, Path> file, OutputStream out) throws IOException {
        rouse();
        String page = page(set, words, file);
        join();
        print(page, out);
    }

    /**
     * The layout library takes as long to load as the verdict to reach: it is woken meanwhile, by the page without its content. Whoever knows early
     * that a PDF is wanted may call this before the set is read.
     */
    public void rouse() {
        com.openhtmltopdf.util.XRLog.setLoggingEnabled(false);
        if (waking.isPresent()) return;
        Thread thread = new Thread(this::wake, "layout");
        thread.setDaemon(true);
        thread.start();
        waking = Optional.of(thread);
    }

    private void wake() {
        try {
            print(empty, OutputStream.nullOutputStream());
        } catch (IOException | RuntimeException e) {
            return; // if this matters, the page itself will say so
        }
    }

    private void join() throws IOException {
        try {
            if (waking.isPresent()) waking.get().join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new InterruptedIOException("the record was given up");
        }
    }

    private static void print(String page, OutputStream out) throws IOException {
        try (PDDocument document = new PDDocument()) {
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.usePDDocument(document);
            font(builder, document, "Regular", 400);
            font(builder, document, "SemiBold", 600);
            builder.withHtmlContent(page, null);
            builder.toStream(out);
            builder.run();
        }
    }

    /** Without ligatures: the library looks for them in every word by patterns that it makes anew each time, a fourth of the whole work. */
    private static void font(PdfRendererBuilder builder, PDDocument document, String weight, int value)
            throws IOException {
        String file = "/anabion/fonts/IBMPlexSansCondensed-" + weight + ".ttf";
        try (InputStream in = SetReport.class.getResourceAsStream(file)) {
            TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(in));
            font.setEnableGsub(false);
            PDFontSupplier plex = new PDFontSupplier(PDType0Font.load(document, font, true));
            builder.useFont(plex, "Plex", value, FontStyle.NORMAL, true);
        }
    }

    private String page(SetRecord set, Words words, Function<Photo, Path> file) throws IOException {
        return template.execute(new RecordPage(set, words, pictures(set, words, file), predictors));
    }

    private static List<RecordPage.Picture> pictures(SetRecord set, Words words, Function<Photo, Path> file) {
        return set.photos().stream().map(p -> picture(p, words, file.apply(p))).toList();
    }

    /** One that cannot be read is said in its place: it must not keep the rest of the record from being written. */
    private static RecordPage.Picture picture(Photo photo, Words words, Path file) {
        try {
            BufferedImage image = Pictures.upright(Files.readAllBytes(file), PICTURE_WIDTH);
            String data = "data:image/jpeg;base64," + Base64.getEncoder().encodeToString(small(image));
            return new RecordPage.Picture(photo.caption(), data, "");
        } catch (IOException e) {
            String lost = words.say("record.picture.lost", String.valueOf(file.getFileName()));
            return new RecordPage.Picture(photo.caption(), "", lost);
        }
    }

    private static byte[] small(BufferedImage image) throws IOException {
        int width = Math.min(PICTURE_WIDTH, image.getWidth());
        int height = Math.max(1, image.getHeight() * width / image.getWidth());
        BufferedImage small = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = small.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        g.drawImage(image, 0, 0, width, height, null);
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(small, "jpg", out);
        return out.toByteArray();
    }
}
