package anabion.core.coldcheck;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Part;
import anabion.core.diagnosis.evidence.DirectProof;
import anabion.core.isolation.Isolation;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.FittedState;
import anabion.core.job.Job;
import anabion.core.job.PartTest;
import anabion.core.job.RecapLog;
import anabion.core.job.Trial;
import anabion.core.json.Extra;
import anabion.core.reading.Condition;
import anabion.core.reading.Reading;
import anabion.core.reading.Standing;
import anabion.core.simulation.cold.ColdSet;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.SharedSets;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.core.typical.TypicalCircuit;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What cold ohms forbid, and which parts a direct test proves bad. */
class ColdDangerTest {
    private static final Instant NOW = Instant.parse("2026-05-04T10:00:00Z");
    private static final Words WORDS = new Words(Vocabulary.STANDARD);
    private static final Chassis HALCYON = SharedSets.named("halcyon");

    private static Reading ohms(String a, String b, double value) {
        return new Reading(
                UUID.randomUUID(),
                a,
                b,
                Measure.OHMS,
                value,
                false,
                Condition.of(230, new MeterSpec.Fixed(10e6), ""),
                FittedState.AS_FOUND,
                NOW,
                Extra.NONE);
    }

    private static List<ColdDanger> dangers(Chassis set, List<Reading> readings) {
        return ColdDanger.of(set, ColdTable.taken(set, readings, Job.NEW));
    }

    /** Whatever a sound set shows forbids nothing: heater windings have next to no ohms by nature. */
    @ParameterizedTest
    @EnumSource(
            value = TypicalCircuit.class,
            names = {
                "FIVE_TUBE",
                "FIVE_TUBE_AC_DC",
                "HOT_CHASSIS",
                "BATTERY_FOUR_TUBE",
                "DIRECTLY_HEATED_RECTIFIER",
                "SEVEN_TRANSISTOR"
            })
    void aSoundSetMayBePowered(TypicalCircuit typical) {
        Chassis set = CircuitFixtures.typical(typical);
        ColdSet cold = ColdSet.of(set, Setting.of(set.supply().volts()));
        List<Reading> all = new ArrayList<>();
        for (ColdRow r : ColdTable.of(set, List.of(), Job.NEW))
            all.add(ohms(r.net(), r.against(), cold.between(r.net(), r.against(), 1.5)));
        assertThat(dangers(set, all)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "B1,CHASSIS,120,RAIL_SHORTED",
        "MAINS-L,CHASSIS,2000,LINE_TO_CHASSIS",
        "MAINS-L,MAINS-N,0.4,LINE_SHORTED",
        "V4.5,B1,3,WINDING_SHORTED",
        "V4.5,B1,1e9,PRIMARY_OPEN"
    })
    void whatIsFarFromTheCircuitsOwnForbidsTheMains(String a, String b, double read, ColdDanger.Kind kind) {
        List<ColdDanger> all = dangers(HALCYON, List.of(ohms(a, b, read)));
        assertThat(all).extracting(ColdDanger::kind).containsExactly(kind);
        assertThat(WORDS.say(all.get(0).words())).startsWith("Stop, no power");
        assertThat(WORDS.say(all.get(0).next())).isNotBlank();
    }

