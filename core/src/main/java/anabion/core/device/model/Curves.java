package anabion.core.device.model;

import anabion.core.circuit.DeviceModel;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.device.Section.Point;
import anabion.core.device.Semiconductor;
import anabion.core.device.SemiconductorKind;
import anabion.core.error.InputException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.DoubleStream;

/**
 * The output curves of a type as its law draws them: plate current over plate volts, one curve for each of some grid volts (collector
 * current for base currents, drain current for gate volts; a diode has one curve). All figures are magnitudes above the cathode, so that
 * those of a PNP type run to the right as well.
 *
 * @param curves the one with the most current first
 * @param volts where the drawing ends
 * @param amperes where the drawing ends
 * @param stepped what is stepped from curve to curve
 */
public record Curves(List<Curve> curves, double volts, double amperes, Stepped stepped) {
    /** What is stepped from curve to curve. */
    public enum Stepped {
        GRID_VOLTS,
        BASE_AMPERES,
        GATE_VOLTS,
        NOTHING
    }

    private static final int STEPS = 60;
    private static final int MOST_CURVES = 9;
    /** Currents this far from the published one at a published point make a law unusable. */
    private static final double WRONG = 0.5;

    /** One curve; both lists are of the same length. */
    public record Curve(double parameter, List<Double> volts, List<Double> amperes) {
        public Curve {
            volts = List.copyOf(volts);
            amperes = List.copyOf(amperes);
        }
    }

    public Curves {
        curves = List.copyOf(curves);
    }

    /**
     * The curves of a system of a tube.
     *
     * @param screen screen volts; ignored by triodes and diodes
     * @param reach plate volts that must be on the drawing; 0 for as far as published operation goes
     */
    public static Curves of(Section s, double screen, double reach) {
        Point p = s.points().get(0);
        double farthest = s.points().stream().mapToDouble(Point::plate).max().orElse(p.plate());
        double most =
                s.points().stream().mapToDouble(Point::plateMilliamps).max().orElse(1) / 1e3;
        double volts = round(Math.max(1.25 * farthest, 1.1 * reach));
        if (s.kind().rectifies()) {
            RectifierLaw law = Fit.rectifier(s);
            double end = round(1.5 * p.plate());
            return single(v -> law.amperes(v), end, law.amperes(end));
        }
        if (s.kind() == Section.Kind.GAS_REGULATOR || s.kind() == Section.Kind.BARRETTER) {
            DeviceModel law = Fit.law(s);
            return single(v -> current(law, new double[] {v, 0}, 0), volts, round(1.25 * most));
        }
        if (s.kind() == Section.Kind.DIODE) {
            DeviceModel law = Fit.law(s);
            double end = round(2 * Math.max(1, p.plate()));
            return single(v -> current(law, new double[] {v, 0}, 0), end, current(law, new double[] {end, 0}, 0));
        }
        Output output = output(s, screen);
        double amperes = round(Math.max(2.2 * most, 1e-4));
        return family(output, volts, amperes, gridStep(output, volts, amperes), Stepped.GRID_VOLTS);
    }

    /** The curves of a transistor or diode. */
    public static Curves of(Semiconductor s) {
        if (s.kind() == SemiconductorKind.RECTIFIER) {
            RectifierLaw law = Fit.silicon();
            return single(law::amperes, 1, law.amperes(1));
        }
        DeviceModel law = Fit.law(s);
        if (s.kind() == SemiconductorKind.JUNCTION) {
            double end = s.germanium() ? 0.6 : 0.8;
            return single(v -> current(law, new double[] {v, 0}, 0), end, current(law, new double[] {end, 0}, 0));
        }
        if (s.kind() == SemiconductorKind.FIELD_EFFECT) {
            Output output = (v, gate) -> current(law, new double[] {gate, v, 0}, 1);
            return family(
                    output, 20, round(1.1 * s.fullMilliamps() / 1e3), round(s.pinchVolts() / 6), Stepped.GATE_VOLTS);
        }
        double full = round(2 * s.atMilliamps() / 1e3);
        Output output = (v, base) -> collector((BipolarLaw) law, v, base);
        double step = round(full / s.gain() / 6);
        List<Curve> curves = new ArrayList<>();
        for (int n = 6; n >= 0; n--) curves.add(curve(output, n * step, 12));
        return new Curves(curves, 12, full, Stepped.BASE_AMPERES);
    }

    /** Output current at output volts and what is stepped. */
    private interface Output {
        double amperes(double volts, double parameter);
    }

    private static Output output(Section s, double screen) {
        DeviceModel law = Fit.law(s);
        return switch (s.kind()) {
            case TRIODE -> (v, g) -> current(law, new double[] {g, v, 0}, 1);
            case PENTODE -> (v, g) -> current(law, new double[] {g, screen, v, 0}, 2);
            case HEPTODE -> mixing(s, law, screen);
            case DIODE, RECTIFIER, GAS_RECTIFIER, GAS_REGULATOR, BARRETTER ->
                throw new IllegalArgumentException("a diode has no plate curves");
        };
    }

