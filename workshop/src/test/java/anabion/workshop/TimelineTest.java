package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.job.ClosingEntry;
import anabion.core.job.Job;
import anabion.core.job.Note;
import anabion.core.job.Order;
import anabion.core.job.PartTest;
import anabion.core.job.RecapLog;
import anabion.core.job.SoakEntry;
import anabion.core.job.Step;
import anabion.core.json.Extra;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.demo.DemoWorkshop;
import anabion.workshop.timeline.CalendarFile;
import anabion.workshop.timeline.Happening;
import anabion.workshop.timeline.Timeline;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** All that happened, what it took, what falls due, and where words stand. */
class TimelineTest {
    private static final Words WORDS = new Words(Vocabulary.STANDARD);
    private static final Instant START = Instant.parse("2026-11-01T08:00:00Z");

    @TempDir
    Path folder;

    private static Note note(int minutes, Note.Kind kind, String text, double amount) {
        return new Note(
                UUID.randomUUID(),
                START.plus(Duration.ofMinutes(minutes)),
                kind,
                text,
                "",
                amount,
                Optional.empty(),
                Extra.NONE);
    }

    private static SetRecord with(Job job) {
        SetRecord set = Temp.halcyon();
        return new SetRecord(set.chassis(), job, List.of(), List.of(), set.place());
    }