    /** A heater of a chain that is shorted leaves its volts to the others; one of those side by side has hardly any ohms by nature. */
    @Test
    void aShortedPieceOfAChainOfHeatersForbidsTheMains() {
        for (String name : List.of("brae", "rover")) {
            Chassis set = SharedSets.named(name);
            List<ColdRow> heaters = ColdTable.of(set, List.of(), Job.NEW).stream()
                    .filter(r -> r.group() == ColdRow.Group.HEATERS)
                    .toList();
            assertThat(heaters).as(name).isNotEmpty();
            for (ColdRow r : heaters) {
                List<ColdDanger> all = dangers(set, List.of(ohms(r.net(), r.against(), 0.02 * r.usual())));
                assertThat(all)
                        .as(r.label())
                        .extracting(ColdDanger::kind)
                        .containsExactly(ColdDanger.Kind.CHAIN_SHORTED);
                assertThat(WORDS.say(all.get(0).words()))
                        .startsWith("Stop, no power")
                        .contains(r.part());
                assertThat(WORDS.say(all.get(0).next())).contains(r.part());
            }
        }
        for (ColdRow r : ColdTable.of(HALCYON, List.of(), Job.NEW))
            if (r.group() == ColdRow.Group.HEATERS)
                assertThat(dangers(HALCYON, List.of(ohms(r.net(), r.against(), 0))))
                        .isEmpty();
    }

    /** What proves a transformer's insulation is no danger, and within, however much more the circuit computes; what lies below it is no proof. */
    @ParameterizedTest
    @CsvSource({"20e6, WITHIN, 0", "1.2e6, WITHIN, 0", "500e3, DRIFTING, 0", "90e3, OUT, 1"})
    void insulationIsJudgedByWhatPasses(double read, Standing standing, int dangers) {
        List<Reading> both = List.of(ohms("MAINS-L", "CHASSIS", read), ohms("MAINS-N", "CHASSIS", read));
        assertThat(ColdTable.taken(HALCYON, both, Job.NEW))
                .extracting(ColdRow::standing)
                .containsExactly(standing, standing);
        assertThat(dangers(HALCYON, both)).hasSize(2 * dangers);
        assertThat(Isolation.of(HALCYON).proved(both)).isEqualTo(standing == Standing.WITHIN);
    }

    /** A chassis that hangs on the line by design is not told that the circuit keeps it off; and what has no screen burns none. */
    @Test
    void theWordsAreTrueOfTheCircuit() {
        Chassis hot = CircuitFixtures.typical(TypicalCircuit.HOT_CHASSIS);
        for (ColdRow r : ColdTable.of(hot, List.of(), Job.NEW))
            if (r.group() == ColdRow.Group.MAINS && r.low() > 1 && r.usual() < 1e4)
                assertThat(dangers(hot, List.of(ohms(r.net(), r.against(), 0.1 * r.low()))))
                        .extracting(ColdDanger::kind)
                        .containsExactly(ColdDanger.Kind.LINE_SHORTED);
        Chassis transistors = CircuitFixtures.typical(TypicalCircuit.SEVEN_TRANSISTOR);
        assertThat(dangers(transistors, List.of(ohms("Q6.3", "NEG", 1e9)))).isEmpty();
    }

    private static List<String> bad(Job job, Reading... readings) {
        List<Reading> all = List.of(readings);
        return DirectProof.of(HALCYON, job, ColdTable.taken(HALCYON, all, job)).stream()
                .map(DirectProof::part)
                .toList();
    }

    private static Job tested(Job job, String key, PartTest.What what, double amount, double good, double volts) {
        return job.withRecap(job.recap()
                .tested(new RecapLog.Tested(
                        UUID.randomUUID(), NOW, new PartTest(key, what, amount, good, volts), Extra.NONE)));
    }

    /** A resistor that was lifted, a leak test, a tube in a tester; then the part is exchanged, and nothing is said of the new one. */
    @Test
    void directTestsProveAndAnExchangeEndsThat() {
        Job job = tested(Job.NEW, "R9", PartTest.What.VALUE, 310e3, 0, 0);
        job = tested(job, "C14", PartTest.What.LEAKAGE, 200e-6, 0, 300);
        job = tested(job, "V4", PartTest.What.EMISSION, 30, 50, 0);
        job = tested(job, "C17", PartTest.What.VALUE, 10e-9, 0, 0);
        assertThat(bad(job)).containsExactly("R9", "C14", "V4");
        Job mended = job.altered(new Alteration(
                UUID.randomUUID(), NOW.plusSeconds(60), "C14", AlterationKind.RENEWED, "10n", Extra.NONE));
        assertThat(bad(mended)).containsExactly("R9", "V4");
        assertThat(bad(tested(job, "R9", PartTest.What.VALUE, 47e3, 0, 0)))
                .as("measured again, and it was a slip")
                .containsExactly("C14", "V4");
    }

