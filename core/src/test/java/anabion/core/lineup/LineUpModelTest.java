package anabion.core.lineup;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Part;
import anabion.core.chassis.Place;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import anabion.core.command.StudyLine;
import anabion.core.command.WiringLine;
import anabion.core.diagnosis.CauseWords;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.job.Job;
import anabion.core.json.Extra;
import anabion.core.reading.Condition;
import anabion.core.reading.Predictor;
import anabion.core.reading.Reading;
import anabion.core.reading.Tolerances;
import anabion.core.reading.judgement.Judge;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.chart.ChartMaker;
import anabion.core.simulation.chart.MeterModel;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.tolerance.Specimen;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.SharedSets;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.core.typical.TypicalCircuit;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What a line-up and a chart say: each set's places are weighed once, which takes seconds, since all that may be wrong at them is solved. */
class LineUpModelTest {
    private static final double LINE = 227;
    private static final MeterSpec METER = MeterSpec.parse("10M");
    private static final Words WORDS = new Words(Vocabulary.STANDARD);

    /** A fault and the place at which somebody who has not entered the circuit should look. */
    private record Story(String set, String fault, String place) {}

    private static final List<Story> STORIES = List.of(
            new Story("halcyon", "C14:leaky:2M", "coupling@V4/1"),
            new Story("halcyon", "R7:open", "screen-feed@V2/6"),
            new Story("halcyon", "C10:short", "screen-bypass@V2/6"),
            new Story("halcyon", "R13:drifted:680k", "plate-load@V3/7"),
            new Story("halcyon", "R16:open", "cathode-resistor@V4/2"),
            new Story("halcyon", "V4:gassy:4e-6", "V4"),
            new Story("halcyon", "V4:dead", "V4"),
            new Story("halcyon", "R18:open", "filter@"),
            new Story("halcyon", "C18.1:leaky:1k", "reservoir@V5/7"),
            new Story("halcyon", "C3:open", "oscillator@V1/1"),
            new Story("brae", "V5:emission:0.2", "rectifier@V5/7"),
            new Story("brae", "R8:open", "cathode-resistor@V2/7"));

    /** Of transistors the volts do not tell the currents; ratios of resistors are enough. */
    private static final List<Story> TRANSISTORS = List.of(
            new Story("lark", "R14:open", "emitter-resistor@Q4/1"),
            new Story("lark", "R12:open", "base-feed@Q4/2"),
            new Story("lark", "R13:open", "base-return@Q4/2"),
            new Story("lark", "C14:short", "emitter-bypass@Q4/1"),
            new Story("lark", "Q4:short", "Q4"),
            new Story("lark", "Q4:open", "Q4"),
            new Story("lark", "R8:open", "base-feed@Q3/2"),
            new Story("lark", "C20:leaky:330", "smoothing@Q1/4"),
            new Story("lark", "R18:open", "emitter-resistor@Q5/1"),
            new Story("lark", "Q5.bc:leaky:5k", "Q5"),
            new Story("lark", "R4:open", "base-feed@Q2/2"),
            new Story("lark", "C15:leaky:2k", "base-coupling@Q5/2"));

    /** What a specimen with a fault reads at all that its chart has. */
    private static List<Reading> readings(Chassis set, List<Fault> faults, long seed) {
        Setting setting =
                Setting.of(line(set)).withTrims(Specimen.of(set, seed)).withFaults(faults);
        MeterModel meter = new MeterModel(new Simulator().prepare(set, setting));
        List<Reading> all = new ArrayList<>();
        for (ChartRow r : set.chart().orElseThrow().rows()) {
            if (r.measure() != Measure.DC_VOLTS) continue;
            Point p = Points.of(set).need(r.point());
            all.add(reading(
                    r.point(),
                    set.reference(),
                    line(set),
                    meter.read(p.net(), Measure.DC_VOLTS, METER).orElseThrow()));
        }
        return all;
    }

    /** Of the mains a little low, of a battery as it should be. */
    private static double line(Chassis set) {
        return set.supply().volts() < 50 ? set.supply().volts() : LINE;
    }

    private static Reading reading(String point, String reference, double volts) {
        return reading(point, reference, LINE, volts);
    }

    private static Reading reading(String point, String reference, double line, double volts) {
        return new Reading(
                UUID.randomUUID(),
                point,
                reference,
                Measure.DC_VOLTS,
                volts,
                false,
                Condition.of(line, METER, ""),
                Job.NEW.fitted().id(),
                Instant.EPOCH,
                Extra.NONE);
    }

    private static final Map<String, LineUpModel> MODELS = new LinkedHashMap<>();

