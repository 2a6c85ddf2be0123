package anabion.core.coldcheck;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.FittedState;
import anabion.core.job.Job;
import anabion.core.json.Extra;
import anabion.core.reading.Condition;
import anabion.core.reading.Reading;
import anabion.core.reading.Standing;
import anabion.core.simulation.cold.ColdSet;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The cold checks of the demo sets: what is listed, and what readings on it say. */
class ColdTableTest {
    private static final Chassis HALCYON = SharedSets.named("halcyon");

    private static Reading ohms(String a, String b, double value) {
        return new Reading(
                new UUID(3, a.hashCode()),
                a,
                b,
                Measure.OHMS,
                value,
                false,
                Condition.of(230, new MeterSpec.Fixed(10e6), "AM"),
                FittedState.AS_FOUND,
                Instant.EPOCH,
                Extra.NONE);
    }

    private static ColdRow row(List<ColdRow> rows, String a, String b) {
        return rows.stream()
                .filter(r -> Set.of(r.net(), r.against()).equals(Set.of(a, b)))
                .findFirst()
                .orElseThrow();
    }

    private static ColdRow inOrder(List<ColdRow> rows, String a, String b) {
        return rows.stream()
                .filter(r -> r.net().equals(a) && r.against().equals(b))
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "rover", "lark", "trunk-road", "concerto"})
    void everySetHasItsRowsEachOnceAndEachWithAPrediction(String name) {
        List<ColdRow> rows = ColdTable.of(SharedSets.named(name), List.of(), Job.NEW);
        Set<List<String>> pairs = new HashSet<>();
        Words words = new Words(Vocabulary.STANDARD);
        for (ColdRow r : rows) {
            assertThat(pairs.add(List.of(r.net(), r.against()))).as(r.label()).isTrue();
            assertThat(r.low()).isLessThanOrEqualTo(r.usual());
            assertThat(r.high()).isGreaterThanOrEqualTo(r.usual());
            assertThat(words.say(r.what())).doesNotContain("cold.");
        }
        assertThat(rows).extracting(ColdRow::group).contains(ColdRow.Group.RAILS, ColdRow.Group.RESISTORS);
        for (int n = 1; n < rows.size(); n++)
            assertThat(rows.get(n).group())
                    .isGreaterThanOrEqualTo(rows.get(n - 1).group());
    }

    /** What the circuit itself shows with a fault is judged as what it is. */
    @ParameterizedTest
    @CsvSource({
        "B2, CHASSIS, C18:short, cold.rail-short",
        "V2.6, B2, R7:drifted:68k, cold.risen",
        "V2.6, B2, R7:open, cold.open",
        "V3.7, B2, R13:drifted:220k, verdict.within",
        "V4.5, B1, T2.primary:open, cold.high"
    })
    void aFaultShowsInItsRow(String a, String b, String fault, String verdict) {
        Setting broken = Setting.of(230).withFaults(List.of(Fault.parse(fault)));
        double read = ColdSet.of(HALCYON, broken).between(a, b, 1.5);
        ColdRow row = row(ColdTable.of(HALCYON, List.of(ohms(a, b, read)), Job.NEW), a, b);
        assertThat(row.verdict().key())
                .as("%s Ω for %s to %s", read, row.low(), row.high())
                .isEqualTo(verdict);
        assertThat(row.standing() == Standing.OUT).isEqualTo(!verdict.equals("verdict.within"));
    }

    /** Electrolytics that have lain are no short. */
    @Test
    void aRailThatLeaksLikeOldElectrolyticsIsWithin() {
        double read = ColdSet.of(HALCYON, Setting.of(230), 0.05).between("B2", "CHASSIS", 1.5);
        ColdRow row = row(ColdTable.of(HALCYON, List.of(ohms("CHASSIS", "B2", read)), Job.NEW), "B2", "CHASSIS");
        assertThat(row.standing()).isEqualTo(Standing.WITHIN);
        assertThat(row.deviation()).isBetween(-1.0, 1.0);
    }

    /** Between nets that no row asks for: shown and judged all the same. */
    @Test
    void whatIsReadElsewhereIsListedToo() {
        List<ColdRow> rows = ColdTable.of(HALCYON, List.of(ohms("V5.6", "V5.1", 380)), Job.NEW);
        assertThat(row(rows, "V5.6", "V5.1").standing()).isEqualTo(Standing.WITHIN);
    }

    /** Beside a junction the two ways round are two rows, each judged by its own reading; elsewhere one row takes both. */
    @Test
    void besideAJunctionEachWayRoundIsARow() {
        Chassis lark = SharedSets.named("lark");
        List<ColdRow> rows = ColdTable.of(lark, List.of(), Job.NEW);
        ColdRow one = inOrder(rows, "Q1E", "CHASSIS");
        ColdRow other = inOrder(rows, "CHASSIS", "Q1E");
        assertThat(List.of(one.part(), other.part())).containsOnly("R3");
        double higher = Math.max(one.usual(), other.usual());
        assertThat(higher).isGreaterThan(1.2 * Math.min(one.usual(), other.usual()));
        assertThat(higher).as("the higher is nearer to R3").isBetween(1000.0, 1700.0);
        List<ColdRow> read = ColdTable.of(lark, List.of(ohms("CHASSIS", "Q1E", other.usual())), Job.NEW);
        assertThat(inOrder(read, "CHASSIS", "Q1E").standing()).isEqualTo(Standing.WITHIN);
        assertThat(inOrder(read, "Q1E", "CHASSIS").reading()).isEmpty();
        assertThat(ColdTable.of(HALCYON, List.of(), Job.NEW))
                .extracting(r -> Set.of(r.net(), r.against()))
                .doesNotHaveDuplicates();
    }

    /** For the record only what was read is computed, and judged alike. */
    @Test
    void whatWasTakenIsJudgedAsOnTheSheet() {
        List<Reading> taken = List.of(ohms("V2.6", "B2", 68e3), ohms("V5.6", "V5.1", 380));
        assertThat(ColdTable.taken(HALCYON, taken, Job.NEW))
                .isEqualTo(ColdTable.of(HALCYON, taken, Job.NEW).stream()
                        .filter(r -> r.reading().isPresent())
                        .toList())
                .hasSize(2);
        assertThat(ColdTable.taken(HALCYON, List.of(), Job.NEW)).isEmpty();
    }

    @Test
    void aReadingFromBeforeThePartWasRenewedIsNotShown() {
        Job job = Job.NEW.altered(
                new Alteration(new UUID(9, 9), Instant.EPOCH, "R7", AlterationKind.RENEWED, "", Extra.NONE));
        List<Reading> taken = List.of(ohms("V2.6", "B2", 68e3));
        assertThat(row(ColdTable.of(HALCYON, taken, job), "V2.6", "B2").reading())
                .isEmpty();
        assertThat(row(ColdTable.of(HALCYON, taken, Job.NEW), "V2.6", "B2").reading())
                .isPresent();
    }

    /** With its electrolytic lifted a rail has no leak of its own; what was read before stands against the set as it was. */
    @Test
    void ohmsAreHeldAgainstTheSetAsItWasRead() {
        Job job = Job.NEW.altered(
                new Alteration(new UUID(9, 8), Instant.EPOCH, "C18", AlterationKind.LIFTED, "", Extra.NONE));
        ColdRow whole = row(ColdTable.of(HALCYON, List.of(), Job.NEW), "B1", "CHASSIS");
        ColdRow lifted = row(ColdTable.of(HALCYON, List.of(), job), "B1", "CHASSIS");
        assertThat(lifted.low()).isGreaterThan(5 * whole.low());
        Reading before = ohms(
                "V2.7",
                "CHASSIS",
                row(ColdTable.of(HALCYON, List.of(), Job.NEW), "V2.7", "CHASSIS")
                        .usual());
        assertThat(row(ColdTable.of(HALCYON, List.of(before), job), "V2.7", "CHASSIS")
                        .standing())
                .isEqualTo(Standing.WITHIN);
        Reading leak = ohms("V3.7", "CHASSIS", 400e3).withId(new UUID(7, 7));
        assertThat(row(ColdTable.of(HALCYON, List.of(leak), job), "V3.7", "CHASSIS")
                        .low())
                .as("taken with C18 in")
                .isLessThan(lifted.low());
    }

    /** V₀·e^(−t/RC), by hand. */
    @Test
    void theWaitForTheFiltersFollowsFromTheRail() {
        Discharge d = Discharge.of(HALCYON).orElseThrow();
        assertThat(d.volts()).as("before the tubes warm, at high line").isBetween(340.0, 400.0);
        assertThat(d.volts() * Math.exp(-d.seconds() / (d.ohms() * d.farads())))
                .isCloseTo(Discharge.SAFE, within(1e-6));
        assertThat(d.watts()).isCloseTo(d.volts() * d.volts() / d.ohms(), within(1e-9));
        assertThat(Discharge.of(SharedSets.named("lark"))).as("nine volts").isEmpty();
    }
}
