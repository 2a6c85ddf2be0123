package anabion.core.device.model;

import anabion.core.circuit.DeviceModel;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.device.Section.Point;
import anabion.core.device.Semiconductor;
import java.util.List;
import java.util.function.DoubleUnaryOperator;

/**
 * Turns the published figures of a type into the constants of its law.
 *
 * <p>Method: the shape (µ, cut-off, knee) comes from the row; the softness is found by bisection so that gm/I at the first point
 * is the published one; the perveance then scales the current to it. Every other point of the row is held against the result by a
 * test. Where gm/I asks for more than a grid of that µ can give, the exponent is raised instead, up to {@link #STEEPEST}.
 */
public final class Fit {
    private static final double EXPONENT = 1.5;
    private static final double STEEPEST = 2.4;
    private static final double CORNER = 12;
    private static final double HARD = 300;
    /** Remote cut-off: exponents of the close and the wide part, for grids whose pitch changes all along. */
    private static final double CLOSE_EXPONENT = 2.5;

    private static final double WIDE_EXPONENT = 4;
    /** Where the wide part ends, against the published cut-off, and the share of the slope that is published to be left there. */
    private static final double BEYOND = 1.5;

    private static final double LEFT = 0.01;
    /** The most of slope and current that the wide part may have. */
    private static final double MOST_WIDE = 0.75;

    private static final double CONVERTER_WIDE_SHARE = 0.02;
    private static final double KNEE = 9;
    private static final double POWER_KNEE = 14;
    private static final double GRID_PERVEANCE = 1e-3;
    private static final double CONTACT = 0.2;
    private static final double CONVERTER_SOFTNESS = 60;
    private static final double HALF = 3;
    private static final double WIDTH = 4;
    private static final double OUTER_PERVEANCE = 2e-4;
    /** Share of a gas-filled rectifier's drop that follows the current. */
    private static final double GAS_SLOPE = 0.1;
    /** Slope of a regulator of which only one point is known, in ohms. */
    private static final double LEAST_GLOW = 20;

    private static final double THERMAL = 0.02585;
    private static final double EARLY = 60;
    private static final double REVERSE_GAIN = 5;

    private Fit() {}

    /** Current into a control grid that is not negative enough. */
    public static Emitted grid() {
        return new Emitted(GRID_PERVEANCE, CONTACT);
    }

    /**
     * The law of a section.
     *
     * @throws IllegalArgumentException for a rectifier, which has {@link #rectifier}
     */
    public static DeviceModel law(Section s) {
        return switch (s.kind()) {
            case TRIODE -> triode(s);
            case PENTODE -> pentode(s);
            case HEPTODE -> heptode(s);
            case DIODE -> diode(s);
            case GAS_REGULATOR -> regulator(s);
            case BARRETTER -> barretter(s);
            case RECTIFIER, GAS_RECTIFIER ->
                throw new IllegalArgumentException("a rectifier is no part of an operating point");
        };
    }

    /** The line through its least and its most current. */
    private static GlowLaw regulator(Section s) {
        Point least = s.least();
        double amperes = (s.most().plateMilliamps() - least.plateMilliamps()) / 1e3;
        double ohms = amperes > 0 ? Math.max(LEAST_GLOW, (s.most().plate() - least.plate()) / amperes) : LEAST_GLOW;
        return new GlowLaw(least.plate() - ohms * least.plateMilliamps() / 1e3, ohms);
    }

    private static BarretterLaw barretter(Section s) {
        Point low = s.least();
        Point high = s.most();
        return new BarretterLaw(low.plate(), low.plateMilliamps() / 1e3, high.plate(), high.plateMilliamps() / 1e3);
    }

    /** The wire between the ends of a heater, a filament or a barretter. */
    public static FilamentLaw filament(DeviceType type, double volts, double amperes, double kelvin) {
        return type.section(Section.Kind.BARRETTER)
                .<FilamentLaw>map(Fit::barretter)
                .orElseGet(() -> new LampLaw(volts, amperes, kelvin));
    }

