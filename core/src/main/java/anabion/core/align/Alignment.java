package anabion.core.align;

import anabion.core.align.TrackingAdvice.Point;
import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Part;
import anabion.core.chassis.PinNames;
import anabion.core.chassis.TunedCircuit;
import anabion.core.chassis.Winding;
import anabion.core.error.InputException;
import anabion.core.job.Job;
import anabion.core.signal.FmDetector;
import anabion.core.signal.Frequencies;
import anabion.core.signal.FrontEnd;
import anabion.core.signal.IfResponse;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * All that is known of one band's alignment.
 *
 * @param response the selectivity of the aligned set; empty where it cannot be computed
 * @param detector that of an FM band
 * @param advice what the stations say; empty without one, or where the circuit of the oscillator does not tell
 * @param images stations on the wrong side of the oscillator: they say nothing of the dial
 * @param curve error of the dial along it, as the stations say; empty without advice
 */
public record Alignment(
        AlignmentTable table,
        Optional<IfResponse> response,
        Optional<FmDetector> detector,
        Optional<TrackingAdvice> advice,
        List<Image> images,
        List<DialError> curve) {
    private static final int SAMPLES = 25;

    /** Where the dial shows a frequency, by how much what is heard lies above it; in hertz. */
    public record DialError(double dial, double error) {}

    /** What the circuit says, whatever was done to it: to be computed once for a circuit. */
    public record Computed(
            Chassis chassis,
            AlignmentProcedure procedure,
            Optional<IfResponse> response,
            Optional<FmDetector> detector) {
        /** @param setting with the volume full up */
        public static Computed of(Simulator engine, Chassis chassis, Setting setting, Band band) {
            AlignmentProcedure p = AlignmentProcedure.of(engine, chassis, setting, band);
            Optional<IfResponse> response;
            try {
                response = Optional.of(IfResponse.of(engine, chassis, setting, band, Optional.empty()));
            } catch (InputException | ArithmeticException e) {
                response = Optional.empty(); // a straight set has none, and one that does not settle none to tell
            }
            return new Computed(chassis, p, response, FmDetector.of(chassis, band));
        }

        /** With what was done. */
        public Alignment with(Job job) {
            AlignmentTable table = AlignmentTable.of(chassis, procedure, job);
            List<Image> images = Frequencies.intermediate(chassis, Optional.of(procedure.band()))
                    .map(f -> Image.among(table.stations(), f, procedure.band().oscillator()))
                    .orElse(List.of());
            List<Point> own = without(images, table.stations());
            Optional<TrackingAdvice> advice =
                    procedure.frontEnd().filter(f -> !own.isEmpty()).map(f -> TrackingAdvice.of(chassis, f, own));
            List<DialError> curve = new ArrayList<>();
            if (advice.isPresent()) {
                FrontEnd f = procedure.frontEnd().orElseThrow();
                var heard = f.receives(advice.get().found());
                for (int n = 0; n < SAMPLES; n++) {
                    double dial = f.range().at(n / (SAMPLES - 1.0));
                    double error = heard.apply(dial) - dial;
                    if (Double.isFinite(error)) curve.add(new DialError(dial, error));
                }
            }
            return new Alignment(table, response, detector, advice, images, curve);
        }
    }

    /** Stations that tell of the dial: all but images. */
    public List<Point> stations() {
        return without(images, table.stations());
    }

    private static List<Point> without(List<Image> images, List<Point> stations) {
        List<Point> own = new ArrayList<>(stations);
        images.forEach(i -> own.remove(i.point()));
        return own;
    }

    public Alignment {
        images = List.copyOf(images);
        curve = List.copyOf(curve);
    }

    /** What keeps the stage before an adjuster's winding from feeding back: capacitors from the other electrodes of what drives it to where the circuit returns. */
    public static List<Part> steadying(Chassis chassis, AlignmentLine line) {
        Set<Part> all = new LinkedHashSet<>();
        for (Adjuster a : line.adjusters()) {
            Optional<Part> coil = chassis.part(a.part());
            if (coil.isEmpty()) continue;
            chassis.parts().stream()
                    .filter(d -> d.device().isPresent()
                            && d.nets().entrySet().stream()
                                    .anyMatch(e ->
                                            plate(d, e.getKey()) && coil.get().touches(e.getValue())))
                    .forEach(d -> d.nets().forEach((pin, net) -> {
                        if (plate(d, pin)) return;
                        chassis.parts().stream()
                                .filter(c -> c.component() instanceof Capacitor
                                        && chassis.returns().stream().anyMatch(r -> c.joins(net, r)))
                                .forEach(all::add);
                    }));
        }
        return List.copyOf(all);
    }

    private static boolean plate(Part device, String pin) {
        String function = device.device().orElseThrow().functions().getOrDefault(pin, "");
        return PinNames.isOutput(function);
    }

    /**
     * The parts that adjusters which do not come to a peak accuse: what is joined across its winding, or stands in its circuit of the gang, and the coil.
     */
    public static List<Part> suspects(Chassis chassis, AlignmentProcedure procedure, List<Adjuster> turned) {
        Set<Part> all = new LinkedHashSet<>();
        for (Adjuster a : turned) {
            Optional<Part> own = chassis.part(a.part());
            if (own.isEmpty()) continue;
            for (Winding w : a.windings(own.get())) all.addAll(TunedCircuit.across(chassis, own.get(), w));
            procedure.frontEnd().stream()
                    .flatMap(f -> f.circuits().stream())
                    .map(FrontEnd.Circuit::parts)
                    .filter(parts -> parts.contains(own.get()))
                    .forEach(all::addAll);
            all.add(own.get());
        }
        return List.copyOf(all);
    }
}
