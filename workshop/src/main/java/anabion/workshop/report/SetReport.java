package anabion.workshop.report;

import anabion.core.text.Words;
import anabion.workshop.Photo;
import anabion.workshop.Predictors;
import anabion.workshop.SetRecord;
import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.Template;
import java.io.IOException;
import java.io.InputStream;
import java.io.InterruptedIOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Function;

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
        PagePrinter.print(page, out);
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
            PagePrinter.print(empty, OutputStream.nullOutputStream());
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

    private String page(SetRecord set, Words words, Function<Photo, Path> file) throws IOException {
        return template.execute(
                new RecordPage(set, words, PagePictures.of(set, words, file, PICTURE_WIDTH), predictors));
    }
}
