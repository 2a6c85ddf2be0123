package anabion.core.drive;

import anabion.core.job.CaseEntry;
import anabion.core.json.Coded;
import anabion.core.text.Words;

/** Work on controls and case, in words. */
public final class CaseWords {
    private CaseWords() {}

    /** Which one: a barrier by its name. */
    public static String what(CaseEntry e, Words words) {
        if (e.kind() != CaseEntry.Kind.BARRIER) return e.what();
        return Coded.find(Barrier.values(), e.what())
                .map(b -> words.say("case.barrier." + b.code()))
                .orElse(e.what());
    }

    /** Kind and which one. */
    public static String of(CaseEntry e, Words words) {
        return words.say("case.kind." + e.kind().code()) + " " + what(e, words);
    }

    /** How, and what came of it. */
    public static String how(CaseEntry e, Words words) {
        String result =
                e.result().map(r -> words.say("case.result." + r.code())).orElse(words.say("case.to-do"));
        return e.how().isEmpty() ? result : e.how() + ", " + result;
    }
}
