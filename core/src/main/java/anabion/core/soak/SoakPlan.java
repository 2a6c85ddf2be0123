package anabion.core.soak;

import anabion.core.job.Circumstance;
import anabion.core.job.Complaint;
import anabion.core.job.Job;
import anabion.core.job.SoakEntry;
import anabion.core.job.SoakEntry.Kind;
import anabion.core.job.SoakEntry.Value;
import anabion.core.job.SymptomKind;
import anabion.core.text.Phrase;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/**
 * How long a set must hold out, by its history.
 *
 * @param length of the whole run
 * @param why in a sentence
 */
public record SoakPlan(Duration length, Phrase why) {
    private static final Duration USUAL = Duration.ofHours(4);
    private static final Duration COMES_AND_GOES = Duration.ofHours(6);
    /** What came once after some time must stay away so many times as long. */
    private static final int TIMES = 3;

    private static final Set<SymptomKind> WARM =
            EnumSet.of(SymptomKind.INTERMITTENT, SymptomKind.CRACKLE, SymptomKind.DRIFT, SymptomKind.HOWL);

    /** The plan of a job: as chosen, else by what came warm before. */
    public static SoakPlan of(Job job) {
        Optional<SoakEntry> chosen =
                job.soak().stream().filter(e -> e.kind() == Kind.PLANNED).reduce((a, b) -> b);
        if (chosen.isPresent()) {
            Duration length = hours(chosen.get().value(Value.HOURS).orElse(0.0));
            return new SoakPlan(
                    length,
                    chosen.get().text().isEmpty()
                            ? Phrase.of("soak.why.chosen")
                            : Phrase.of("soak.why.chosen-because", chosen.get().text()));
        }
        Duration latest = latest(job);
        Duration longer = ceiling(latest.multipliedBy(TIMES));
        if (!latest.isZero() && longer.compareTo(USUAL) > 0)
            return new SoakPlan(longer, Phrase.of("soak.why.event", latest.toMinutes()));
        Optional<Complaint> warm = job.arrival().complaints().stream()
                .filter(c -> WARM.contains(c.symptom())
                        || (c.when() == Circumstance.WARM && c.symptom().isWrong()))
                .findFirst();
        return warm.map(c -> new SoakPlan(
                        COMES_AND_GOES,
                        Phrase.of(
                                "soak.why.complaint",
                                Phrase.of("symptom." + c.symptom().code()))))
                .orElseGet(() -> new SoakPlan(USUAL, Phrase.of("soak.why.usual")));
    }

    static Duration hours(double hours) {
        return Duration.ofSeconds(Math.round(hours * 3600));
    }

    /** After how long on the latest of all events came; zero without one. */
    private static Duration latest(Job job) {
        Duration latest = Duration.ZERO;
        Optional<Instant> began = Optional.empty();
        for (SoakEntry e : job.soak()) {
            if (e.kind() == Kind.BEGAN) began = Optional.of(e.at());
            if (e.kind() != Kind.EVENT || began.isEmpty()) continue;
            Duration after = Duration.between(began.get(), e.at());
            if (after.compareTo(latest) > 0) latest = after;
        }
        return latest;
    }

    private static Duration ceiling(Duration d) {
        return Duration.ofHours((d.toMinutes() + 59) / 60);
    }
}
