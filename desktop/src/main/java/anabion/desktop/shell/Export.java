package anabion.desktop.shell;

import anabion.core.error.InputException;
import anabion.core.recap.Plan;
import anabion.core.text.Words;
import anabion.workshop.Photo;
import anabion.workshop.SetRecord;
import anabion.workshop.archive.SetArchive;
import anabion.workshop.archive.WorkshopArchive;
import anabion.workshop.report.CordPrintout;
import anabion.workshop.report.HandBackReport;
import anabion.workshop.report.RecapPrintout;
import anabion.workshop.report.ReportChoice;
import anabion.workshop.report.SetReport;
import anabion.workshop.storage.ForcedFiles;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * Writes one file on a thread of its own, saying how far it is, until it is done or stopped. It is written beside the target first, so that neither a failure nor a
 * stop leaves half a file under the wanted name.
 */
final class Export {
    private final Path file;
    private final int pictures;
    private final Content content;
    private volatile boolean stopped;

    /** What is written. */
    private interface Content {
        /** @param photos where a photo lies; asked once for each that is written */
        void write(Function<Photo, Path> photos, OutputStream out) throws IOException;
    }

    private Export(Path file, int pictures, Content content) {
        this.file = file;
        this.pictures = pictures;
        this.content = content;
    }

    /** The record of a set, or its archive. */
    static Export of(SetRecord set, Words words, Kind kind, Path file) {
        return new Export(
                file,
                set.photos().size(),
                switch (kind) {
                    case PDF -> (photos, out) -> new SetReport().pdf(set, words, photos, out);
                    case HTML -> (photos, out) -> html(set, words, photos, out);
                    case ZIP -> (photos, out) -> SetArchive.write(set, photos, out);
                });
    }

    /** What a set is written as. */
    enum Kind {
        PDF("pdf", ".pdf"),
        HTML("html", ".html"),
        ZIP("archive-file", ".anabion.zip");

        private final String action;
        private final String ending;

        Kind(String action, String ending) {
            this.action = action;
            this.ending = ending;
        }

        String action() {
            return action;
        }
    }

    private static void html(SetRecord set, Words words, Function<Photo, Path> photos, OutputStream out)
            throws IOException {
        try (Writer writer = new OutputStreamWriter(out, StandardCharsets.UTF_8)) {
            new SetReport().html(set, words, photos, writer);
        }
    }

    /** The recap of a set as a page to print. */
    static Export benchSheet(SetRecord set, Plan plan, Words words, Path file) {
        RecapPrintout sheet =
                new RecapPrintout(set.chassis().name(), plan, set.job().recap(), words);
        return new Export(file, 0, (photos, out) -> out.write(sheet.html().getBytes(StandardCharsets.UTF_8)));
    }

    /** Its dial cords, at size. */
    static Export cords(SetRecord set, Words words, Path file) {
        CordPrintout cords = new CordPrintout(set.chassis().name(), set.job().cords(), words);
        return new Export(file, 0, (photos, out) -> cords.write(out));
    }

    /** A report: PDF, or HTML in one file. */
    static Export report(
            int pictures,
            Path file,
            Function<Function<Photo, Path>, HandBackReport> report,
            ReportChoice choice,
            boolean html) {
        return new Export(file, pictures, (photos, out) -> {
            if (html) out.write(report.apply(photos).html(choice).getBytes(StandardCharsets.UTF_8));
            else report.apply(photos).pdf(choice, out);
        });
    }

    /** A whole workshop. */
    static Export workshop(WorkshopArchive.Snapshot all, Path file) {
        return new Export(file, all.photos().size(), (photos, out) -> WorkshopArchive.write(all, out));
    }

    /** The name proposed for the file. */
    static String name(SetRecord set, Kind kind) {
        return name(set, kind.ending);
    }

    /** @param ending with its point */
    static String name(SetRecord set, String ending) {
        return set.chassis().name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-") + ending;
    }

    void stop() {
        stopped = true;
    }

    boolean stopped() {
        return stopped;
    }

    /**
     * @param photos where a photo lies
     * @param progress told the share done, 0 to 1, on the export's thread
     * @return completes with the file, or with {@link CancellationException} once stopped
     */
    CompletableFuture<Path> run(Function<Photo, Path> photos, Consumer<Double> progress) {
        CompletableFuture<Path> done = new CompletableFuture<>();
        Thread thread = new Thread(
                () -> {
                    try {
                        done.complete(write(photos, progress));
                    } catch (IOException e) {
                        done.completeExceptionally(FileErrors.of(e));
                    } catch (RuntimeException | Error e) {
                        done.completeExceptionally(e); // whoever waits must hear of it, whatever it is
                    }
                },
                "export");
        thread.setDaemon(true);
        thread.start();
        return done;
    }

    private Path write(Function<Photo, Path> photos, Consumer<Double> progress) throws IOException {
        double steps = pictures + 2.0;
        AtomicInteger at = new AtomicInteger(); // photos are read on several threads
        progress.accept(1 / steps);
        Function<Photo, Path> counted = photo -> {
            goOn();
            progress.accept((1 + at.incrementAndGet()) / steps);
            return photos.apply(photo);
        };
        ForcedFiles.write(file, bytes -> {
            content.write(counted, new Stoppable(bytes));
            goOn();
        });
        return file;
    }

    private void goOn() {
        if (stopped) throw new CancellationException();
    }

    /** What is written through it ends as soon as the export is stopped. */
    private final class Stoppable extends FilterOutputStream {
        Stoppable(OutputStream out) {
            super(out);
        }

        @Override
        public void write(byte[] bytes, int from, int length) throws IOException {
            goOn();
            out.write(bytes, from, length);
        }
    }

    /** Refused while another one runs. */
    static InputException busy(Words words) {
        return InputException.at("").because(words.say("ui.export.busy")).so(words.say("ui.export.busy.remedy"));
    }
}