    /** @throws IllegalArgumentException if the points have no such law */
    public static TriodeLaw triode(Section s) {
        Point p = s.points().get(0);
        SpaceCurrent space =
                fitted(shape(s), p.grid(), p.plate(), p.plateMilliamps() / 1e3, p.millisiemens() / p.plateMilliamps());
        List<SpaceFit.Sample> samples = s.points().stream()
                .map(q -> new SpaceFit.Sample(q.grid(), q.plate(), q.plateMilliamps() / 1e3, q.millisiemens() / 1e3))
                .toList();
        return new TriodeLaw(SpaceFit.improved(space, samples), grid());
    }

    /** @throws IllegalArgumentException if the points have no such law */
    public static PentodeLaw pentode(Section s) {
        Point p = s.points().get(0);
        double all = (p.plateMilliamps() + p.screenMilliamps()) / 1e3;
        Division division = division(p, knee(p), 1);
        double steepness = p.millisiemens() / p.plateMilliamps();
        SpaceCurrent space = s.mu() > 0
                ? SpaceFit.improved(fitted(shape(s), p.grid(), p.screen(), all, steepness), samples(s))
                : remote(s, p, all, steepness);
        return new PentodeLaw(space, division, grid());
    }

    /** The published points of a pentode's space current: plate and screen together. */
    private static List<SpaceFit.Sample> samples(Section s) {
        return s.points().stream()
                .map(q -> {
                    double all = (q.plateMilliamps() + q.screenMilliamps()) / 1e3;
                    return new SpaceFit.Sample(
                            q.grid(),
                            q.screen() + PentodeLaw.PENETRATION * q.plate(),
                            all,
                            q.millisiemens() * all / q.plateMilliamps());
                })
                .toList();
    }

    /** The knee lies at no more than a quarter of the plate's published volts: tubes for 12 V plates are wound for it. */
    private static double knee(Point p) {
        return Math.min(p.plateMilliamps() > 20 ? POWER_KNEE : KNEE, p.plate() / 4);
    }

    private static Division division(Point p, double knee, double passed) {
        double share = p.plateMilliamps() / (p.plateMilliamps() + p.screenMilliamps());
        return new Division(share / passed / new Division(1, knee).plate(p.plate()), knee);
    }

    private static SpaceCurrent shape(Section s) {
        return SpaceCurrent.sharp(s.mu(), EXPONENT, HARD, CORNER);
    }

    /** The law of a converter, whose first point is an operation with a running oscillator. */
    public static HeptodeLaw heptode(Section s) {
        Point p = s.points().get(0);
        if (p.millisiemens() == 0) return heptode(s, WIDTH);
        double width = bisect(w -> p.millisiemens() / 1e3 - conversion(s, w), 0.1, 2 * WIDTH);
        return heptode(s, width);
    }

    /** Conversion conductance at the published point, in siemens, if the third grid turns over so many volts. */
    private static double conversion(Section s, double width) {
        Point p = s.points().get(0);
        double bias = -p.gridMilliamps() / 1e3 * p.leakOhms();
        boolean first = !s.oscillator().equals("g3");
        double[] v = {first ? bias : p.grid(), p.screen(), first ? p.grid() : bias, p.plate(), 0};
        Driven driven = new Driven(heptode(s, width), List.of(first ? 0 : 2), drive(p), 0, 0, 0);
        return driven.conversion(v, first ? 2 : 0, 3);
    }

    /** The wider the volts over which the third grid turns the current over, the further below zero lies its middle. */
    private static HeptodeLaw heptode(Section s, double width) {
        Point p = s.points().get(0);
        double half = HALF / WIDTH * width;
        double all = (p.plateMilliamps() + p.screenMilliamps()) / 1e3;
        boolean first = !s.oscillator().equals("g3");
        SpaceCurrent swung = converter(s, p);
        double bias = -p.gridMilliamps() / 1e3 * p.leakOhms();
        double drive = drive(p);
        DoubleUnaryOperator pass = v -> 1 / (1 + Math.exp(-(v + half) / width));
        double mean =
                first ? average(v -> swung.amperes(v, p.screen()), bias, drive) : swung.amperes(p.grid(), p.screen());
        double passed = first ? pass.applyAsDouble(p.grid()) : average(pass, bias, drive);
        return new HeptodeLaw(
                swung.times(all / mean),
                division(p, knee(p), passed),
                half,
                width,
                grid(),
                new Emitted(OUTER_PERVEANCE, CONTACT));
    }

