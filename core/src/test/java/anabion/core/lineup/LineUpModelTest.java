package anabion.core.lineup;

import static anabion.core.lineup.LineUpReadings.LINE;
import static anabion.core.lineup.LineUpReadings.METER;
import static anabion.core.lineup.LineUpReadings.diagnosis;
import static anabion.core.lineup.LineUpReadings.model;
import static anabion.core.lineup.LineUpReadings.reading;
import static anabion.core.lineup.LineUpReadings.readings;
import static anabion.core.lineup.LineUpReadings.row;
import static anabion.core.lineup.LineUpReadings.theRightPlaceComesFirst;
import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Part;
import anabion.core.chassis.Place;
import anabion.core.command.StudyLine;
import anabion.core.command.WiringLine;
import anabion.core.diagnosis.CauseWords;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.job.Job;
import anabion.core.json.Extra;
import anabion.core.lineup.LineUpReadings.Story;
import anabion.core.reading.Condition;
import anabion.core.reading.Predictor;
import anabion.core.reading.Reading;
import anabion.core.reading.Tolerances;
import anabion.core.reading.judgement.Judge;
import anabion.core.simulation.chart.ChartMaker;
import anabion.core.simulation.fault.Sockets;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.SharedSets;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.core.typical.TypicalCircuit;
import java.util.ArrayList;
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
    private static final Words WORDS = new Words(Vocabulary.STANDARD);

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

    @Test
    void theRightPlaceComesFirstInMostStories() {
        theRightPlaceComesFirst(STORIES, 10);
    }

    @Test
    void aSoundSetConvictsNobody() {
        for (long seed : new long[] {1, 2, 3}) {
            Diagnosis d = diagnosis("halcyon", List.of(), seed);
            assertThat(d.decided())
                    .as("%s", d.singly().stream().limit(2).toList())
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
