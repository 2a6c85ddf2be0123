package anabion.workshop.report;

import anabion.core.job.PowerEntry;
import anabion.core.job.PowerLog;
import anabion.core.job.PowerStage;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.text.Words;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** The log of the power-ups, in words. */
public final class PowerPage {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("yyyy-MM-dd", Locale.ROOT);
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ROOT);

    private final Words words;
    private final ZoneId zone;

    public PowerPage(Words words, ZoneId zone) {
        this.words = words;
        this.zone = zone;
    }

    /** What was seen to before the first power-up, or one power-up from switching on to switching off, and what was seen to after it. */
    public record Run(String title, List<Line> lines) {}

    /**
     * A line of it.
     *
     * @param dial volts that the variac or supply gave; empty where that does not matter
     */
    public record Line(String time, String dial, String text) {}

    /** All of it, in the order in which it was written. */
    List<Run> runs(PowerLog log) {
        List<Run> runs = new ArrayList<>();
        List<Line> lines = new ArrayList<>();
        String title = words.say("power.record.before");
        for (PowerEntry e : log.entries()) {
            if (e.kind() == PowerEntry.Kind.BEGAN) {
                if (!lines.isEmpty()) runs.add(new Run(title, List.copyOf(lines)));
                lines.clear();
                title = words.say(
                        "power.record.run",
                        at(e.at(), DAY),
                        words.say("power.stage." + PowerStage.begun(e).code()));
            }
            lines.add(new Line(
                    at(e.at(), TIME),
                    e.dial() > 0 ? words.say("power.record.dial", Figures.volts(e.dial())) : "",
                    text(e)));
        }
        if (!lines.isEmpty()) runs.add(new Run(title, List.copyOf(lines)));
        return runs;
    }

    private String at(Instant time, DateTimeFormatter format) {
        return format.format(time.atZone(zone));
    }

    /** One line in words. */
    public String text(PowerEntry e) {
        String key = "power.record." + e.kind().code();
        return switch (e.kind()) {
            case BEGAN, LIT, OFF -> words.say(key);
            case RAIL -> words.say(key, e.what(), Figures.volts(e.value()));
            case RIPPLE -> words.say(key, e.what(), Figures.si(Quantity.volts(e.value()), 3));
            case WATTS -> words.say(key, Figures.fixed(e.value(), 1));
            case AMPERES -> Figures.si(Quantity.amperes(e.value()), 3);
            case AT_SET -> words.say(key, Figures.volts(e.value()));
            case LOAD -> words.say(key, Figures.si(Quantity.ohms(e.value()), 2));
            case GLOW -> words.say(key, words.say("power.glow." + e.what()));
            case WARMTH -> words.say("power.warmth." + e.what());
            case LAMP -> e.what().isEmpty() ? words.say("power.rig.no-lamp") : words.say(key, e.what());
            case SIGN -> words.say("power.sign." + e.what());
            case MET -> words.say(key, words.say("power.gate.name." + e.what()));
            case OVERRULED -> words.say(key, words.say("power.gate.name." + e.what()), e.text());
            case CAUSE -> words.say(key, e.what(), e.text());
            case BAND -> words.say(key, e.what(), words.say("outcome." + e.text()));
            case CONTROLS, AERIAL -> words.say(key, e.text());
            case NOTE -> e.text();
        };
    }
}