    private static synchronized LineUpModel model(String set) {
        return MODELS.computeIfAbsent(set, s -> LineUpModel.of(LineUp.alone(SharedSets.named(s)), Priors.USUAL)
                .orElseThrow());
    }

    private static Optional<LineUpModel> model(Chassis set) {
        return LineUpModel.of(set, Priors.USUAL);
    }

    private static Diagnosis diagnosis(String set, List<Fault> faults, long seed) {
        LineUpModel model = model(set);
        return model.diagnosis(model.evidence(readings(SharedSets.named(set), faults, seed), Job.NEW));
    }

    @Test
    void theRightPlaceComesFirstInMostStories() {
        theRightPlaceComesFirst(STORIES, 10);
    }

    @Test
    void theRightPlaceComesFirstAmongTransistors() {
        theRightPlaceComesFirst(TRANSISTORS, 10);
    }

    private static void theRightPlaceComesFirst(List<Story> stories, int atLeast) {
        List<String> told = new ArrayList<>();
        int right = 0;
        for (Story s : stories) {
            List<RankedCause> causes =
                    diagnosis(s.set(), List.of(Fault.parse(s.fault())), 7).singly();
            boolean first = !causes.isEmpty()
                    && causes.get(0).causes().stream()
                            .anyMatch(h -> h.from().get(0).part().startsWith(s.place()));
            if (first) right++;
            told.add((first ? "  " : "! ") + s + " "
                    + causes.stream()
                            .limit(2)
                            .map(c -> c.odds() + " " + c.causes())
                            .toList());
        }
        assertThat(right).as(String.join("\n", told)).isGreaterThanOrEqualTo(atLeast);
    }

    @Test
    void aSoundSetConvictsNobody() {
        for (String set : List.of("halcyon", "lark"))
            for (long seed : new long[] {1, 2, 3}) {
                Diagnosis d = diagnosis(set, List.of(), seed);
                assertThat(d.decided())
                        .as("%s %s", set, d.singly().stream().limit(2).toList())
                        .isFalse();
            }
    }

    @Test
    void theInferredCircuitReadsTheChart() {
        Chassis set = LineUp.alone(SharedSets.named("halcyon"));
        LineUpModel model = model("halcyon");
        assertThat(set.chart().orElseThrow().rows().stream()
                        .filter(r -> r.measure() == Measure.DC_VOLTS)
                        .map(ChartRow::point))
                .as("points whose charted volts it explains")
                .filteredOn(p -> !model.explains(p))
                .isEmpty();
    }

    @Test
    void aPlaceIsSpokenOfByItsTubeAndPin() {
        Place place = new Place(Place.Kind.COUPLING, "V4", "1");
        assertThat(Place.named(place.reference())).contains(place);
        assertThat(Place.named("C14")).isEmpty();
        assertThat(WORDS.say(CauseWords.of(place))).isEqualTo("the coupling capacitor at the grid V4.1");
    }

    @ParameterizedTest
    @EnumSource(Place.Kind.class)
    void everyPlaceHasWords(Place.Kind kind) {
        assertThat(WORDS.say(CauseWords.of(new Place(kind, "V9", "7"))))
                .contains("V9")
                .doesNotContain("place.");
    }

    /** The classic verdict names what leads to the grid, and what tells it from the tube. */
    @Test
    void aPositiveGridNamesTheCapacitorThatNobodyEntered() {
        Chassis set = StudyLine.stageOrBand("Output: V4", LineUp.alone(SharedSets.named("halcyon")));
        assertThat(set.reference()).isEqualTo(Chassis.METAL);
        Judge.Verdict v = Judge.judge(
                set,
                List.of(reading("V4.1", set.reference(), 2.4)),
                List.of(),
                List.of(),
                Condition.of(LINE, METER, ""),
                Tolerances.usual(set),
                Predictor.NONE);
        assertThat(v.findings().get(0).suspects())
                .extracting(s -> WORDS.say(s.words()))
                .anyMatch(w -> w.contains("coupling capacitor") && w.contains("V4.1"))
                .contains("V4 gassy");
        assertThat(v.stages().get("Output").suspicion()).isEqualTo(1);
        assertThat(v.findings().get(0).tests()).extracting(WORDS::say).anyMatch(t -> t.contains("read V4.1 again"));
    }