    /** A converter's curves hold while it oscillates, by the drive and bias of its published operation, both in proportion to the screen's volts. */
    private static Output mixing(Section s, DeviceModel law, double screen) {
        Point p = s.points().get(0);
        // the oscillator swings with its screen's volts, and biases itself by how far it swings
        double bias = -p.leakOhms() * p.gridMilliamps() / 1e3 * screen / p.screen();
        boolean outer = s.oscillator().equals("g3");
        DeviceModel driven = Driven.oscillating(law, outer ? 2 : 0, Fit.driveShare(s), 1, 4);
        return (v, g) -> current(driven, new double[] {outer ? g : bias, screen, outer ? bias : g, v, 0}, 3);
    }

    private static double current(DeviceModel law, double[] volts, int terminal) {
        double[] amperes = new double[volts.length];
        law.currents(volts, amperes);
        return amperes[terminal];
    }

    /** Collector current where a base current flows: the base volts are found by bisection. */
    private static double collector(BipolarLaw law, double volts, double base) {
        double sign = law.pnp() ? -1 : 1;
        double low = -0.2;
        double high = 1.2;
        double[] amperes = new double[3];
        for (int n = 0; n < 50; n++) {
            double middle = (low + high) / 2;
            law.currents(new double[] {sign * middle, sign * volts, 0}, amperes);
            if (sign * amperes[0] > base) high = middle;
            else low = middle;
        }
        return sign * amperes[1];
    }

    private static Curves single(java.util.function.DoubleUnaryOperator law, double volts, double amperes) {
        return new Curves(
                List.of(curve((v, nothing) -> law.applyAsDouble(v), 0, volts)), volts, amperes, Stepped.NOTHING);
    }

    private static Curves family(Output output, double volts, double amperes, double step, Stepped stepped) {
        List<Curve> curves = new ArrayList<>();
        for (int n = 0; n < MOST_CURVES; n++) {
            double parameter = n == 0 ? 0 : -n * step;
            if (n > 1 && output.amperes(volts, parameter) < 0.01 * amperes) break;
            curves.add(curve(output, parameter, volts));
        }
        return new Curves(curves, volts, amperes, stepped);
    }

    /** Such a step that some seven curves lie between no bias and next to no current. */
    private static double gridStep(Output output, double volts, double amperes) {
        double cutoff = 0.01;
        while (cutoff < 200 && output.amperes(0.6 * volts, -cutoff) > 0.03 * amperes) cutoff *= 1.2;
        return round(cutoff / 7);
    }

    private static Curve curve(Output output, double parameter, double end) {
        List<Double> volts = new ArrayList<>();
        List<Double> amperes = new ArrayList<>();
        for (int n = 0; n <= STEPS; n++) {
            double share = (double) n / STEPS;
            double v = end * share * share; // closer where the curves bend
            volts.add(v);
            amperes.add(output.amperes(v, parameter));
        }
        return new Curve(parameter, volts, amperes);
    }

    /** The next of 1, 2, 2.5, 4, 5, 6, 8 and their decades. */
    public static double round(double value) {
        double decade = Math.pow(10, Math.floor(Math.log10(value)));
        for (double m : new double[] {1, 2, 2.5, 4, 5, 6, 8, 10}) if (m * decade >= value * 0.999) return m * decade;
        return 10 * decade;
    }

    /**
     * Holds a type against its own figures.
     *
     * @throws InputException if no law can be made of them, or if the law misses a published point by half
     */
    public static void check(DeviceType type) {
        for (Section s : type.sections()) {
            for (Point p : s.points()) {
                double found = s.kind() == Section.Kind.HEPTODE
                        ? p.plateMilliamps()
                        : plateMilliamps(s, p).orElse(Double.NaN);
                if (!(p.plateMilliamps() > 0)
                        || !(p.plate() > 0)
                        || !(Math.abs(found / p.plateMilliamps() - 1) < WRONG))
                    throw InputException.at(type.name() + (s.name().isEmpty() ? "" : " " + s.name()) + ", point "
                                    + (s.points().indexOf(p) + 1))
                            .because("no tube has such figures together")
                            .so("look at volts, milliamperes, millisiemens and mu again");
            }
        }
        type.semiconductor()
                .filter(s -> DoubleStream.of(
                                s.leakMicroamps(),
                                s.fullMilliamps(),
                                s.transitionMegahertz(),
                                s.feedbackPicofarads(),
                                s.baseOhms())
                        .anyMatch(f -> f < 0))
                .ifPresent(s -> {
                    throw InputException.at(type.name())
                            .because("leakage, current, frequency, capacitance and ohms cannot be below zero")
                            .so("type the figure without its sign, or 0 where it is not known");
                });
        type.semiconductor().filter(s -> s.kind() == SemiconductorKind.BIPOLAR).ifPresent(s -> {
            if (!(s.gain() > 0) || !(s.atMilliamps() > 0))
                throw InputException.at(type.name())
                        .because("gain and its current must be above zero")
                        .so("type gain 60");
        });
    }

    private static Optional<Double> plateMilliamps(Section s, Point p) {
        try {
            return Optional.of(1e3
                    * switch (s.kind()) {
                        case RECTIFIER, GAS_RECTIFIER -> Fit.rectifier(s).amperes(p.plate());
                        case DIODE, GAS_REGULATOR, BARRETTER -> current(Fit.law(s), new double[] {p.plate(), 0}, 0);
                        case TRIODE, PENTODE, HEPTODE -> output(s, p.screen()).amperes(p.plate(), p.grid());
                    });
        } catch (IllegalArgumentException | ArithmeticException e) {
            return Optional.empty();
        }
    }
}
