package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Fault;
import anabion.core.chassis.OscillatorSide;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.TuningRange;
import anabion.core.chassis.Winding;
import anabion.core.circuit.SmallSignal;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The circuits of a band that the gang tunes, or the slugs: the oscillator, and those that tune the carrier.
 *
 * <p>The printed scale is taken as drawn for the aligned set: the gang closed at its lower end, open at the upper, the oscillator on its
 * side of the signal by the intermediate frequency. What the sheets leave out is inferred from that: {@link Circuit#inferredCore}, {@link Circuit#inferredStray}.
 * Without a padder the signal circuits follow by the shape of the gang's plates, or by a padder that nobody entered: no sheet gives that, and they are taken as
 * following; so are those of slugs, by the shape of their windings.
 */
public final class FrontEnd {
    /** Share of a section's capacitance that is left when it is open, as catalogues of gangs say. */
    public static final double OPEN = 0.03;
    /** Half the root of three: where the error of a fit at three points is the least (Chebyshev's nodes). */
    private static final double NODE = Math.sqrt(3) / 2;

    private static final double OTHER = 3;
    private static final int MOST_STEPS = 60;
    private static final double EXACT = 1e-9;
    /** The bracket of a search grows by this factor, so many times: a quarter of the frequency in all. */
    private static final double WIDER = 1.03;

    private static final int WIDENINGS = 8;

    /** What a circuit of the gang does. */
    public enum Kind {
        OSCILLATOR,
        SIGNAL
    }

    /**
     * One of the gang's circuits.
     *
     * @param trimmer empty where there is none, or where it belongs to a band of higher frequency; {@code padder} likewise
     * @param inferredCore factor of the sheet's inductance at which it covers the dial
     * @param inferredStray farads of wiring and tubes with which it does; a trimmer stands in the middle of its travel
     */
    public record Circuit(
            Kind kind,
            String net,
            Part coil,
            String winding,
            Optional<Part> trimmer,
            Optional<Part> padder,
            double inferredCore,
            double inferredStray) {
        /** Padder, trimmer and coil. */
        public List<Part> parts() {
            List<Part> all = new ArrayList<>();
            padder.ifPresent(all::add);
            trimmer.ifPresent(all::add);
            all.add(coil);
            return all;
        }
    }

    /** How a circuit stands against the aligned one: factor of its coil's inductance, farads more of its trimmer, factor of its padder. */
    public record Turned(double core, double trimmer, double padder) {
        public static final Turned NOTHING = new Turned(1, 0, 1);
    }

    /**
     * What the dial moves at a net: a section of the gang, or the core of a coil.
     *
     * @param closed its farads, or 1, the factor of the inductance, where the dial shows its lower end
     */
    private record Section(Part part, String net, double closed, Optional<Winding> slug) {}

    private final TuningRange range;
    private final double intermediate;
    private final OscillatorSide side;
    private final Tank oscillator;
    private final double closed;
    private final List<Signal> signals;
    /** What a band of higher frequency is aligned with: it is in the way of this band, too, and stays where that band wants it. */
    private final Set<Part> shared;

    /** Farads that the oscillator needs at a frequency, as aligned. */
    private final Function<Double, Double> aligned;

    private record Signal(Tank tank, double closed) {}

    private FrontEnd(
            TuningRange range,
            double intermediate,
            OscillatorSide side,
            Tank oscillator,
            double closed,
            List<Signal> signals,
            Set<Part> shared) {
        this.shared = shared;
        this.range = range;
        this.intermediate = intermediate;
        this.side = side;
        this.oscillator = oscillator;
        this.closed = closed;
        this.signals = signals;
        this.aligned = oscillator.changed(Turned.NOTHING);
    }

    /**
     * The front end of a superhet's band.
     *
     * @return empty for a straight set, on pick-up, and where gang or slugs, coil or intermediate frequency are not entered or do not cover the dial
     */
    public static Optional<FrontEnd> of(Simulator engine, Chassis chassis, Setting setting, Band band) {
        if (band.kind() != BandKind.AM && band.kind() != BandKind.FM) return Optional.empty();
        Optional<Double> between = Frequencies.intermediate(chassis, Optional.of(band));
        if (between.isEmpty()) return Optional.empty();
        Setting here = setting.withBand(band.name());
        OperatingPoint solved = engine.solve(chassis, here);
        Function<Setting, Networks> networks = s -> new Networks(chassis, s, solved, Optional.of(band));
        TuningRange range = band.range();
        List<Section> sections = new ArrayList<>(sections(chassis));
        List<Slug> slugs = slugs(chassis, band);
        if (!slugs.isEmpty()) {
            SmallSignal.Tone tone = networks.apply(here).passive().at(range.at(0.5));
            slugs.forEach(s -> s.section(chassis, tone).ifPresent(sections::add));
        }
        if (sections.isEmpty()) return Optional.empty();
        double f = between.get();
        OscillatorSide side = band.oscillator();
        if (side.oscillator(range.low(), f) <= 0) return Optional.empty();
        Optional<Section> own = Optional.empty();
        Optional<Tank> oscillator = Optional.empty();
        for (Section candidate : sections) {
            if (!oscillates(chassis, candidate)) continue;
            oscillator = Tank.at(
                            candidate.net(),
                            p -> ofOscillator(p) && ofBand(p, band),
                            side.oscillator(range.at(0.5), f),
                            chassis,
                            networks,
                            here)
                    .flatMap(t -> t.slug()
                            ? t.allIn(side.oscillator(range.low(), f))
                            : t.fitted(
                                    side.oscillator(range.low(), f),
                                    candidate.closed(),
                                    side.oscillator(range.high(), f),
                                    OPEN * candidate.closed()))
                    .filter(FrontEnd::plausible);
            own = Optional.of(candidate);
            if (oscillator.isPresent()) break;
        }
        if (oscillator.isEmpty()) return Optional.empty();
        double closed = own.get().closed();
        FrontEnd alone = new FrontEnd(range, f, side, oscillator.get(), closed, List.of(), Set.of());
        List<Signal> signals = new ArrayList<>();
        for (Section s : sections) {
            if (s.equals(own.get())) continue;
            double low = alone.low();
            double high = alone.high();
            Tank.at(s.net(), p -> !ofOscillator(p) && ofBand(p, band), range.at(0.5), chassis, networks, here)
                    .flatMap(t -> t.slug()
                            ? t.allIn(range.low())
                            : t.fitted(low, alone.share(low) * s.closed(), high, alone.share(high) * s.closed()))
                    .filter(FrontEnd::plausible)
                    .ifPresent(t -> signals.add(new Signal(t, s.closed())));
        }
        return Optional.of(new FrontEnd(
                range, f, side, oscillator.get(), closed, signals, higher(engine, chassis, setting, band)));
    }

    private static Set<Part> higher(Simulator engine, Chassis chassis, Setting setting, Band band) {
        return chassis.bands().stream()
                .filter(b -> b.kind() == band.kind()
                        && b.range().low() > band.range().low())
                .flatMap(b -> of(engine, chassis, setting, b).stream())
                .flatMap(f -> f.circuits().stream())
                .flatMap(c -> Stream.of(c.trimmer(), c.padder()).flatMap(Optional::stream))
                .collect(Collectors.toSet());
    }

    /** A coil that would have to be so much other than its sheet says is not the one that tunes this band. */
    private static boolean plausible(Tank t) {
        return t.core() > 1 / OTHER && t.core() < OTHER;
    }

    private static boolean ofOscillator(Part p) {
        return p.role().filter(PartRole::isOfOscillator).isPresent();
    }

    /** Whether it may tune such a band: coils of FM tune no other, and others not FM. */
    private static boolean ofBand(Part p, Band band) {
        boolean fm = p.is(PartRole.FM_OSCILLATOR_COIL) || p.is(PartRole.FM_RF_COIL);
        return !(p.component() instanceof Component.Windings) || fm == (band.kind() == BandKind.FM);
    }

    private static boolean oscillates(Chassis chassis, Section s) {
        return s.slug().isPresent()
                ? ofOscillator(s.part())
                : chassis.parts().stream().anyMatch(p -> !p.equals(s.part()) && p.touches(s.net()) && ofOscillator(p));
    }

    private static List<Section> sections(Chassis chassis) {
        List<Section> all = new ArrayList<>();
        for (Part p : chassis.parts()) {
            if (!p.is(PartRole.TUNING_GANG)) continue;
            List<Double> farads = ((Capacitor) p.component()).farads();
            for (int n = 1; n <= farads.size(); n++) {
                String net = p.nets().getOrDefault(String.valueOf(n), "");
                if (!net.isEmpty()) all.add(new Section(p, net, farads.get(n - 1), Optional.empty()));
            }
        }
        return all;
    }

    private record Slug(Part part, Winding winding) {
        /** At its live end: that of the higher impedance. */
        Optional<Section> section(Chassis chassis, SmallSignal.Tone tone) {
            return Stream.of(winding.from(), winding.to())
                    .map(t -> part.nets().getOrDefault(t, ""))
                    .filter(n -> !n.isEmpty() && !n.equals(chassis.reference()))
                    .max(Comparator.comparingDouble(
                            n -> tone.driven(n, chassis.reference()).at(n).size()))
                    .map(n -> new Section(part, n, 1, Optional.of(winding)));
        }
    }

    private static List<Slug> slugs(Chassis chassis, Band band) {
        List<Slug> all = new ArrayList<>();
        for (Part p : chassis.parts())
            if (p.component() instanceof Component.Windings w && ofBand(p, band))
                for (Winding x : w.windings()) if (x.slug()) all.add(new Slug(p, x));
        return all;
    }

    public TuningRange range() {
        return range;
    }

    /** The intermediate frequency in hertz. */
    public double intermediate() {
        return intermediate;
    }

    /** Where the low end is set: the lowest of the three frequencies at which a fit at three points leaves the least error between. */
    public double low() {
        return round(range.at((1 - NODE) / 2));
    }

    public double middle() {
        return round(range.at(0.5));
    }

    public double high() {
        return round(range.at((1 + NODE) / 2));
    }

    /** To two figures of the range, as dials are read. */
    private double round(double hertz) {
        double step = Math.pow(10, Math.floor(Math.log10(range.high() - range.low()))) / 50;
        return Math.round(hertz / step) * step;
    }

    public List<Circuit> circuits() {
        List<Circuit> all = new ArrayList<>();
        all.add(circuit(Kind.OSCILLATOR, oscillator));
        signals.forEach(s -> all.add(circuit(Kind.SIGNAL, s.tank())));
        return all;
    }

    private Circuit circuit(Kind kind, Tank t) {
        return new Circuit(
                kind,
                t.net(),
                t.coil(),
                t.winding().name(),
                t.trimmer().filter(p -> !shared.contains(p)),
                t.padder().filter(p -> !shared.contains(p)),
                t.core(),
                t.stray());
    }

    /** The oscillator's frequency where the dial shows a signal's; in hertz. */
    public double oscillator(double dial) {
        return side.oscillator(dial, intermediate);
    }

    /** Likewise with something wrong in its circuit; NaN where it is off by more than a quarter. */
    double oscillator(double dial, List<Fault> faults) {
        return solve(oscillator.changed(Turned.NOTHING, faults), aligned.apply(oscillator(dial)), oscillator(dial));
    }

    /** The frequency that a signal is turned into while the set receives another. */
    double converted(double signal, double receives) {
        return side.converted(signal, receives, intermediate);
    }

    /** The share of its capacitance that the gang has where the dial shows a frequency, or of its inductance that the oscillator's slug leaves: 1 closed. */
    public double share(double dial) {
        return aligned.apply(oscillator(dial)) / closed;
    }

    /**
     * The frequency that is heard where the dial shows another.
     *
     * @return hertz; NaN where the oscillator is off by more than a quarter
     */
    public double heard(double dial, Turned turned) {
        return receives(turned).apply(dial);
    }

    /** What is heard at each place of the dial while something is turned. */
    public Function<Double, Double> receives(Turned turned) {
        Function<Double, Double> now = oscillator.changed(turned);
        return dial -> side.signal(solve(now, aligned.apply(oscillator(dial)), oscillator(dial)), intermediate);
    }

    /**
     * Where a circuit needs this much capacitance: the more, the lower the frequency. Far below, a padder in series with its coil turns that about, so that
     * the bracket grows from the dial's own place; then by the Illinois method (false position that halves the end which stays).
     */
    private static double solve(Function<Double, Double> needed, double farads, double near) {
        double low = near;
        double over = needed.apply(near) - farads;
        double high = near;
        double under = over;
        for (int n = 0; n < WIDENINGS && !(over >= 0); n++) {
            low /= WIDER;
            over = needed.apply(low) - farads;
        }
        for (int n = 0; n < WIDENINGS && !(under <= 0); n++) {
            high *= WIDER;
            under = needed.apply(high) - farads;
        }
        if (!(over >= 0 && under <= 0)) return Double.NaN;
        if (over == 0) return low;
        double last = low;
        boolean lower = false;
        for (int n = 0; n < MOST_STEPS; n++) {
            double at = (low * under - high * over) / (under - over);
            if (Math.abs(at - last) < EXACT * near) return at;
            last = at;
            double left = needed.apply(at) - farads;
            if (left > 0) {
                low = at;
                over = left;
                if (lower) under /= 2;
                lower = true;
            } else {
                high = at;
                under = left;
                if (n > 0 && !lower) over /= 2;
                lower = false;
            }
        }
        return last;
    }

    /** How many circuits tune the carrier. */
    public int signals() {
        return signals.size();
    }

    /**
     * The frequency to which a circuit of the carrier is tuned where the dial shows another.
     *
     * @param n from 0
     */
    public double tuned(int n, double dial, Turned turned) {
        return tunes(n, turned).apply(dial);
    }

    /** Likewise, at each place of the dial. */
    public Function<Double, Double> tunes(int n, Turned turned) {
        Signal s = signals.get(n);
        Function<Double, Double> still =
                oscillator.padder().isEmpty() || s.tank().slug()
                        ? s.tank().changed(Turned.NOTHING)
                        : d -> share(d) * s.closed();
        Function<Double, Double> now = s.tank().changed(turned);
        return dial -> solve(now, still.apply(dial), dial);
    }
}