    /** The signal grid of a converter that is driven at its third grid is wound for remote cut-off. */
    private static SpaceCurrent converter(Section s, Point p) {
        double wide = s.cutoff().isPresent() ? p.screen() / -s.cutoff().getAsDouble() : 0;
        SpaceCurrent near = SpaceCurrent.sharp(s.mu(), EXPONENT, CONVERTER_SOFTNESS, CORNER);
        return wide > 0 ? near.withWide(CONVERTER_WIDE_SHARE, wide, EXPONENT) : near;
    }

    /** Mean over a cycle of a quantity that follows a grid swinging about its bias. */
    private static double average(DoubleUnaryOperator f, double bias, double amplitude) {
        int points = 64;
        double sum = 0;
        for (int n = 0; n < points; n++)
            sum += f.applyAsDouble(bias + amplitude * Math.cos(Math.PI * (n + 0.5) / points));
        return sum / points;
    }

    /** The amplitude at which the published mean current flows in the published leak. */
    private static double drive(Point p) {
        double amperes = p.gridMilliamps() / 1e3;
        double bias = -amperes * p.leakOhms();
        return bisect(a -> average(v -> grid().amperes(v), bias, a) - amperes, 0, 2 * Math.abs(bias) + 10);
    }

    /** The oscillator's amplitude as a share of the screen's (or oscillator plate's) volts. */
    public static double driveShare(Section s) {
        Point p = s.points().get(0);
        return drive(p) / p.screen();
    }

    private static DiodeLaw diode(Section s) {
        Point p = s.points().get(0);
        return new DiodeLaw(new Emitted(p.plateMilliamps() / 1e3 / Math.pow(p.plate() + CONTACT, 1.5), CONTACT));
    }

    /** A rectifier's path through its published drop; of a gas-filled one nearly all of that is there at any current. */
    public static RectifierLaw rectifier(Section s) {
        Point p = s.points().get(0);
        if (s.kind() == Section.Kind.GAS_RECTIFIER)
            return new RectifierLaw.Threshold(
                    (1 - GAS_SLOPE) * p.plate(), GAS_SLOPE * p.plate() / (p.plateMilliamps() / 1e3));
        return new RectifierLaw.Vacuum(p.plateMilliamps() / 1e3 / Math.pow(p.plate(), 1.5), 0);
    }

    /** Silicon: 0.75 V at a tenth of an ampere, 0.05 Ω. */
    public static RectifierLaw silicon() {
        double slope = 1.8 * THERMAL;
        return new RectifierLaw.Junction(slope, 0.1 * Math.exp(-0.745 / slope), 0.05);
    }

    /**
     * A selenium stack: about 0.5 V a plate at low current, 1 V at its rated one; grown old, its resistance multiplies.
     *
     * @param volts alternating volts it is rated for; one plate stands about 20 V
     * @param amperes rated direct current
     */
    public static RectifierLaw selenium(double volts, double amperes) {
        double plates = Math.max(1, Math.ceil(volts / 20));
        double slope = 0.09 * plates;
        return new RectifierLaw.Junction(slope, amperes / 100 * Math.exp(-0.45 / 0.09), 0.5 * plates / amperes);
    }

    private static SpaceCurrent fitted(
            SpaceCurrent shape, double grid, double electrode, double amperes, double steepness) {
        double softness = bisect(k -> steepness(with(shape, k, EXPONENT), grid, electrode) - steepness, 1, 3000);
        SpaceCurrent soft = with(shape, softness, EXPONENT);
        double reached = steepness(soft, grid, electrode);
        if (reached < 0.98 * steepness) {
            double exponent = Math.min(STEEPEST, EXPONENT * steepness / reached);
            soft = with(shape, softness, exponent);
        } else if (reached > 1.02 * steepness) {
            soft = with(shape, softness, Math.max(1, EXPONENT * steepness / reached));
        }
        return soft.times(amperes / soft.amperes(grid, electrode));
    }

