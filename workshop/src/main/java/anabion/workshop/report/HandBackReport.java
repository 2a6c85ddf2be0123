package anabion.workshop.report;

import anabion.core.error.InputException;
import anabion.core.handback.ClosingGate;
import anabion.core.handback.SafetyLimits;
import anabion.core.isolation.Isolation;
import anabion.core.text.Words;
import anabion.workshop.Photo;
import anabion.workshop.Predictors;
import anabion.workshop.SetRecord;
import com.openhtmltopdf.util.XRRuntimeException;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.function.Function;

/** The report with which a set is handed back, as PDF/A or HTML, for its owner, for the workshop, for inside the cabinet; with the list for the bag of old parts and a label. */
public final class HandBackReport {
    private static final int PICTURE_WIDTH = 900;

    private final SetRecord set;
    private final Words words;
    private final Function<Photo, Path> file;
    private final ClosingGate gate;
    private final Isolation isolation;
    private final LocalDate day;
    private Templates templates = Templates.STANDARD;
    private ShopDetails shop = ShopDetails.NONE;

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

    /** Filled into a workshop's own templates. */
    public HandBackReport with(Templates own) {
        templates = own;
        return this;
    }

    /** With what the workshop puts on its reports. */
    public HandBackReport with(ShopDetails details) {
        shop = details;
        return this;
    }

    /** @throws IOException if a template cannot be read */
    public String html(ReportChoice choice) throws IOException {
        boolean small = choice.edition() == Edition.CARD || choice.edition() == Edition.LABEL;
        List<RecordPage.Picture> pictures = small ? List.of() : PagePictures.of(set, words, file, PICTURE_WIDTH);
        RecordPage record = new RecordPage(set, words, pictures, new Predictors(), choice.paper());
        HandBackPage page = new HandBackPage(set, words, record, gate, isolation, day, choice, shop);
        return choice.edition() == Edition.WORKSHOP
                ? templates.page("record", record, page)
                : templates.page(choice.edition().code(), page, page);
    }

    /**
     * @throws InputException if a template of the workshop's own makes a page that cannot be printed
     * @throws IOException if it cannot be written
     */
    public void pdf(ReportChoice choice, OutputStream out) throws IOException {
        com.openhtmltopdf.util.XRLog.setLoggingEnabled(false);
        String page = html(choice);
        try {
            PagePrinter.print(page, true, out);
        } catch (XRRuntimeException e) {
            if (templates == Templates.STANDARD) throw e;
            throw Templates.unfit(choice.edition().code(), e.getCause() == null ? e : e.getCause());
        }
    }
}