    @Test
    void aGoodOneInItsPlaceProvesAndAnotherThatChangesNothingDoesNot() {
        UUID state = FittedState.AS_FOUND;
        Job job = Job.NEW
                .with(new Trial(UUID.randomUUID(), NOW, Trial.How.ACROSS, "C10", true, state, Extra.NONE))
                .with(new Trial(UUID.randomUUID(), NOW, Trial.How.SWAPPED, "V3", true, state, Extra.NONE))
                .with(new Trial(UUID.randomUUID(), NOW, Trial.How.SWAPPED, "V2", false, state, Extra.NONE));
        assertThat(bad(job)).containsExactly("C10", "V3");
    }

    /** Nothing in parallel can make a resistor read more than it has; and nothing but a short makes half an ohm of a bypass. */
    @Test
    void whatIsReadInTheSetProvesWhereNothingElseCould() {
        assertThat(bad(Job.NEW, ohms("B2", "V3.7", 900e3))).containsExactly("R13");
        assertThat(bad(Job.NEW, ohms("V2.6", "CHASSIS", 0.3))).containsExactly("C10");
        assertThat(bad(Job.NEW, ohms("V2.6", "CHASSIS", 30)))
                .as("it may lie behind something")
                .isEmpty();
        Chassis two = HALCYON.withParts(join(HALCYON));
        assertThat(DirectProof.of(two, Job.NEW, ColdTable.taken(two, List.of(ohms("V2.6", "CHASSIS", 0.3)), Job.NEW)))
                .as("two capacitors side by side: either")
                .isEmpty();
    }

    /** What lay in parallel may be gone, and the resistor sound: only more than the resistor itself may have proves. */
    @Test
    void aResistorIsNotProvedBadByWhatLayBesideIt() {
        Chassis set = CircuitFixtures.typical(TypicalCircuit.SEVEN_TRANSISTOR);
        List<ColdRow> paralleled = ColdTable.of(set, List.of(), Job.NEW).stream()
                .filter(r -> r.group() == ColdRow.Group.RESISTORS && 1.3 * r.high() < most(set, r))
                .toList();
        assertThat(paralleled).isNotEmpty();
        for (ColdRow r : paralleled) {
            assertThat(proved(set, ohms(r.net(), r.against(), 1.2 * r.high()))).isEmpty();
            assertThat(proved(set, ohms(r.net(), r.against(), 1.2 * most(set, r))))
                    .containsExactly(r.part());
        }
    }

    private static double most(Chassis set, ColdRow r) {
        return ColdTable.most(
                (Component.Resistor) set.part(r.part()).orElseThrow().component());
    }

    private static List<String> proved(Chassis set, Reading reading) {
        return DirectProof.of(set, Job.NEW, ColdTable.taken(set, List.of(reading), Job.NEW)).stream()
                .map(DirectProof::part)
                .toList();
    }

    private static List<Part> join(Chassis set) {
        List<Part> all = new ArrayList<>(set.parts());
        Part c = set.part("C10").orElseThrow();
        assertThat(c.component()).isInstanceOf(Component.Capacitor.class);
        all.add(c.withReference("C99"));
        return all;
    }

    @Test
    void aFaultThatIsDrawnIsTheOneThatIsNamed() {
        Chassis set = HALCYON;
        ColdSet cold = ColdSet.of(set, Setting.of(230).withFaults(List.of(Fault.parse("C10:short"))));
        assertThat(bad(Job.NEW, ohms("V2.6", "CHASSIS", cold.between("V2.6", "CHASSIS", 1.5))))
                .containsExactly("C10");
    }
}