    /**
     * A remote cut-off grid, wound ever wider: a close part and a wide one, of which each shuts little by little, as its higher exponent says. The wide part
     * ends at {@link #BEYOND} times the published cut-off, where it still has {@link #LEFT} of the slope of the whole at the point; the close part is wound so
     * that gm/I of the whole is the published one. From gm = x·I/E of each, with E = U/µ + V + c.
     */
    private static SpaceCurrent remote(Section s, Point p, double amperes, double steepness) {
        double grid = p.grid() + SpaceCurrent.SHIFT;
        double cutoff = -s.cutoff().orElse(-30);
        double far = BEYOND * cutoff;
        double wide = p.screen() / far;
        double reach = far + grid;
        double left = Math.pow((far - cutoff + SpaceCurrent.SHIFT) / reach, WIDE_EXPONENT - 1);
        double slope = Math.min(MOST_WIDE, LEFT / left) * steepness;
        double current = Math.min(MOST_WIDE, slope * reach / WIDE_EXPONENT);
        double near = CLOSE_EXPONENT * (1 - current) / (steepness - current * WIDE_EXPONENT / reach);
        double mu = p.screen() / (near - grid);
        double corner =
                Math.min(CORNER, p.screen() * p.screen() / 20); // at a few volts the usual one would reach too far
        SpaceCurrent shape =
                SpaceCurrent.sharp(mu, CLOSE_EXPONENT, HARD, corner).spread();
        SpaceCurrent tail =
                SpaceCurrent.sharp(wide, WIDE_EXPONENT, HARD, corner).spread();
        double ratio =
                current / (1 - current) * shape.amperes(p.grid(), p.screen()) / tail.amperes(p.grid(), p.screen());
        SpaceCurrent both = shape.withWide(ratio / (1 + ratio), wide, WIDE_EXPONENT);
        return both.times(amperes / both.amperes(p.grid(), p.screen()));
    }

    private static SpaceCurrent with(SpaceCurrent s, double softness, double exponent) {
        return SpaceCurrent.sharp(s.mu(), exponent, softness, s.corner());
    }

    /** gm/I, per volt. */
    private static double steepness(SpaceCurrent s, double grid, double electrode) {
        double h = 1e-3;
        return (s.amperes(grid + h, electrode) - s.amperes(grid - h, electrode)) / (2 * h) / s.amperes(grid, electrode);
    }

    /** A zero of a rising function; the nearer end if there is none between. */
    private static double bisect(DoubleUnaryOperator f, double low, double high) {
        double a = low;
        double b = high;
        for (int n = 0; n < 60; n++) {
            double middle = (a + b) / 2;
            if (f.applyAsDouble(middle) > 0) b = middle;
            else a = middle;
        }
        return (a + b) / 2;
    }

    /**
     * A semiconductor's law at 25 °C.
     *
     * @throws IllegalArgumentException for a rectifier, which has {@link #silicon}
     */
    public static DeviceModel law(Semiconductor s) {
        return switch (s.kind()) {
            case BIPOLAR -> bipolar(s);
            case JUNCTION -> junction(s);
            case FIELD_EFFECT -> new FieldEffectLaw(s.fullMilliamps() / 1e3, s.pinchVolts());
            case RECTIFIER -> throw new IllegalArgumentException("a rectifier is no part of an operating point");
        };
    }

    private static final double LOSS = 0.2;
    /** Amperes at which a gain is stated from which on they are the full current; else it is so many times that, and at least the next. */
    private static final double POWER = 0.1;

    private static final double FULL = 20;
    private static final double LEAST_FULL = 0.02;

    /**
     * Base-emitter volts at a milliampere: 0.13 V for germanium, 0.62 V for silicon. At its full current a transistor loses {@link #LOSS} in itself (from usual data of power transistors: V_BE of an OC26 at 1 A is 0.4 to 0.6 V).
     */
    private static BipolarLaw bipolar(Semiconductor s) {
        double saturation = 1e-3 * Math.exp(-(s.germanium() ? 0.13 : 0.62) / THERMAL);
        double usual = s.atMilliamps() / 1000;
        double full = usual >= POWER ? usual : Math.max(LEAST_FULL, FULL * usual);
        return new BipolarLaw(
                s.pnp(), saturation, THERMAL, s.gain(), REVERSE_GAIN, EARLY, s.leakMicroamps() / 1e6, LOSS / full);
    }

    private static JunctionLaw junction(Semiconductor s) {
        double slope = (s.germanium() ? 1.3 : 1.8) * THERMAL;
        double saturation = 1e-3 * Math.exp(-(s.germanium() ? 0.25 : 0.62) / slope);
        return new JunctionLaw(saturation, slope, s.germanium() ? s.leakMicroamps() / 1e6 / 10 : 1e-10);
    }
}
