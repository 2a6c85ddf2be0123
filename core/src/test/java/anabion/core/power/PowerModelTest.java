package anabion.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.device.model.CathodeWarmUp;
import anabion.core.error.InputException;
import anabion.core.power.PowerReading.What;
import anabion.core.simulation.PowerUp;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.Deep;
import anabion.core.testing.SharedSets;
import anabion.core.typical.TypicalCircuit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What a set shows on its way up. A model solves a set a few hundred times, which takes a second or two: each is made once. */
class PowerModelTest {
    private static final Map<String, PowerModel> MODELS = new ConcurrentHashMap<>();

    private static PowerModel model(String set) {
        return MODELS.computeIfAbsent(set, s -> PowerModel.of(SharedSets.named(s)));
    }

    private static PowerPlan plan(String set) {
        return PowerPlan.of(SharedSets.named(set), model(set), Optional.empty(), false);
    }

    @ParameterizedTest
    @CsvSource({
        "halcyon, MAINS",
        "concerto, MAINS",
        "moor, MAINS",
        "brae, HOT_MAINS",
        "rover, HOT_MAINS",
        "lark, BATTERY",
        "trunk-road, CAR"
    })
    void everySetHasItsKindOfPlan(String set, PlanKind kind) {
        assertThat(PlanKind.of(SharedSets.named(set))).isEqualTo(kind);
    }

    private static List<TypicalCircuit> circuits() {
        return Deep.some("typical circuits that are brought up", 8, List.of(TypicalCircuit.values()));
    }

    @ParameterizedTest
    @MethodSource("circuits")
    void everyTypicalCircuitHasAPlanWhoseStepsRiseAndWhoseSoundSetIsNotStopped(TypicalCircuit circuit) {
        Chassis set = CircuitFixtures.typical(circuit);
        PowerModel model = PowerModel.sound(set);
        PowerPlan plan = PowerPlan.of(set, model, Optional.empty(), false);
        assertThat(plan.lamp().isPresent()).isEqualTo(plan.kind().usesMains());
        double before = 0;
        List<PowerReading> readings = new ArrayList<>();
        for (PowerStep s : plan.steps()) {
            assertThat(s.dial()).isGreaterThanOrEqualTo(before);
            assertThat(s.warm().volts()).isLessThanOrEqualTo(s.dial() + 1e-6);
            assertThat(s.warm().overloads())
                    .as("nothing burns at %s V", s.dial())
                    .isEmpty();
            before = s.dial();
            readings.addAll(read(s, model.sound(), model, plan));
            assertThat(StopReason.of(model, plan, readings, PowerJudgement.of(model, readings, plan.lamp())))
                    .as("at %s V", s.dial())
                    .isEmpty();
        }
        assertThat(plan.fuse().amperes())
                .isGreaterThan(model.sound().at(model.nominal()).amperes());
    }

    /** What meters would show of a set, without errors. */
    private static List<PowerReading> read(PowerStep s, SupplyCurve truth, PowerModel model, PowerPlan plan) {
        SupplyPoint is = truth.atDial(s.dial(), s.lamp() ? plan.lamp() : Optional.empty());
        List<PowerReading> all = new ArrayList<>();
        model.rail().ifPresent(r -> {
            all.add(new PowerReading(s.dial(), is.volts(), What.RAIL, r.net(), is.rail(r.net())));
            all.add(new PowerReading(s.dial(), is.volts(), What.RIPPLE, r.net(), is.ripple(r.net())));
        });
        What load = plan.kind().usesVariac() ? What.WATTS : What.AMPERES;
        all.add(new PowerReading(s.dial(), is.volts(), load, "", load == What.WATTS ? is.watts() : is.amperes()));
        return all;
    }

    /** Against the repeated substitution of {@link PowerUp}, which knows nothing of curves. */
    @Test
    void behindALampASetHasWhatSubstitutionFinds() {
        Chassis set = SharedSets.named("brae");
        Setting usual = Setting.fed(set);
        SupplyCurve curve = model("brae").sound();
        for (PowerUp.Step s : PowerUp.run(set, usual, 230, 5, 100)) {
            SupplyPoint p = curve.atDial(s.line(), Optional.of(SeriesLamp.of(230, 100)));
            assertThat(p.volts()).as("at %s V", s.line()).isCloseTo(s.set(), within(0.03 * s.line()));
        }
    }

    @Test
    void aMetalRectifierOvershootsAndAnIndirectlyHeatedOneHardlyDoes() {
        PowerModel rover = PowerModel.sound(SharedSets.named("rover"));
        WarmUp metal = rover.warmUp();
        WarmUp tube = model("brae").warmUp();
        String rail = rover.rail().orElseThrow().net();
        assertThat(metal.peak(rail)).isGreaterThan(1.15 * metal.settled(rail));
        assertThat(tube.peak("B1")).isLessThan(1.03 * tube.settled("B1"));
        assertThat(tube.seconds("B1")).as("a chain warms slowly").isBetween(15.0, 60.0);
    }

