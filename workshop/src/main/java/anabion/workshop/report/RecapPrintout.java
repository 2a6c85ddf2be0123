package anabion.workshop.report;

import anabion.core.job.RecapLog;
import anabion.core.job.Tick;
import anabion.core.quantity.Figures;
import anabion.core.recap.Choice;
import anabion.core.recap.Item;
import anabion.core.recap.Labels;
import anabion.core.recap.Plan;
import anabion.core.text.Words;
import com.samskivert.mustache.Mustache;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/** The plan of a recap as a page to print and to tick with a pencil. */
public final class RecapPrintout {
    private final String title;
    private final Plan plan;
    private final RecapLog log;
    private final Words words;

    /**
     * The plan as it stands.
     *
     * @param title name of the set
     */
    public RecapPrintout(String title, Plan plan, RecapLog log, Words words) {
        this.title = title;
        this.plan = plan;
        this.log = log;
        this.words = words;
    }

    /** One batch with its parts and the test that ends it. */
    public record Block(int number, String name, List<Row> rows, String test) {}

    /**
     * One part.
     *
     * @param ticks an empty or a ticked box for each thing to do
     */
    public record Row(String part, String role, String was, String now, String volts, List<String> ticks, String why) {}

    /** The name of the set. */
    public String title() {
        return title;
    }

    /** Heads of the columns. */
    public List<String> heads() {
        List<String> heads = new ArrayList<>();
        for (Tick t : Tick.values()) heads.add(words.say("recap.tick." + t.code()));
        return heads;
    }

    /** The plan's blocks, in the order of the work. */
    public List<Block> blocks() {
        List<Block> blocks = new ArrayList<>();
        for (Plan.Batch b : plan.batches())
            blocks.add(new Block(
                    blocks.size() + 1,
                    words.say(b.title()),
                    b.keys().stream().map(this::row).toList(),
                    words.say(b.test())));
        return blocks;
    }

    /** What must be known before the first part is lifted. */
    public List<String> warnings() {
        return plan.warnings().stream().map(words::say).toList();
    }

    /** What stays, in one line. */
    public String stays() {
        List<String> keys = new ArrayList<>();
        for (Item i : plan.items()) if (i.choice().action() == Choice.Action.KEEP) keys.add(i.key());
        return String.join(" ", keys);
    }

    private Row row(String key) {
        List<String> ticks = new ArrayList<>();
        for (Tick t : Tick.values()) ticks.add(log.ticks(key).contains(t) ? "done" : "open");
        return plan.item(key)
                .map(i -> new Row(
                        key,
                        words.say("recap.role." + i.role().code()),
                        i.piece().part().printed(),
                        i.choice().action() == Choice.Action.TEST
                                ? words.say("recap.test-or", Labels.of(i.choice()))
                                : Labels.of(i.choice()),
                        Figures.fixed(i.stress().worst(), 0),
                        ticks,
                        words.say(i.choice().rule())))
                .orElseGet(() -> new Row(key, "", "", other(key), "", ticks, ""));
    }

    private String other(String key) {
        return plan.resistors().stream()
                .filter(r -> r.part().reference().equals(key))
                .map(r -> r.part().printed() + ", " + words.say(r.rule()))
                .findFirst()
                .orElse("");
    }

    /** The page as HTML. */
    public String html() {
        try (InputStream in = RecapPrintout.class.getResourceAsStream("/anabion/report/bench-sheet.html")) {
            return Mustache.compiler()
                    .compile(new String(in.readAllBytes(), StandardCharsets.UTF_8))
                    .execute(this);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
