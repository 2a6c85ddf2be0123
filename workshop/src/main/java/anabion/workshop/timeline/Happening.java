package anabion.workshop.timeline;

import anabion.core.job.Step;
import anabion.core.json.Coded;
import anabion.core.text.Words;
import anabion.workshop.storage.PhotoFiles.Stored;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;

/**
 * One thing that happened.
 *
 * @param part which it is about: a reference, a pin, a net; may be empty
 * @param text in words
 * @param detail beside it: a place, a reason; may be empty
 * @param step in which it happened, where that is known
 * @param picture of a photo; empty otherwise
 */
public record Happening(
        Instant at, Kind kind, String part, String text, String detail, Optional<Step> step, Optional<Stored> picture) {
    /** What sort of thing. */
    public enum Kind implements Coded {
        READING(Step.VOLTAGES),
        ALTERATION,
        TEST(Step.RECAP),
        TRIAL(Step.TRACE),
        HEARD(Step.TRACE),
        POWER(Step.FIRST_POWER),
        ALIGNMENT(Step.ALIGN),
        STRIP_DOWN(Step.STRIP_DOWN),
        SOAK(Step.SOAK),
        CASE(Step.DRIVE_AND_CASE),
        CLOSING(Step.HAND_BACK),
        PHOTO,
        LOOSE,
        NOTE,
        ORDER;

        private final Optional<Step> step;

        Kind() {
            this.step = Optional.empty();
        }

        Kind(Step step) {
            this.step = Optional.of(step);
        }

        /** In which such things happen; empty where they happen anywhere. */
        Optional<Step> step() {
            return step;
        }

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** Whether all words of a filter are in it, in what kind of thing it is, or in the name of its step. */
    public boolean matches(String filter, Words words) {
        String all = (words.say("timeline.kind." + kind.code())
                        + " "
                        + step.map(x -> words.say("step." + x.code())).orElse("")
                        + " " + part + " " + text + " " + detail)
                .toLowerCase(Locale.ROOT);
        for (String word : filter.toLowerCase(Locale.ROOT).strip().split("\\s+")) if (!all.contains(word)) return false;
        return true;
    }
}
