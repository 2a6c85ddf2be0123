package anabion.workshop.report;

import anabion.core.text.Words;
import anabion.workshop.Photo;
import anabion.workshop.Predictors;
import anabion.workshop.SetRecord;
import java.io.IOException;
import java.io.InterruptedIOException;
import java.io.OutputStream;
import java.io.Writer;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Function;

/** Writes the record of a set as HTML, or as PDF with its own fonts inside. */
public final class SetReport {
    private static final int PICTURE_WIDTH = 480;

    private final Predictors predictors = new Predictors();
    private Optional<Thread> waking = Optional.empty();

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
            PagePrinter.print(Templates.empty("record"), OutputStream.nullOutputStream());
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
        RecordPage page =
                new RecordPage(set, words, PagePictures.of(set, words, file, PICTURE_WIDTH), predictors, Paper.A4);
        return Templates.STANDARD.page("record", page, page);
    }
}
