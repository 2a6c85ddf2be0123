package anabion.core.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.TestSets;
import anabion.core.error.InputException;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.Arrival;
import anabion.core.job.Complaint;
import anabion.core.job.FittedState;
import anabion.core.job.Job;
import anabion.core.job.Step;
import anabion.core.job.StepState;
import anabion.core.job.SymptomKind;
import anabion.core.job.VisitorEvidence;
import anabion.core.json.Extra;
import anabion.core.json.TreeWriter;
import anabion.core.reading.Condition;
import anabion.core.reading.Reading;
import java.io.IOException;
import java.io.StringReader;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TablesTest {
    private static final Instant NOW = Instant.parse("2026-05-04T09:30:00Z");
    private final Chassis set = TestSets.audioEnd();
    private final Condition usual = Condition.of(231, MeterSpec.parse("10M"), "AM");

    private List<Reading> read(String csv) throws IOException {
        return ReadingCodec.csv(new StringReader(csv), set, new ReadingCodec.Usual(usual, NOW, FittedState.AS_FOUND));
    }

    @Test
    void readingsTakeWhatARowLeavesOutFromTheUsualCondition() throws IOException {
        List<Reading> readings = read("point,value\nV4.1,3.1\nv4.k,16.4\n");
        assertThat(readings).extracting(Reading::point).containsExactly("V4.1", "V4.2");
        assertThat(readings.get(0).condition()).isEqualTo(usual);
        assertThat(readings.get(0).at()).isEqualTo(NOW);
    }

    @Test
    void readingsWrittenReadBackEqual() throws IOException {
        Reading full = new Reading(
                UUID.randomUUID(),
                "V5.1",
                "CHASSIS",
                Measure.AC_VOLTS,
                240.5,
                true,
                new Condition(
                        228.5,
                        MeterSpec.parse("20k/V@250"),
                        "Pick-up",
                        "most",
                        "strong",
                        "low end",
                        List.of("R14", "C3"),
                        Extra.NONE),
                UUID.randomUUID(),
                NOW,
                Extra.NONE);
        StringBuilder csv = new StringBuilder();
        ReadingCodec.csv(List.of(full), csv);
        assertThat(read(csv.toString())).containsExactly(full);
        String json = TreeWriter.text(ReadingCodec.tree(full));
        assertThat(ReadingCodec.read(json)).isEqualTo(full);
    }

    @Test
    void semicolonsTabsAndABomAreUnderstood() throws IOException {
        assertThat(read("\uFEFFpoint;value\nV4.1;3,1\n")).singleElement().satisfies(r -> assertThat(r.value())
                .isEqualTo(3.1));
        assertThat(read("point\tvalue\nV4.1\t-0.8\n\n")).singleElement().satisfies(r -> assertThat(r.value())
                .isEqualTo(-0.8));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "pin,value;V4.1,3 | line 1 | no column \"point\"",
                "point,value,colour;V4.1,3,red | field colour | not known",
                "point,value,value;V4.1,3,3 | field value | stands twice",
                "point,value;V4.1,3,1 | line 2 | has 3 fields, the header has 2",
                "point,value;V4.1,3;V4.2 | line 3 | has 1 fields",
                "point,value;V9.1,3 | line 2, field point | no pin or net V9.1",
                "point,value;V4.1, | line 2, field value | empty",
                "point,value;V4.1,much | line 2, field value | not a value",
                "point,value;V4.1,'1,000' | line 2, field value | can mean",
                "point,value,meter;V4.1,3,good | line 2, field meter | not a value",
                "point,value,band;V4.1,3,UHF | line 2, field band | no band UHF",
                "point,value,measure;V4.1,3,amps | line 2, field measure | no measure",
                "point,value,taken;V4.1,3,noon | line 2, field taken | no moment",
                "point,value,id;V4.1,3,7 | line 2, field id | no UUID"
            })
    void badTablesNameLineAndField(String table, String where, String what) {
        String csv = table.replace(';', '\n').replace('\'', '"');
        assertThatThrownBy(() -> read(csv)).isInstanceOfSatisfying(InputException.class, e -> {
            assertThat(e.where()).contains(where);
            assertThat(e.getMessage()).contains(what);
        });
    }

    @Test
    void emptyAndUnclosedTablesAreRefused() {
        assertThatThrownBy(() -> read("")).hasMessageContaining("header is missing");
        assertThatThrownBy(() -> read("point,value\n\"V4.1,3\n")).isInstanceOf(InputException.class);
    }

    @Test
    void aChartIsReadWithItsExtras() throws IOException {
        List<ChartRow> rows = ListCodec.chart(
                new StringReader("point,value,source,tolerance,follows\nV4.2,11,270,15%,no\nV3.a,80,52k,,\n"), set);
        assertThat(rows.get(0).followsLine()).isFalse();
        assertThat(rows.get(0).tolerance()).hasValue(0.15);
        assertThat(rows.get(1).point()).isEqualTo("V3.7");
        assertThat(rows.get(1).sourceOhms()).hasValue(52e3);
        assertThatThrownBy(() -> ListCodec.chart(new StringReader("point,value\nV9.9,3\n"), set))
                .hasMessageContaining("line 2, field point");
        assertThatThrownBy(() -> ListCodec.chart(new StringReader("point,value,tolerance\nV4.2,3,much\n"), set))
                .hasMessageContaining("percentage");
    }

    @Test
    void aBadPartsListNamesItsLine() {
        assertThatThrownBy(
                        () -> ListCodec.parts(new StringReader("reference,value,nets\nR1,10k,A B\nR2,12q,A B\n"), set))
                .hasMessageContaining("line 3");
    }

    @Test
    void aJobWrittenReadsBackEqualWithItsUnknownFields() {
        Job job = Job.NEW
                .withArrival(new Arrival(
                        "keeper",
                        "a cake",
                        List.of(new Complaint("AM", SymptomKind.HUM, "loud", Extra.NONE)),
                        Set.of(VisitorEvidence.WIRE_NUTS),
                        List.of("a receipt"),
                        "",
                        new Extra(Map.of("mood", "good"))))
                .withStep(Step.RECAP, StepState.UNDER_WAY)
                .withWaitsFor("glue")
                .altered(new Alteration(UUID.randomUUID(), NOW, "C3", AlterationKind.STAND_IN, "47n", Extra.NONE));
        assertThat(JobCodec.read(JobCodec.text(job))).isEqualTo(job);
        assertThat(JobCodec.read(JobCodec.text(Job.NEW))).isEqualTo(Job.NEW);
        assertThatThrownBy(() -> JobCodec.read(JobCodec.text(job).replace("anabion-job", "tax return")))
                .hasMessageContaining("not a job");
        assertThatThrownBy(() -> JobCodec.read(JobCodec.text(job).replace("\"version\" : 2", "\"version\" : 7")))
                .hasMessageContaining("version 7");
    }

    @Test
    void aJobOfTheFirstVersionKeepsItsMarkedSteps() {
        Job job = JobCodec.read(
                "{\"format\":\"anabion-job\",\"version\":1,\"steps\":{\"soak\":\"done\",\"recap\":\"under-way\"}}");
        assertThat(job.marked(Step.RECAP).orElseThrow().state()).isEqualTo(StepState.UNDER_WAY);
        assertThat(job.marked(Step.SOAK).orElseThrow().state()).isEqualTo(StepState.DONE);
        assertThat(JobCodec.read(JobCodec.text(job))).isEqualTo(job);
    }

    /** Ohms reach where numbers are written with exponents; what is written must be read again. */
    @Test
    void largeOhmsSurviveExport() throws IOException {
        List<Reading> taken = new java.util.ArrayList<>();
        for (double ohms : new double[] {0.3, 33e3, 17.8e6, 1e9})
            taken.add(new Reading(
                    new UUID(1, (long) ohms),
                    "B1",
                    "CHASSIS",
                    Measure.OHMS,
                    ohms,
                    false,
                    usual,
                    UUID.randomUUID(),
                    NOW,
                    Extra.NONE));
        StringBuilder csv = new StringBuilder();
        ReadingCodec.csv(taken, csv);
        assertThat(csv.toString()).contains("1000000000,ohms").doesNotContain("E9");
        assertThat(read(csv.toString())).extracting(Reading::value).containsExactly(0.3, 33e3, 17.8e6, 1e9);
    }
}