    @ParameterizedTest
    @CsvSource({"FILAMENT, 1.1", "CATHODE, 11", "LARGE_CATHODE, 15"})
    void aCathodeGivesHalfAfterItsTime(CathodeWarmUp.Kind kind, double seconds) {
        assertThat(half(kind, 0)).isCloseTo(seconds, within(0.05 * seconds));
        assertThat(half(kind, 0.5)).as("behind a dropper it takes longer").isGreaterThan(2 * seconds);
        assertThat(CathodeWarmUp.emission(kind, 1, 0, 20 * seconds)).isGreaterThan(0.99);
    }

    private static double half(CathodeWarmUp.Kind kind, double dropped) {
        double t = 0;
        while (CathodeWarmUp.emission(kind, 1, dropped, t) < 0.5) t += 0.1;
        return t;
    }

    /** The sets on which the plain run tries every common fault. */
    private static List<String> tried() {
        return Deep.some(
                "sets whose common faults are told by their curves", 1, List.of("brae", "halcyon", "concerto"));
    }

    @ParameterizedTest
    @MethodSource("tried")
    void everyCommonFaultIsToldFromASoundSetByItsReadings(String set) {
        PowerModel model = model(set);
        PowerPlan plan = plan(set);
        assertThat(model.others()).isNotEmpty();
        for (PowerModel.Faulty f : model.others()) {
            if (f.what().kind() == LookAlike.Kind.HEATER_OPEN) continue; // eyes tell, where heaters are not in series
            List<PowerReading> readings = new ArrayList<>();
            for (PowerStep s : plan.steps()) readings.addAll(read(s, f.curve(), model, plan));
            PowerJudgement judged = PowerJudgement.of(model, readings, plan.lamp());
            assertThat(judged.kinds().get(0).kind())
                    .as(f.what().fault().text())
                    .isEqualTo(f.what().kind());
            assertThat(judged.healthy()).as(f.what().fault().text()).isFalse();
        }
    }

    @Test
    void aDarkTubeIsAnOpenHeater() {
        PowerModel model = model("halcyon");
        List<PowerReading> readings = new ArrayList<>();
        PowerStep full = plan("halcyon").steps().get(7);
        readings.addAll(read(full, model.sound(), model, plan("halcyon")));
        readings.add(new PowerReading(full.dial(), 0, What.DARK, "", 1));
        PowerJudgement judged =
                PowerJudgement.of(model, readings, plan("halcyon").lamp());
        assertThat(judged.kinds()).isNotEmpty();
        assertThat(judged.kinds().get(0).kind()).isEqualTo(LookAlike.Kind.HEATER_OPEN);
    }

    /** What was sound for three steps may give way at the fourth. */
    @Test
    void whatGivesWayOnTheWayUpIsNamedByItsLastStep() {
        PowerModel model = model("brae");
        PowerPlan plan = plan("brae");
        SupplyCurve dead = model.others().stream()
                .filter(f -> f.what().kind() == LookAlike.Kind.OUTPUT_DEAD)
                .findFirst()
                .orElseThrow()
                .curve();
        List<PowerReading> readings = new ArrayList<>();
        for (int n = 0; n < 7; n++) readings.addAll(read(plan.steps().get(n), model.sound(), model, plan));
        readings.addAll(read(plan.steps().get(7), dead, model, plan));
        PowerJudgement judged = PowerJudgement.of(model, readings, plan.lamp());
        assertThat(judged.kinds().get(0).kind()).isEqualTo(LookAlike.Kind.OUTPUT_DEAD);
    }

    @Test
    void aShortedRailIsStoppedWithNothingBurnt() {
        for (String set : tried())
            for (PowerModel.Faulty f : model(set).others())
                if (f.what().kind() == LookAlike.Kind.RAIL_SHORTED) {
                    List<PowerReading> readings = new ArrayList<>();
                    Optional<StopReason> stop = Optional.empty();
                    for (PowerStep s : plan(set).steps()) {
                        SupplyPoint is =
                                f.curve().atDial(s.dial(), s.lamp() ? plan(set).lamp() : Optional.empty());
                        assertThat(is.overloads())
                                .as(set + " " + f.what().fault().text())
                                .isEmpty();
                        readings.addAll(read(s, f.curve(), model(set), plan(set)));
                        stop = StopReason.of(
                                model(set),
                                plan(set),
                                readings,
                                PowerJudgement.of(
                                        model(set), readings, plan(set).lamp()));
                        if (stop.isPresent()) break;
                    }
                    assertThat(stop).as(set + " " + f.what().fault().text()).isPresent();
                }
    }

    @Test
    void aVibratorGetsFullVoltsOrNone() {
        Chassis car = CircuitFixtures.typical(TypicalCircuit.CAR_VIBRATOR);
        PowerPlan vibrator = PowerPlan.of(car, PowerModel.sound(car), Optional.empty(), false);
        assertThat(vibrator.kind()).isEqualTo(PlanKind.VIBRATOR);
        assertThat(vibrator.steps()).hasSize(1);
    }

    @Test
    void aSetWithoutACircuitSaysSo() {
        assertThatThrownBy(() -> PowerModel.of(SharedSets.named("moor")))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("circuit");
    }
}