    /** What is entered meanwhile takes its place, with its own name and value. */
    @Test
    void anEnteredPartTakesItsPlace() {
        Chassis whole = SharedSets.named("halcyon");
        Chassis some = LineUp.alone(whole);
        for (String line : List.of("C14 .01/400 V3.7 V4.1", "R15 470k V4.1 CHASSIS", "R13 220k V3.7 B2")) {
            List<Part> parts = new ArrayList<>(some.parts());
            parts.add(WiringLine.parse(line, some));
            some = some.withParts(parts);
        }
        LineUpModel model = LineUpModel.of(some, Priors.USUAL).orElseThrow();
        List<Reading> readings = readings(whole, List.of(Fault.parse("C14:leaky:2M")), 7);
        RankedCause first =
                model.diagnosis(model.evidence(readings, Job.NEW)).singly().get(0);
        assertThat(first.parts()).contains("C14");
        assertThat(model.predictions().chassis().part("R15")).isPresent();
        assertThat(model.predictions().chassis().part("grid-leak@V4/1")).isEmpty();
    }

    /** Of transistors likewise: the emitter resistor goes to the reference, what feeds the base does not. */
    @Test
    void anEnteredPartTakesItsPlaceAtATransistor() {
        Chassis whole = SharedSets.named("lark");
        Chassis some = LineUp.alone(whole);
        for (String line : List.of("R14 1k Q4.1 CHASSIS", "R12 47k Q4.2 NEG2", "R13 10k Q4.2 CHASSIS")) {
            List<Part> parts = new ArrayList<>(some.parts());
            parts.add(WiringLine.parse(line, some));
            some = some.withParts(parts);
        }
        LineUpModel model = model(some).orElseThrow();
        List<Reading> readings = readings(whole, List.of(Fault.parse("R14:open")), 7);
        assertThat(model.diagnosis(model.evidence(readings, Job.NEW))
                        .singly()
                        .get(0)
                        .parts())
                .contains("R14");
        Chassis inferred = model.predictions().chassis();
        assertThat(inferred.part("R12").orElseThrow().joins("Q4.2", Chassis.METAL))
                .isFalse();
        assertThat(inferred.part("R13").orElseThrow().joins("Q4.2", Chassis.METAL))
                .isTrue();
        assertThat(inferred.part("base-feed@Q4/2")).isEmpty();
    }

    /** Makers measure against either pole of the battery, and put either type of transistor on either of them. */
    @Test
    void transistorsAreInferredAgainstEitherPole() {
        Chassis lark = SharedSets.named("lark");
        double battery = lark.supply().volts();
        Chart chart = lark.chart().orElseThrow();
        Chart.Conditions on = chart.conditions();
        Chart.Conditions other = new Chart.Conditions(
                on.line(), on.meter(), on.band(), on.volume(), on.signal(), on.dial(), "NEG", on.extra());
        List<ChartRow> rows =
                chart.rows().stream().map(r -> row(r, r.value() + battery)).toList();
        LineUpModel model = model(LineUp.alone(lark)
                        .withChart(Optional.of(
                                new Chart(chart.id(), "", false, chart.tolerance(), other, rows, Extra.NONE))))
                .orElseThrow();
        for (Story s : TRANSISTORS.subList(0, 5)) {
            List<Reading> shifted = readings(lark, List.of(Fault.parse(s.fault())), 7).stream()
                    .map(r -> reading(r.point(), "NEG", battery, r.value() + battery))
                    .toList();
            List<RankedCause> causes =
                    model.diagnosis(model.evidence(shifted, Job.NEW)).singly();
            // against the far pole a meter's error hides the volts between base and emitter
            assertThat(causes.stream().limit(3).flatMap(c -> c.causes().stream()))
                    .as("%s", s)
                    .anyMatch(h -> h.from().get(0).part().startsWith(s.place()));
        }
    }

    /** Without a chart, without a tube of known volts, with filaments for cathodes: nothing is made up. */
    @Test
    void whatCannotBeInferredIsRefused() {
        Chassis halcyon = LineUp.alone(SharedSets.named("halcyon"));
        assertThat(model(halcyon)).isPresent();
        assertThat(model(halcyon.withChart(Optional.empty()))).isEmpty();
        assertThat(model(halcyon.withParts(List.of()))).isEmpty();
        Chassis lark = LineUp.alone(SharedSets.named("lark"));
        assertThat(model(lark)).isPresent();
        Chart chart = lark.chart().orElseThrow();
        List<ChartRow> bases =
                chart.rows().stream().filter(r -> r.point().endsWith(".2")).toList();
        assertThat(model(lark.withChart(new Chart(chart.id(), "", false, 0.2, chart.conditions(), bases, Extra.NONE))))
                .as("bases alone")
                .isEmpty();
    }

