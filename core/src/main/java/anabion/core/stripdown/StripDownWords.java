package anabion.core.stripdown;

import anabion.core.job.StripDownEntry;
import anabion.core.job.StripDownEntry.Kind;
import anabion.core.job.StripDownEntry.Lead;
import anabion.core.text.Words;

/** What came off, in words. */
public final class StripDownWords {
    private StripDownWords() {}

    /** With its count; of a lead its colour and both ends. */
    public static String of(StripDownEntry e, Words words) {
        if (e.lead().isEmpty()) return (e.count() > 1 ? e.count() + " " : "") + e.what();
        Lead l = e.lead().get();
        if (e.kind() != Kind.PIN)
            return words.say("stripdown.lead", l.colour(), end(l.from(), words), end(l.to(), words));
        return l.to().isEmpty()
                ? words.say("stripdown.pin", e.what(), e.place(), l.colour())
                : words.say("stripdown.pin.to", e.what(), e.place(), l.colour(), l.to());
    }

    private static String end(String end, Words words) {
        return end.isEmpty() ? words.say("stripdown.unknown") : end;
    }
}
