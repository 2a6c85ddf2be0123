package anabion.workshop.report;

import anabion.core.handback.ClosingGate;
import anabion.core.handback.SafetyLimits;
import anabion.core.isolation.Isolation;
import anabion.core.text.Words;
import anabion.workshop.Photo;
import anabion.workshop.Predictors;
import anabion.workshop.SetRecord;
import com.samskivert.mustache.Mustache;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.util.function.Function;

/** The report with which a set is handed back, as PDF/A or HTML: one for its owner, one page for inside the cabinet. The workshop's own is {@link SetReport}. */
public final class HandBackReport {
    private static final int PICTURE_WIDTH = 900;

    private final SetRecord set;
    private final Words words;
    private final Function<Photo, Path> file;
    private final ClosingGate gate;
    private final Isolation isolation;
    private final LocalDate day;

    /** @param file where a photo is on disk */
    public HandBackReport(SetRecord set, Words words, Function<Photo, Path> file, SafetyLimits limits, Clock clock) {
        this.set = set;
        this.words = words;
        this.file = file;
        this.isolation = Isolation.of(set.chassis());
        this.gate = ClosingGate.of(set.chassis(), set.job(), isolation, set.readings(), limits, clock.instant());
        this.day = LocalDate.now(clock);
    }

    /** What still bars the set from leaving. */
    public ClosingGate gate() {
        return gate;
    }

    /**
     * @param edition for the owner, or the card
     * @throws IOException if a template cannot be read
     */
    public String html(Edition edition, Paper paper) throws IOException {
        RecordPage record =
                new RecordPage(set, words, PagePictures.of(set, words, file, PICTURE_WIDTH), new Predictors());
        HandBackPage page = new HandBackPage(set, words, record, gate, isolation, day, paper);
        try (InputStream in = HandBackReport.class.getResourceAsStream("/anabion/report/" + edition.code() + ".html")) {
            String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            return Mustache.compiler().compile(text).execute(page);
        }
    }

    /** @throws IOException if it cannot be written */
    public void pdf(Edition edition, Paper paper, OutputStream out) throws IOException {
        com.openhtmltopdf.util.XRLog.setLoggingEnabled(false);
        PagePrinter.print(html(edition, paper), true, out);
    }
}
