package anabion.core.reading;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Points;
import anabion.core.job.Alteration;
import anabion.core.job.Complaint;
import anabion.core.job.FittedState;
import anabion.core.job.SymptomKind;
import anabion.core.json.Extra;
import anabion.core.reading.judgement.Judge;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;

/** Takes readings on a test set, one line each, and asks for the verdict. */
final class ReadingFixture {
    private static final Instant START = Instant.parse("2026-05-04T09:00:00Z");
    private final Chassis set;
    private final List<Reading> readings = new ArrayList<>();
    private final List<Alteration> alterations = new ArrayList<>();
    private final List<Complaint> complaints = new ArrayList<>();
    private Condition now = Condition.of(220, MeterSpec.parse("10M"), "AM").withSignal("none");

    ReadingFixture(Chassis set) {
        this.set = set;
    }

    ReadingFixture under(Condition condition) {
        now = condition;
        return this;
    }

    Condition condition() {
        return now;
    }

    ReadingFixture read(String point, double volts) {
        return read(point, volts, Measure.DC_VOLTS, false);
    }

    ReadingFixture doubtful(String point, double volts) {
        return read(point, volts, Measure.DC_VOLTS, true);
    }

    ReadingFixture read(String point, double value, Measure measure, boolean doubtful) {
        UUID state = alterations.isEmpty()
                ? FittedState.AS_FOUND
                : alterations.get(alterations.size() - 1).id();
        readings.add(new Reading(
                UUID.randomUUID(),
                Points.of(set).need(point).label(),
                "CHASSIS",
                measure,
                value,
                doubtful,
                now,
                state,
                START.plusSeconds(readings.size()),
                Extra.NONE));
        return this;
    }

    ReadingFixture hears(String band, SymptomKind symptom) {
        complaints.add(new Complaint(band, symptom, "", Extra.NONE));
        return this;
    }

    ReadingFixture alter(Alteration alteration) {
        alterations.add(alteration);
        return this;
    }

    Judge.Verdict verdict() {
        return Judge.judge(set, readings, alterations, complaints, now, Tolerances.STANDARD, Predictor.NONE);
    }

    ReadingRow row(String point) {
        return verdict().rows().stream()
                .filter(r -> r.point().label().equals(point))
                .findFirst()
                .orElseThrow();
    }

    List<String> patterns() {
        return verdict().findings().stream().map(Finding::pattern).toList();
    }

    Finding finding(String pattern) {
        return verdict().findings().stream()
                .filter(f -> f.pattern().equals(pattern))
                .findFirst()
                .orElseThrow();
    }

    static String say(Finding finding) {
        Words words = new Words(Vocabulary.STANDARD);
        StringBuilder all = new StringBuilder(words.say(finding.headline()));
        finding.because().forEach(p -> all.append(' ').append(words.say(p)));
        finding.suspects().forEach(s -> all.append(" | ").append(words.say(s.words())));
        finding.tests().forEach(p -> all.append(" > ").append(words.say(p)));
        return all.append(" = ").append(words.say(finding.verdict())).toString();
    }
}
