package anabion.desktop.shell;

import anabion.core.error.InputException;
import anabion.core.handback.SafetyLimits;
import anabion.core.recap.Plan;
import anabion.core.text.Words;
import anabion.workshop.Photo;
import anabion.workshop.SetRecord;
import anabion.workshop.archive.SetArchive;
import anabion.workshop.report.CordPrintout;
import anabion.workshop.report.Edition;
import anabion.workshop.report.HandBackReport;
import anabion.workshop.report.Paper;
import anabion.workshop.report.RecapPrintout;
import anabion.workshop.report.SetReport;
import anabion.workshop.storage.ForcedFiles;
import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * Writes one set to a file on a thread of its own, saying how far it is, until it is done or stopped. It is written beside the
 * target first, so that neither a failure nor a stop leaves half a file under the wanted name.
 */
final class Export {
    private final SetRecord set;
    private final Words words;
    private final String kind;
    private final Path file;
    private final Optional<Printout> sheet;
    private volatile boolean stopped;

    /** @param kind pdf, html or zip */
    Export(SetRecord set, Words words, String kind, Path file) {
        this(set, words, kind, file, Optional.empty());
    }

    /** The recap of a set as a page to print. */
    static Export benchSheet(SetRecord set, Plan plan, Words words, Path file) {
        RecapPrintout sheet =
                new RecapPrintout(set.chassis().name(), plan, set.job().recap(), words);
        return new Export(
                set,
                words,
                "html",
                file,
                Optional.of((photos, out) -> out.write(sheet.html().getBytes(StandardCharsets.UTF_8))));
    }

    /** Its dial cords, at size. */
    static Export cords(SetRecord set, Words words, Path file) {
        CordPrintout cords = new CordPrintout(set.chassis().name(), set.job().cords(), words);
        return new Export(set, words, "pdf", file, Optional.of((photos, out) -> cords.write(out)));
    }

    /** The report with which it is handed back. */
    static Export report(SetRecord set, Words words, SafetyLimits limits, Clock clock, Path file) {
        return new Export(set, words, "pdf", file, Optional.of((photos, out) -> new HandBackReport(
                        set, words, photos, limits, clock)
                .pdf(Edition.OWNER, Paper.A4, out)));
    }

    /** A page that is printed. */
    private interface Printout {
        void write(Function<Photo, Path> photos, OutputStream out) throws IOException;
    }

    private Export(SetRecord set, Words words, String kind, Path file, Optional<Printout> sheet) {
        this.sheet = sheet;
        this.set = set;
        this.words = words;
        this.kind = kind;
        this.file = file;
    }

    /** The name proposed for the file. */
    static String name(SetRecord set, String kind) {
        String ending = kind.equals("zip") ? ".anabion.zip" : "." + kind;
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
        double steps = set.photos().size() + 2.0;
        int[] at = {0};
        progress.accept(1 / steps);
        Function<Photo, Path> counted = photo -> {
            goOn();
            progress.accept((1 + ++at[0]) / steps);
            return photos.apply(photo);
        };
        ForcedFiles.write(file, bytes -> {
            OutputStream out = new Stoppable(bytes);
            if (sheet.isPresent()) sheet.get().write(counted, out);
            else if (kind.equals("zip")) SetArchive.write(set, counted, out);
            else if (kind.equals("pdf")) new SetReport().pdf(set, words, counted, out);
            else html(counted, out);
            goOn();
        });
        return file;
    }

    private void html(Function<Photo, Path> photos, OutputStream out) throws IOException {
        try (Writer writer = new OutputStreamWriter(out, StandardCharsets.UTF_8)) {
            new SetReport().html(set, words, photos, writer);
        }
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