    /** Every kind of entry that the demo has is said in words, and in its order. */
    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "lark", "moor", "rover", "trunk-road", "concerto"})
    void everythingThatHappenedIsSaidInWords(String name) {
        SetRecord set = DemoWorkshop.set(name);
        Timeline t = Timeline.of(set, WORDS);
        assertThat(t.all()).extracting(Happening::at).isSorted();
        assertThat(t.all())
                .hasSizeGreaterThanOrEqualTo(
                        set.readings().size() + set.job().alterations().size());
        assertThat(t.all()).allSatisfy(h -> assertThat(h.text()).isNotBlank().doesNotContain("null", "{0}"));
        assertThat(t.csv(WORDS).lines()).hasSize(t.all().size() + 1);
    }

    @Test
    void timeBetweenTwoThingsCountsUnlessNobodyWasThere() {
        Job job = Job.NEW;
        for (int m : new int[] {0, 10, 25, 120, 125}) job = job.with(note(m, Note.Kind.REMARK, "x", 0));
        assertThat(Timeline.of(with(job), WORDS).worked()).isEqualTo(Duration.ofMinutes(25 + 5 + 2 * 2));
        Job noted = job.with(note(126, Note.Kind.HOURS, "cabinet", 1.5));
        assertThat(Timeline.of(with(noted), WORDS).worked()).isEqualTo(Duration.ofMinutes(25 + 6 + 2 * 2 + 90));
    }

    @Test
    void whatWasMeasuredBeforeItLeftIsSaidToo() {
        Job job = Job.NEW;
        for (ClosingEntry e : List.of(
                closing(ClosingEntry.Kind.TOUCH, "", List.of(1.6e-4, 1.2e-4), ""),
                closing(ClosingEntry.Kind.HEARD, "MW", List.of(5.0), "two of them strong"),
                closing(ClosingEntry.Kind.SIGNED, "soak", List.of(), "the owner wants it"),
                closing(ClosingEntry.Kind.HANDED_BACK, "", List.of(), "the keeper"))) job = job.with(e);
        Timeline t = Timeline.of(with(job), WORDS);
        assertThat(t.all())
                .allSatisfy(h -> assertThat(h.step()).contains(Step.HAND_BACK))
                .extracting(h -> h.text() + ": " + h.detail())
                .containsExactly(
                        "touch current measured: 160 µA, 120 µA",
                        "band heard MW: 5 stations two of them strong",
                        "signed off soak: the owner wants it",
                        "handed back: the keeper");
    }

    private static ClosingEntry closing(ClosingEntry.Kind kind, String item, List<Double> values, String text) {
        return new ClosingEntry(UUID.randomUUID(), START, kind, item, values, text, new UUID(0, 1), Extra.NONE);
    }

    @Test
    void aFilterLooksAtKindAndWords() {
        Happening h = new Happening(
                START,
                Happening.Kind.READING,
                "V4.1",
                "V4.1 3.1 V",
                "AM",
                Optional.of(Step.VOLTAGES),
                Optional.empty());
        Words words = new Words(Vocabulary.STANDARD);
        assertThat(h.matches("v4.1", words)).isTrue();
        assertThat(h.matches("reading am", words)).isTrue();
        assertThat(h.matches("reading fm", words)).isFalse();
        assertThat(h.matches("", words)).isTrue();
        assertThat(h.matches("voltages", words)).as("its step").isTrue();
    }

    @Test
    void aCalendarHasWhatFallsDue() {
        Order cord = new Order(
                new UUID(0, 1),
                START,
                "dial cord",
                "",
                0,
                Optional.of(LocalDate.of(2026, 12, 10)),
                Optional.empty(),
                Extra.NONE);
        SetRecord set = with(Job.NEW
                .with(cord)
                .with(new Order(
                        new UUID(0, 2),
                        START,
                        "come",
                        "",
                        0,
                        Optional.of(LocalDate.of(2026, 12, 1)),
                        Optional.of(START),
                        Extra.NONE)));
        Timer glue = new Timer(new UUID(0, 3), set.id(), "glue", START);
        CalendarFile file = new CalendarFile(WORDS, Clock.fixed(START, ZoneOffset.UTC))
                .with(set)
                .with(List.of(glue), Map.of(set.id(), "Halcyon"));
        assertThat(file.size()).isEqualTo(2);
        assertThat(file.text())
                .contains("BEGIN:VCALENDAR", "DTSTART;VALUE=DATE:20261210", "dial cord for", "DTSTART:20261101T080000Z")
                .doesNotContain("come for");
    }

    @Test
    void wordsAreFoundWhereverTheyStandAndAreForgottenWithTheirSet() {
        try (Workshop w = Temp.open(folder)) {
            SetRecord set = Temp.halcyon();
            w.sets().add(set);
            assertThat(w.search().stale()).containsExactly(set.id());
            w.search().index(set.id());
            assertThat(w.search().stale()).isEmpty();
            assertThat(w.search().find("C14")).isNotEmpty().allMatch(h -> h.name()
                    .contains("Halcyon"));
            SoakEntry howl = SoakEntry.of(UUID.randomUUID(), START, SoakEntry.Kind.EVENT, new UUID(0, 0))
                    .withEvent(Optional.of(SoakEntry.Event.HOWL))
                    .withText("behind the façade");
            w.sets().change(set.id(), "soak", List.of(new Op.PutJob(set.job().with(howl))));
            assertThat(w.search().stale()).containsExactly(set.id());
            w.search().index(set.id());
            assertThat(w.search().find("howl facade")).singleElement().satisfies(h -> assertThat(h.kind())
                    .isEqualTo("soak"));
            assertThat(w.search().find("how fac")).as("beginnings").hasSize(1);
            assertThat(w.search().find("\"quoted\" AND ("))
                    .as("no query language")
                    .isEmpty();
            w.sets().change(set.id(), "trash", List.of(new Op.PutPlace(Op.Place.TRASH)));
            w.sets().purge(set.id());
            assertThat(w.search().find("C14")).isEmpty();
        }
    }

    @Test
    void whatOneSetTaughtIsToldOfTheNextOfItsModel() {
        try (Workshop w = Temp.open(folder)) {
            SetRecord set = Temp.halcyon();
            w.sets()
                    .add(with(set.job()
                            .with(note(0, Note.Kind.REMARK, "dusty", 0))
                            .with(note(1, Note.Kind.CAUSE, "C14 leaked", 0))
                            .with(note(2, Note.Kind.MODEL, "the AVC capacitor always leaks", 0))));
            w.sets().summaries();
            UUID other = UUID.randomUUID();
            assertThat(w.specimens().lessons(set.chassis().identity(), other))
                    .extracting(l -> l.note().text())
                    .containsExactly("the AVC capacitor always leaks", "C14 leaked");
            assertThat(w.specimens().lessons(set.chassis().identity(), set.id()))
                    .as("itself")
                    .isEmpty();
            assertThat(w.specimens().lessons(set.chassis().identity().withModel("Other"), other))
                    .isEmpty();
        }
    }

    @Test
    void whatFailedIsCountedByKindRoleAndAge() {
        try (Workshop w = Temp.open(folder)) {
            SetRecord set = Temp.halcyon();
            RecapLog recap = set.job().recap();
            for (PartTest t : List.of(
                    new PartTest("R9", PartTest.What.VALUE, 900e3, 0, 0),
                    new PartTest("R12", PartTest.What.VALUE, 10.2e6, 0, 0)))
                recap = recap.tested(new RecapLog.Tested(UUID.randomUUID(), START, t, Extra.NONE));
            w.sets().add(with(set.job().withRecap(recap)));
            var rows = w.sets().tested().failures();
            assertThat(rows)
                    .filteredOn(r -> r.by() == anabion.core.diagnosis.evidence.FailureTable.By.KIND)
                    .singleElement()
                    .satisfies(r -> assertThat(List.of(r.tested(), r.bad())).isEqualTo(List.of(2, 1)));
            assertThat(rows).isNotEmpty();
            assertThat(rows).allSatisfy(r -> assertThat(r.bad()).isBetween(0, r.tested()));
            int tested = rows.stream()
                    .filter(r -> r.by() == anabion.core.diagnosis.evidence.FailureTable.By.KIND)
                    .mapToInt(r -> r.tested())
                    .sum();
            int aged = rows.stream()
                    .filter(r -> r.by() == anabion.core.diagnosis.evidence.FailureTable.By.AGE)
                    .mapToInt(r -> r.tested())
                    .sum();
            assertThat(aged).isLessThanOrEqualTo(tested).isPositive();
        }
    }

    @Test
    void whatCanBeDoneNowBeginsWithWhatUnblocksMost() {
        try (Workshop w = Temp.open(folder)) {
            DemoWorkshop.fill(w);
            List<Summary> all = w.sets().summaries();
            Summary halcyon = all.stream()
                    .filter(s -> s.name().endsWith("Halcyon"))
                    .findFirst()
                    .orElseThrow();
            Summary brae = all.stream()
                    .filter(s -> s.name().endsWith("Brae"))
                    .findFirst()
                    .orElseThrow();
            SetRecord waiting = w.sets().get(brae.id());
            w.sets()
                    .change(
                            brae.id(),
                            "waits",
                            List.of(new Op.PutJob(waiting.job().withWaitsFor("V1 back from the Halcyon"))));
            List<Summary> now = NextWork.order(w.sets().summaries(), List.of(), START);
            assertThat(now).extracting(Summary::id).doesNotContain(brae.id());
            assertThat(now.get(0).id()).as("another waits for it").isEqualTo(halcyon.id());
            Timer glue = new Timer(new UUID(0, 9), halcyon.id(), "glue", START.plusSeconds(60));
            assertThat(NextWork.order(w.sets().summaries(), List.of(glue), START))
                    .extracting(Summary::id)
                    .doesNotContain(halcyon.id());
            Timer over = new Timer(new UUID(0, 9), all.get(0).id(), "glue", START.minusSeconds(60));
            assertThat(NextWork.order(w.sets().summaries(), List.of(over), START)
                            .get(0)
                            .id())
                    .isEqualTo(all.get(0).id());
        }
    }
}