    /** Circuits that people have: none makes it fall over, and what it reads off the chart it leaves out. */
    @ParameterizedTest
    @EnumSource(TypicalCircuit.class)
    void ofAnyChartPlacesAreInferredOrRefused(TypicalCircuit t) {
        Chassis whole = CircuitFixtures.typical(t);
        Chart chart = ChartMaker.of(whole.withChart(everyPin(whole)), Map.of());
        Optional<LineUpModel> model = model(LineUp.alone(whole.withChart(chart)));
        boolean heated = whole.parts().stream()
                .anyMatch(p -> p.isTube()
                        && Sockets.pin(p, "k", "").isPresent()
                        && p.device().orElseThrow().functions().containsValue("g1"));
        boolean transistors = whole.parts().stream()
                .anyMatch(p -> !p.isTube() && Sockets.pin(p, "c", "").isPresent());
        assertThat(model.isPresent())
                .as("tubes with cathodes: %s, transistors: %s", heated, transistors)
                .isEqualTo(heated || transistors);
        model.ifPresent(m -> assertThat(chart.rows().stream().filter(r -> m.explains(r.point())))
                .hasSizeGreaterThan(3));
    }

    private static Chart everyPin(Chassis whole) {
        List<ChartRow> rows = new ArrayList<>();
        for (Part p : whole.parts())
            if (p.device().isPresent())
                for (String pin : p.nets().keySet())
                    rows.add(new ChartRow(
                            UUID.randomUUID(),
                            p.reference() + "." + pin,
                            "",
                            Measure.DC_VOLTS,
                            0,
                            OptionalDouble.empty(),
                            OptionalDouble.empty(),
                            true,
                            Extra.NONE));
        String band = whole.bands().get(0).name();
        Chart.Conditions conditions = new Chart.Conditions(
                whole.supply().volts(), "20k/V", band, "", "none", "", whole.reference(), Extra.NONE);
        return new Chart(UUID.randomUUID(), "", false, 0.2, conditions, rows, Extra.NONE);
    }

    /** Charts as people mistype them, or as makers print them. */
    @ParameterizedTest
    @CsvSource({
        "halcyon, V4.5, 0",
        "halcyon, V4.5, -230",
        "halcyon, V3.7, 2200",
        "halcyon, V4.2, 95",
        "halcyon, V2.6, 8.5",
        "halcyon, V5.7, 2",
        "lark, Q4.3, 4",
        "lark, Q4.3, -400",
        "lark, Q4.3, 0",
        "lark, Q4.1, -8.9",
        "lark, Q4.2, 3",
        "lark, Q6.3, -0.01"
    })
    void anOddRowDoesNotEndTheRest(String name, String point, double volts) {
        Chassis set = LineUp.alone(SharedSets.named(name));
        Chart chart = set.chart().orElseThrow();
        List<ChartRow> rows = chart.rows().stream()
                .map(r -> r.point().equals(point) ? row(r, volts) : r)
                .toList();
        Optional<LineUpModel> model = model(set.withChart(
                new Chart(chart.id(), "", false, chart.tolerance(), chart.conditions(), rows, Extra.NONE)));
        model.ifPresent(m -> assertThat(m.diagnosis(m.evidence(readings(SharedSets.named(name), List.of(), 1), Job.NEW))
                        .other())
                .isBetween(0.0, 1.0));
    }

    private static ChartRow row(ChartRow r, double volts) {
        return new ChartRow(
                r.id(), r.point(), r.band(), r.measure(), volts, r.sourceOhms(), r.tolerance(), true, Extra.NONE);
    }

    /** Of another band, and with a part off that nobody entered, a reading is another circuit's. */
    @Test
    void whatTheChartDoesNotHoldForIsNotWeighed() {
        LineUpModel model = model("halcyon");
        Reading read = reading("V4.2", Chassis.METAL, 9);
        assertThat(model.evidence(List.of(read), Job.NEW)).hasSize(1);
        assertThat(model.evidence(List.of(read.withCondition(read.condition().withBand("Pick-up"))), Job.NEW))
                .isEmpty();
        assertThat(model.evidence(List.of(read.withCondition(read.condition().withOpenEnds(List.of("C14")))), Job.NEW))
                .isEmpty();
        assertThat(model.evidence(List.of(reading("C14", Chassis.METAL, 9)), Job.NEW))
                .isEmpty();
    }

    /** Where heaters lie in series, one that is open leaves no rail: it is among what may be wrong. */
    @Test
    void aDeadSetInSeriesSuspectsItsHeaters() {
        assertThat(Stream.of(Arrangement.values()).filter(Arrangement::hasHeaterChain))
                .allMatch(Arrangement::chassisMayBeLive);
        Diagnosis d = diagnosis("brae", List.of(Fault.parse("V1:heater-open")), 7);
        assertThat(d.suspects())
                .flatExtracting(RankedCause::causes)
                .extracting(h -> h.from().get(0).part())
                .contains("heater@V1/" + heaterPin());
    }

    private static String heaterPin() {
        Part v1 = SharedSets.named("brae").part("V1").orElseThrow();
        return Sockets.heaterPins(v1).get(0);
    }
}
