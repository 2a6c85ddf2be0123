package anabion.core.align;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.AerialTerminal;
import anabion.core.chassis.Aim;
import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.SetKind;
import anabion.core.isolation.Isolation;
import anabion.core.job.AlignmentPurpose;
import anabion.core.signal.Domain;
import anabion.core.signal.Frequencies;
import anabion.core.signal.FrontEnd;
import anabion.core.signal.Gains;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * How a band is aligned, as its maker's table says, or made from its circuit: intermediate frequency, oscillator at both ends, then the circuits of the carrier; to be
 * repeated until nothing is gained.
 *
 * @param preparations what holds before
 * @param lines in the order of the work
 * @param fixed tuned coils of which no adjuster is entered: they stay as they are
 * @param untold adjusters of which the circuit does not tell what they do: on this band, since its coils, its gang or their values are not entered or do not cover the dial, or on
 *     any
 * @param frontEnd what the gang tunes, where the circuit tells
 * @param output what the speaker gets, where the circuit tells
 */
public record AlignmentProcedure(
        Band band,
        Set<Preparation> preparations,
        List<AlignmentLine> lines,
        List<Part> fixed,
        List<Adjuster> untold,
        Optional<FrontEnd> frontEnd,
        Optional<Output> output) {
    /**
     * Volts at the speaker, the volume full up.
     *
     * @param standard at the standard output
     * @param knee from which on the AVC takes part; empty where it never does
     */
    public record Output(double standard, Optional<Double> knee) {
        /** At which to work: the standard output, or less where the AVC takes part before. */
        public double wanted() {
            return Math.min(standard, knee.orElse(standard));
        }
    }

    public AlignmentProcedure {
        preparations = Set.copyOf(preparations);
        lines = List.copyOf(lines);
        fixed = List.copyOf(fixed);
        untold = List.copyOf(untold);
    }

    /**
     * The procedure of a band.
     *
     * @param setting with the volume full up
     * @return without lines where no adjuster of the band is entered
     */
    public static AlignmentProcedure of(Simulator engine, Chassis chassis, Setting setting, Band band) {
        Optional<Gains> gains = Gains.of(engine, chassis, setting, band);
        AlignmentProcedure own = new Making(chassis, band, gains, engine, setting).made();
        // what no line of any band turns is named, too
        List<Adjuster> left = new ArrayList<>(chassis.adjusters());
        left.removeAll(own.turned());
        for (Band other : chassis.bands())
            if (!left.isEmpty() && !other.equals(band))
                left.removeAll(new Making(chassis, other, Optional.empty(), engine, setting)
                        .made()
                        .turned());
        left.removeAll(own.untold());
        left.addAll(0, own.untold());
        return new AlignmentProcedure(
                band, own.preparations(), own.lines(), own.fixed(), left, own.frontEnd(), gains.map(Making::output));
    }

    /** Whether its lines are those of the maker's table. */
    public boolean printed() {
        return lines.stream().anyMatch(l -> l.printed().isPresent());
    }

    private List<Adjuster> turned() {
        return lines.stream().flatMap(l -> l.adjusters().stream()).toList();
    }

    private static final class Making {
        /** Share of a dial between its end and the place where it is set. */
        private static final double END = 0.07;

        private final Chassis chassis;
        private final Band band;
        private final GeneratorLevels levels;
        private final Optional<FrontEnd> frontEnd;
        private final List<AlignmentLine> lines = new ArrayList<>();
        private final List<Part> fixed = new ArrayList<>();
        private final List<Adjuster> untold = new ArrayList<>();

        /** @param gains empty where no level is asked for */
        Making(Chassis chassis, Band band, Optional<Gains> gains, Simulator engine, Setting setting) {
            this.chassis = chassis;
            this.band = band;
            this.levels = new GeneratorLevels(gains);
            this.frontEnd = FrontEnd.of(engine, chassis, setting, band);
        }

        static Output output(Gains g) {
            double knee = g.output() * GeneratorLevels.knee(g) / g.carrier();
            return new Output(g.output(), Double.isFinite(knee) ? Optional.of(knee) : Optional.empty());
        }

        AlignmentProcedure made() {
            if (band.kind() == BandKind.AM || band.kind() == BandKind.FM) {
                Frequencies.intermediate(chassis, Optional.of(band)).ifPresent(this::intermediate);
                if (frontEnd.isPresent()) gang(frontEnd.get());
                else if (band.kind() == BandKind.FM) fm();
                else if (Frequencies.intermediate(chassis, Optional.of(band)).isEmpty()) straight();
                else byRoles();
                Optional<Double> between = Frequencies.intermediate(chassis, Optional.of(band));
                if (band.kind() == BandKind.AM) between.ifPresent(this::traps);
                List<AlignmentLine> printed =
                        new ServiceLines(chassis, band, List.copyOf(lines), levels, between, lead()).lines();
                if (!printed.isEmpty()) {
                    lines.clear();
                    lines.addAll(printed);
                }
            }
            return new AlignmentProcedure(band, preparations(), lines, fixed, untold, frontEnd, Optional.empty());
        }

        /** What keeps the intermediate frequency out of the aerial: through the aerial to a dip, the gang closed. */
        private void traps(double hertz) {
            List<Adjuster> own = new ArrayList<>(new Traps(chassis, hertz).adjusters());
            lines.forEach(l -> own.removeAll(l.adjusters()));
            if (own.isEmpty()) return;
            Optional<Gains.Level> at = levels.first(Domain.RF);
            lines.add(new AlignmentLine(
                    AlignmentPurpose.TRAP,
                    lead() == Lead.LOOP ? "" : at.map(Gains.Level::point).orElse(""),
                    lead(),
                    hertz,
                    Optional.of(band.range().low()),
                    Optional.empty(),
                    Optional.empty(),
                    own,
                    Aim.DIP,
                    Indicator.of(chassis, band),
                    false,
                    Optional.empty()));
        }

        private Set<Preparation> preparations() {
            EnumSet<Preparation> all = EnumSet.of(
                    Preparation.VOLTAGES_FIRST,
                    Preparation.WARM_UP,
                    Preparation.VOLUME_FULL_UP,
                    Preparation.LOAD_CONNECTED,
                    Preparation.MARK_CORES,
                    Preparation.INSULATED_TOOL);
            if (Isolation.of(chassis).mayBeLive()) all.add(Preparation.ISOLATE);
            if (lead() == Lead.LOOP) all.add(Preparation.LOOP_IN_PLACE);
            if (band.kind() == BandKind.FM) all.add(Preparation.AFC_OFF);
            if (chassis.identity().kind() == SetKind.CAR) all.add(Preparation.LAST_IN_THE_CAR);
            return all;
        }

        private void intermediate(double hertz) {
            IntermediateLines own = new IntermediateLines(chassis, band, levels, hertz);
            lines.addAll(own.lines());
            own.transformers().stream().filter(p -> own.adjusters(p).isEmpty()).forEach(fixed::add);
        }

        // --- what the gang tunes ---

        private void gang(FrontEnd f) {
            for (FrontEnd.Circuit c : f.circuits()) {
                boolean oscillator = c.kind() == FrontEnd.Kind.OSCILLATOR;
                List<Adjuster> high = adjusters(c.trimmer());
                List<Adjuster> low = adjusters(c.padder());
                if (low.isEmpty()) low = cores(c.coil(), c.winding());
                if (high.isEmpty() && low.isEmpty()) fixed.add(c.coil());
                line(
                        oscillator ? AlignmentPurpose.OSCILLATOR_HIGH : AlignmentPurpose.SIGNAL_HIGH,
                        f.high(),
                        high,
                        false);
                line(
                        oscillator ? AlignmentPurpose.OSCILLATOR_LOW : AlignmentPurpose.SIGNAL_LOW,
                        f.low(),
                        low,
                        oscillator);
                // with a padder of its own the core sets the middle of the dial
                List<Adjuster> core = cores(c.coil(), c.winding());
                if (oscillator && !low.equals(core)) line(AlignmentPurpose.OSCILLATOR_LOW, f.middle(), core, false);
            }
        }

        private List<Adjuster> adjusters(Optional<Part> part) {
            return chassis.adjusters().stream().filter(a -> a.turns(part)).toList();
        }

        private List<Adjuster> cores(Part coil, String winding) {
            return chassis.adjusters().stream()
                    .filter(a -> a.turns(coil, winding))
                    .toList();
        }

        private void line(AlignmentPurpose purpose, double hertz, List<Adjuster> turned, boolean rocked) {
            if (turned.isEmpty()) return;
            Optional<Gains.Level> at = levels.first(Domain.RF);
            Lead lead = lead();
            lines.add(new AlignmentLine(
                    purpose,
                    lead == Lead.LOOP ? "" : at.map(Gains.Level::point).orElse(""),
                    lead,
                    hertz,
                    Optional.of(hertz),
                    lead == Lead.LOOP ? Optional.empty() : at.flatMap(l -> levels.at(l.point(), Domain.RF)),
                    lead == Lead.LOOP ? Optional.empty() : at.flatMap(l -> levels.knee(l.point(), Domain.RF)),
                    turned,
                    Aim.PEAK,
                    Indicator.of(chassis, band),
                    rocked,
                    Optional.empty()));
        }

        /** A coupling winding leads to an aerial's socket; without one the coil itself hears. */
        private Lead lead() {
            if (band.kind() == BandKind.FM) return Lead.DIPOLE_SOCKET;
            boolean socket = chassis.parts().stream()
                    .anyMatch(p -> p.is(PartRole.AERIAL_COUPLING_COIL)
                            || (p.is(PartRole.AERIAL_COIL)
                                    && AerialTerminal.of(chassis, p).isPresent()));
            if (!socket) return Lead.LOOP;
            return chassis.identity().kind() == SetKind.CAR ? Lead.CAR_AERIAL : Lead.DUMMY_AERIAL;
        }

        /** A superhet of which coils or gang are not known: on its only band the roles of the parts tell, on one of several nothing does. */
        private void byRoles() {
            boolean only = chassis.bands().stream()
                            .filter(b -> b.kind() == BandKind.AM)
                            .count()
                    == 1;
            List<Adjuster> front = chassis.adjusters().stream()
                    .filter(a -> chassis.part(a.part())
                            .flatMap(Part::role)
                            .filter(Making::ofFront)
                            .isPresent())
                    .toList();
            if (!only) {
                untold.addAll(front);
                return;
            }
            line(AlignmentPurpose.OSCILLATOR_HIGH, high(), with(front, PartRole.OSCILLATOR_TRIMMER), false);
            List<Adjuster> padders = with(front, PartRole.PADDER);
            List<Adjuster> cores = with(front, PartRole.OSCILLATOR_COIL);
            line(AlignmentPurpose.OSCILLATOR_LOW, low(), padders.isEmpty() ? cores : padders, true);
            if (!padders.isEmpty())
                line(AlignmentPurpose.OSCILLATOR_LOW, band.range().at(0.5), cores, false);
            line(AlignmentPurpose.SIGNAL_HIGH, high(), with(front, PartRole.TRIMMER), false);
            List<Adjuster> coils = new ArrayList<>(with(front, PartRole.RF_TRANSFORMER));
            coils.addAll(with(front, PartRole.AERIAL_COIL));
            line(AlignmentPurpose.SIGNAL_LOW, low(), coils, false);
        }

        private static boolean ofFront(PartRole r) {
            return r.isTrimmer()
                    || r == PartRole.PADDER
                    || r == PartRole.OSCILLATOR_COIL
                    || r == PartRole.RF_TRANSFORMER
                    || r == PartRole.AERIAL_COIL;
        }

        private List<Adjuster> with(List<Adjuster> all, PartRole role) {
            return all.stream()
                    .filter(a -> chassis.part(a.part()).filter(p -> p.is(role)).isPresent())
                    .toList();
        }

        /** Near the ends of the dial. */
        private double high() {
            return band.range().at(1 - END);
        }

        private double low() {
            return band.range().at(END);
        }

        // --- FM and straight sets ---

        private void fm() {
            of(PartRole.FM_OSCILLATOR_COIL, AlignmentPurpose.OSCILLATOR_HIGH, AlignmentPurpose.OSCILLATOR_LOW);
            of(PartRole.FM_RF_COIL, AlignmentPurpose.SIGNAL_HIGH, AlignmentPurpose.SIGNAL_LOW);
        }

        /** The trimmers of all circuits at the high end, the one before the detector first; their coils at the low end. */
        private void straight() {
            List<Adjuster> trimmers = new ArrayList<>();
            List<Adjuster> coils = new ArrayList<>();
            for (Adjuster a : chassis.adjusters()) {
                Optional<Part> p = chassis.part(a.part());
                if (p.flatMap(Part::role).filter(PartRole::isTrimmer).isPresent()) trimmers.add(0, a);
                else if (p.filter(x -> x.component() instanceof Component.Windings)
                        .isPresent()) coils.add(0, a);
            }
            line(AlignmentPurpose.SIGNAL_HIGH, high(), trimmers, false);
            line(AlignmentPurpose.SIGNAL_LOW, low(), coils, false);
        }

        private void of(PartRole coil, AlignmentPurpose high, AlignmentPurpose low) {
            List<Adjuster> trimmers = new ArrayList<>();
            List<Adjuster> cores = new ArrayList<>();
            for (Part c : chassis.parts()) {
                if (!c.is(coil)) continue;
                for (Adjuster a : chassis.adjusters()) {
                    Optional<Part> p = chassis.part(a.part());
                    if (p.isEmpty()) continue;
                    if (p.get().equals(c)) cores.add(a);
                    else if (p.get().component() instanceof Component.Capacitor
                            && p.get().nets().values().stream()
                                    .anyMatch(n -> !n.equals(chassis.reference()) && c.touches(n))) trimmers.add(a);
                }
                if (trimmers.isEmpty() && cores.isEmpty()) fixed.add(c);
            }
            line(high, high(), trimmers, false);
            line(low, low(), cores, false);
        }
    }
}
