package anabion.core.simulation.chart;

import anabion.core.chassis.Chart;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartLead;
import anabion.core.chassis.Point;
import anabion.core.numeric.LruCache;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.reading.Condition;
import anabion.core.reading.Predictor;
import anabion.core.reading.SignalLevel;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.Overload;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.supply.AcSupply;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Predicts readings from the set's circuit, calibrated to its chart where it has one. Parts that were lifted or taken out while a reading was
 * taken are missing from the circuit too. Callers take turns.
 */
public final class CircuitPredictor implements Predictor {
    private static final int KEPT = 12;
    /** A net that a meter pulls below this share of its own volts hangs in the air. */
    private static final double FLOATING = 0.02;

    private final Simulator engine = new Simulator();
    private final Chassis chassis;
    private final Optional<Calibration> calibration;
    private final LruCache<Key, MeterModel> readers = new LruCache<>(KEPT);

    private record Key(double line, String band, String volume, List<String> open) {}

    private CircuitPredictor(Chassis chassis) {
        this.chassis = chassis;
        this.calibration = chassis.chart().map(c -> Calibration.of(engine, chassis, c));
    }

    /** A predictor for a set; one that knows nothing if the set has no supply that the engine understands. */
    public static Predictor of(Chassis chassis) {
        return powered(chassis) ? new CircuitPredictor(chassis) : Predictor.NONE;
    }

    /** Whether a set has a supply that the engine understands. */
    public static boolean powered(Chassis chassis) {
        boolean battery = chassis.parts().stream().anyMatch(p -> p.component() instanceof Component.Battery);
        if (!battery && !AcSupply.has(chassis)) return false;
        double line = chassis.supply().volts();
        if (line <= 0) return false;
        return battery
                || !new Simulator().prepare(chassis, Setting.of(line)).rails().isEmpty();
    }

    @Override
    public synchronized Optional<Prediction> at(Point point, Measure measure, Condition now) {
        if (measure == Measure.OHMS || now.line() <= 0) return Optional.empty();
        String row = Calibration.key(point.label(), measure);
        boolean charted =
                chassis.chart().isPresent() && isCharted(chassis.chart().get(), point, measure);
        if (charted && !calibration.map(c -> c.fits(row)).orElse(false)) return Optional.empty();
        MeterModel reader = readers.get(
                new Key(now.line(), now.band(), now.volume(), now.openEnds()), () -> new MeterModel(bench(now)));
        if (!reader.works()) return Optional.empty();
        double free = reader.free(point.net(), measure);
        OptionalDouble read = reader.read(point.net(), measure, now.meter());
        if (read.isEmpty() || (Math.abs(free) > 1 && Math.abs(read.getAsDouble()) < FLOATING * Math.abs(free)))
            return Optional.empty();
        return Optional.of(said(
                now,
                measure,
                free,
                read.getAsDouble(),
                calibration.map(c -> c.offset(row, now.line())).orElse(0.0)));
    }

    /**
     * What is asked of any point.
     *
     * @param direct volts that the condition's meter shows
     * @param alternating effective volts
     * @param overloads what burns meanwhile
     */
    public record Answer(double direct, double alternating, List<Overload> overloads) {
        public Answer {
            overloads = List.copyOf(overloads);
        }
    }

    /** Volts at a point under any setting and with any faults, a strong signal among them; empty if the circuit does not settle. */
    public synchronized Optional<Answer> ask(Point point, Condition now, Controls controls, List<Fault> faults) {
        Map<String, Double> pots = new LinkedHashMap<>(MeterModel.controls(chassis, now.volume()));
        pots.putAll(controls.pots());
        List<Fault> all = new ArrayList<>(open(chassis, now.openEnds()));
        all.addAll(faults);
        Setting setting = new Setting(
                now.line(),
                MeterModel.known(chassis, now.band()),
                pots,
                controls.switches(),
                all,
                calibration.map(Calibration::trims).orElse(Map.of()),
                true,
                now.level().map(SignalLevel::carrier).orElse(0.0),
                0);
        MeterModel reader = new MeterModel(engine.prepare(chassis, setting));
        if (!reader.works()) return Optional.empty();
        OptionalDouble direct = reader.read(point.net(), Measure.DC_VOLTS, now.meter());
        if (direct.isEmpty()) return Optional.empty();
        return Optional.of(new Answer(
                direct.getAsDouble(), reader.free(point.net(), Measure.AC_VOLTS), reader.overloads(chassis)));
    }

    private Simulator.PreparedCircuit bench(Condition now) {
        return engine.prepare(
                chassis,
                setting(chassis, now)
                        .withTrims(calibration.map(Calibration::trims).orElse(Map.of())));
    }

    /** The setting of a nominal set in which a reading was taken; what was off then is missing. */
    public static Setting setting(Chassis chassis, Condition then) {
        return Setting.of(then.line())
                .withBand(MeterModel.known(chassis, then.band()))
                .withControls(MeterModel.controls(chassis, then.volume()))
                .withFaults(open(chassis, then.openEnds()));
    }

    /** Parts, or single leads of them, off their nets: an open end is an open part; a tube pulled also parts its heater. */
    public static List<Fault> open(Chassis chassis, List<String> references) {
        List<Fault> faults = new ArrayList<>();
        for (String r : references) {
            Optional<Part> part = chassis.part(r);
            if (part.isEmpty()) {
                PartLead.named(chassis, r).map(PartLead::off).ifPresent(faults::add);
                continue;
            }
            if (!part.get().isTube()) faults.add(Fault.of(r, FaultMode.OPEN));
            else faults.addAll(List.of(Fault.of(r, FaultMode.DEAD), Fault.of(r, FaultMode.HEATER_OPEN)));
        }
        return faults;
    }

    private static boolean isCharted(Chart chart, Point point, Measure measure) {
        return chart.rows().stream().anyMatch(r -> r.point().equals(point.label()) && r.measure() == measure);
    }

    private static Prediction said(Condition now, Measure measure, double free, double read, double offset) {
        List<Phrase> steps = new ArrayList<>();
        steps.add(Phrase.of("arithmetic.circuit", Figures.volts(free), Figures.fixed(now.line(), 0)));
        if (measure != Measure.AC_VOLTS && Math.abs(read - free) > 0.004 * Math.abs(free))
            steps.add(Phrase.of(
                    "arithmetic.loaded", Figures.si(Quantity.ohms(now.meter().ohmsAt(free))), Figures.volts(read)));
        if (Math.abs(offset) >= 0.05)
            steps.add(Phrase.of(
                    "arithmetic.offset",
                    (offset < 0 ? "−" : "+") + Figures.volts(Math.abs(offset)),
                    Figures.volts(read + offset)));
        return new Prediction(read + offset, steps);
    }
}
