package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.circuit.SmallSignal;
import anabion.core.circuit.Solution;
import anabion.core.numeric.Phasor;
import anabion.core.signal.Gains.Control;
import anabion.core.signal.Gains.Level;
import anabion.core.signal.Gains.Response;
import anabion.core.signal.Gains.StageGain;
import anabion.core.signal.SignalPath.Amplifier;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.Detector;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** Walks one band from the speaker to the aerial. */
final class Survey {
    private static final double[] STRENGTHS = {0.1, 0.3, 1, 3, 10, 20};
    private static final double[] OFFSETS = {0, 1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 20, 30};
    private static final double[] TONES = {
        50, 70, 100, 140, 200, 280, 400, 700, 1000, 1500, 2000, 3000, 4000, 6000, 10000
    };
    private static final int HALVINGS = 16;
    /** A ratio of volts below this passes nothing. */
    private static final double NOTHING = 1e-12;
    /** Volts at the converter that no aerial brings: tubes that are shut altogether ask for them. */
    private static final double MOST = 3;
    /** Volts of a carrier that no set has at its detector, and by which factor less is tried where so much shuts a stage behind it. */
    private static final double MOST_CARRIER = 40;

    private static final double LESS = 4;
    private static final double LEAST_CARRIER = 1e-3;
    /** Carrier at the detector while somebody listens. */
    private static final double LISTENED = 0.3;
    /** Carrier at an FM detector that counts as enough: its sound does not follow the carrier. */
    private static final double LIMITED = 1;

    private final Simulator engine;
    private final Chassis chassis;
    private final Setting setting;
    private final Band band;
    private final SignalPath path;
    private final Ends ends;
    private final Optional<Detector> detector;
    private final String reference;

    Survey(Simulator engine, Chassis chassis, Setting setting, Band band) {
        this.engine = engine;
        this.chassis = chassis;
        this.setting = setting.withBand(band.name());
        this.band = band;
        this.path = SignalPath.of(chassis, band);
        this.ends = Ends.of(chassis, band, path.stages().stream().anyMatch(a -> a.before() != Domain.AF));
        this.detector = ends.detector();
        this.reference = chassis.reference();
    }

    Optional<Gains> gains() {
        if (ends.speaker().isEmpty() || path.stages().isEmpty()) return Optional.empty();
        double output = ends.standard();
        OperatingPoint quiet = engine.solve(chassis, setting);
        if (!quiet.converged()) return Optional.empty();
        boolean fm = band.kind() == BandKind.FM;
        Carried now =
                detector.isEmpty() ? new Carried(quiet, 0, 0) : fm ? with(LIMITED, quiet) : carried(output, quiet);
        if (!now.solved().converged()) return Optional.empty();
        Networks networks = networks(now.solved());
        SmallSignal sound = networks.aligned();
        List<Level> levels = new ArrayList<>();
        List<StageGain> gains = new ArrayList<>();
        sound(sound, output, levels, gains);
        if (detector.isPresent()) radio(networks, now, levels, gains);
        return Optional.of(new Gains(
                output,
                now.carrier(),
                now.efficiency(),
                new Swing(now.solved().direct()).within(levels, path.stages()),
                gains,
                detector.isPresent() ? control(quiet) : List.of(),
                detector.isPresent() ? selectivity(networks) : List.of(),
                response(sound),
                hum(sound, now.solved())));
    }

    /** Volts at the speaker that nobody put in: of the rails' ripple, and of heaters that leak. */
    private double hum(SmallSignal sound, OperatingPoint solved) {
        return Math.hypot(
                RippleTransfer.left(sound, solved, ends::atSpeaker),
                HeaterHum.left(chassis, setting, sound, solved, ends::atSpeaker));
    }

    /** What comes from each point, under a usual carrier rather than the one that gives the standard output: a fraction of the work. */
    Optional<Loudness> loudness() {
        if (ends.speaker().isEmpty() || path.stages().isEmpty()) return Optional.empty();
        OperatingPoint quiet = engine.solve(chassis, setting);
        boolean fm = band.kind() == BandKind.FM;
        Carried now = detector.isEmpty() ? new Carried(quiet, 0, 0) : with(fm ? LIMITED : LISTENED, quiet);
        if (!quiet.converged() || !now.solved().converged()) return Optional.empty();
        Networks networks = networks(now.solved());
        SmallSignal sound = networks.aligned();
        List<Level> levels = new ArrayList<>();
        List<StageGain> gains = new ArrayList<>();
        sound(sound, ends.standard(), levels, gains);
        double detected = 0;
        Optional<FmDetection> ratio = detector.filter(d -> fm).map(d -> new FmDetection(chassis, setting, d));
        if (detector.isPresent()) {
            var held = sound.at(Frequencies.TONE).held(detector.get().audio());
            double efficiency = ratio.map(r -> r.efficiency(LIMITED, s -> engine.solve(chassis, s)))
                    .orElse(now.efficiency());
            detected = ends.atSpeaker(held).size() * Math.max(efficiency, NOTHING);
            radio(networks, now, levels, gains);
        }
        Solution direct = now.solved().direct();
        Loudness of = Loudness.of(
                levels, ends.standard(), detected, decibels(hum(sound, now.solved())), path, quiet.direct());
        Loudness all = ratio.map(r -> of.detected(r.lopsided(direct, Loudness.LOPSIDED), r.noisy()))
                .orElse(of);
        return Optional.of(ends.isMute(new Faults(chassis, setting.faults())) ? all.muted() : all);
    }

    private Networks networks(OperatingPoint solved) {
        return new Networks(chassis, setting, solved, Optional.of(band));
    }

    // --- the detector ---

    private record Carried(OperatingPoint solved, double carrier, double efficiency) {}

    /**
     * The carrier at the detector that gives the wanted output, by halving: what a diode gives rises with the carrier, up to one that shuts a stage behind it.
     * Where none brings it the carrier is infinite, and the set is looked at under a usual one.
     */
    private Carried carried(double output, OperatingPoint quiet) {
        double low = LEAST_CARRIER;
        double high = MOST_CARRIER;
        while (high > low && given(with(high, quiet)) < output) high /= LESS;
        if (high <= low) {
            Carried usual = with(LISTENED, quiet);
            return new Carried(usual.solved(), Double.POSITIVE_INFINITY, usual.efficiency());
        }
        Carried now = with(Math.sqrt(low * high), quiet);
        for (int n = 0; n < HALVINGS && now.solved().converged(); n++) {
            if (given(now) < output) low = now.carrier();
            else high = now.carrier();
            now = with(Math.sqrt(low * high), quiet);
        }
        return now;
    }

    /** Volts at the speaker under a modulated carrier. */
    private double given(Carried now) {
        if (!now.solved().converged()) return 0;
        var held = networks(now.solved())
                .aligned()
                .at(Frequencies.TONE)
                .held(detector.get().audio());
        return ends.atSpeaker(held).size() * now.efficiency() * now.carrier() * Frequencies.DEPTH / Math.sqrt(2);
    }

    private Carried with(double carrier, OperatingPoint quiet) {
        OperatingPoint solved = engine.solve(chassis, setting.withCarrier(carrier));
        String audio = detector.get().audio();
        double moved = solved.volts(audio).orElse(0) - quiet.volts(audio).orElse(0);
        return new Carried(solved, carrier, Math.abs(moved) / carrier);
    }

    // --- sound ---

    private void sound(SmallSignal network, double output, List<Level> levels, List<StageGain> gains) {
        SmallSignal.Tone tone = network.at(Frequencies.TONE);
        List<Amplifier> all =
                path.stages().stream().filter(a -> a.before() == Domain.AF).toList();
        var passing = tone.held(all.get(0).inputNet());
        for (int n = all.size() - 1; n >= 0; n--) {
            Amplifier a = all.get(n);
            levels.add(sounding(tone, a.stage(), a.output(), a.outputNet(), output));
            levels.add(sounding(tone, a.stage(), a.input(), a.inputNet(), output));
            gains.add(0, gain(all, n, Domain.AF, passing, ends.atSpeaker(passing)));
        }
        ends.wiper()
                .filter(net -> levels.stream().noneMatch(l -> l.point().equals(net)))
                .ifPresent(net -> levels.add(sounding(tone, all.get(0).stage(), net, net, output)));
        ends.source().ifPresent(net -> levels.add(sounding(tone, ends.sourceStage(), net, net, output)));
    }

    /** From one input to the next while a signal passes through all of them. */
    private static StageGain gain(
            List<Amplifier> all, int n, Domain domain, SmallSignal.Volts passing, Phasor atTheEnd) {
        double own = passing.at(all.get(n).inputNet()).size();
        double next = n == all.size() - 1
                ? atTheEnd.size()
                : passing.at(all.get(n + 1).inputNet()).size();
        return new StageGain(all.get(n).stage(), domain, decibels(next / Math.max(own, 1e-30)));
    }

    private Level sounding(SmallSignal.Tone tone, String stage, String point, String net, double output) {
        var driven = tone.driven(net, reference);
        return Generator.SOUND.level(
                stage, point, Domain.AF, Frequencies.TONE, driven.at(net), ends.atSpeaker(driven), output);
    }

    private List<Response> response(SmallSignal network) {
        Optional<String> from = ends.source();
        if (from.isEmpty()) return List.of();
        double middle =
                ends.atSpeaker(network.at(Frequencies.TONE).held(from.get())).size();
        if (!(middle > 0)) return List.of();
        List<Response> all = new ArrayList<>();
        for (double hertz : TONES)
            all.add(new Response(
                    hertz,
                    decibels(ends.atSpeaker(network.at(hertz).held(from.get())).size() / middle)));
        return all;
    }

    // --- radio ---

    private void radio(Networks networks, Carried now, List<Level> levels, List<StageGain> gains) {
        double wanted = now.carrier() / Math.sqrt(2);
        Optional<Double> between = Frequencies.intermediate(chassis, Optional.of(band));
        List<StageGain> forward = new ArrayList<>();
        if (band.kind() != BandKind.FM)
            forward.add(new StageGain(ends.sourceStage(), Domain.AF, decibels(now.efficiency() * Frequencies.DEPTH)));
        if (between.isPresent() && path.converter().isPresent()) {
            SmallSignal.Tone tone = networks.aligned().at(between.get());
            intermediate(tone, between.get(), wanted, levels, forward);
            carriers(networks, tone, now, wanted, levels, forward);
        } else straight(networks, wanted, levels, forward);
        gains.addAll(0, forward);
    }

    private void intermediate(
            SmallSignal.Tone tone, double hertz, double wanted, List<Level> levels, List<StageGain> forward) {
        List<Amplifier> all =
                path.stages().stream().filter(a -> a.after() == Domain.IF).toList();
        var passing = tone.driven(all.get(0).outputNet(), reference);
        for (int n = all.size() - 1; n >= 0; n--) {
            Amplifier a = all.get(n);
            for (String[] at : new String[][] {{a.output(), a.outputNet()}, {a.input(), a.inputNet()}}) {
                var driven = tone.driven(at[1], reference);
                levels.add(Generator.RADIO.level(
                        a.stage(), at[0], Domain.IF, hertz, driven.at(at[1]), ends.atDiode(driven), wanted));
            }
            if (a.before() == Domain.IF) forward.add(0, gain(all, n, Domain.IF, passing, ends.atDiode(passing)));
        }
    }

    private void carriers(
            Networks networks,
            SmallSignal.Tone intermediate,
            Carried now,
            double wanted,
            List<Level> levels,
            List<StageGain> forward) {
        Amplifier mixer = path.converter().orElseThrow();
        double hertz = Frequencies.carrier(band);
        double gc = Converter.siemens(mixer, now.solved().direct()) * networks.straying();
        var plate = intermediate.driven(mixer.outputNet(), reference);
        double passed = gc * ends.atDiode(plate).size();
        List<Amplifier> after =
                path.stages().stream().filter(a -> a.before() == Domain.IF).toList();
        double next = after.isEmpty()
                ? passed
                : gc * plate.at(after.get(0).inputNet()).size();
        forward.add(0, new StageGain(mixer.stage(), Domain.RF, decibels(next)));
        SmallSignal.Tone tone = networks.carrier(hertz).at(hertz);
        double atGrid = wanted / passed;
        List<Amplifier> before =
                path.stages().stream().filter(a -> a.before() == Domain.RF).toList();
        for (int n = before.size() - 1; n >= 0; n--) {
            Amplifier a = before.get(n);
            var driven = tone.driven(a.inputNet(), reference);
            levels.add(Generator.RADIO.level(
                    a.stage(),
                    a.input(),
                    Domain.RF,
                    hertz,
                    driven.at(a.inputNet()),
                    driven.at(mixer.inputNet()),
                    atGrid));
        }
        aerial(networks, tone, hertz, before.get(0), v -> v.at(mixer.inputNet()), atGrid, levels, forward);
    }

    /** From what is plugged in, else from the field at the set's own loop or rod. */
    private void aerial(
            Networks networks,
            SmallSignal.Tone tone,
            double hertz,
            Amplifier first,
            Function<SmallSignal.Volts, Phasor> to,
            double wanted,
            List<Level> levels,
            List<StageGain> forward) {
        Optional<String> net = ends.aerial();
        Optional<Part> loop = net.isPresent() || band.kind() == BandKind.FM ? Optional.empty() : ends.loop();
        String stage = band.stages().get(0);
        double grid;
        if (net.isPresent()) {
            var driven = tone.driven(net.get(), reference);
            levels.add(Generator.AERIAL.level(
                    stage, net.get(), Domain.RF, hertz, driven.at(net.get()), to.apply(driven), wanted));
            grid = driven.at(first.inputNet()).size() / to.apply(driven).size();
        } else if (loop.isPresent()) {
            List<Coils.Induced> field = networks.induced(hertz, p -> p.is(PartRole.AERIAL_COIL));
            double passed = induced(tone, field, to).size();
            double volts = wanted / passed;
            levels.add(new Level(stage, loop.get().reference(), Domain.RF, hertz, volts, volts, 0, 0));
            grid = passed > 0
                    ? induced(tone, field, v -> v.at(first.inputNet())).size() / passed
                    : 0;
        } else return;
        double given = levels.get(levels.size() - 1).volts();
        forward.add(0, new StageGain(stage, Domain.RF, decibels(wanted * grid / given)));
    }

    /** What all windings in a field bring together. */
    private static Phasor induced(
            SmallSignal.Tone tone, List<Coils.Induced> field, Function<SmallSignal.Volts, Phasor> to) {
        Phasor sum = new Phasor(0, 0);
        for (Coils.Induced i : field)
            sum = sum.plus(to.apply(tone.driven(i.to(), i.from())).times(i.amperes()));
        return sum;
    }

    /** A straight set: the carrier goes all the way. */
    private void straight(Networks networks, double wanted, List<Level> levels, List<StageGain> forward) {
        double hertz = Frequencies.carrier(band);
        SmallSignal.Tone tone = networks.carrier(hertz).at(hertz);
        List<Amplifier> all =
                path.stages().stream().filter(a -> a.before() == Domain.RF).toList();
        var passing = tone.held(all.get(0).inputNet());
        for (int n = all.size() - 1; n >= 0; n--) {
            Amplifier a = all.get(n);
            var driven = tone.driven(a.inputNet(), reference);
            levels.add(Generator.RADIO.level(
                    a.stage(), a.input(), Domain.RF, hertz, driven.at(a.inputNet()), ends.atDiode(driven), wanted));
            forward.add(0, gain(all, n, Domain.RF, passing, ends.atDiode(passing)));
        }
        aerial(networks, tone, hertz, all.get(0), ends::atDiode, wanted, levels, forward);
    }

    private List<Response> selectivity(Networks networks) {
        Optional<Double> middle = Frequencies.intermediate(chassis, Optional.of(band));
        if (middle.isEmpty() || path.converter().isEmpty()) return List.of();
        SmallSignal network = networks.aligned();
        String plate = path.converter().get().outputNet();
        double top =
                ends.atDiode(network.at(middle.get()).driven(plate, reference)).size();
        if (!(top > 0)) return List.of();
        double step = middle.get() > 1e6 ? 20e3 : 1e3;
        List<Response> all = new ArrayList<>();
        for (int n = -OFFSETS.length + 1; n < OFFSETS.length; n++) {
            double hertz = middle.get() + Math.signum(n) * OFFSETS[Math.abs(n)] * step;
            double size =
                    ends.atDiode(network.at(hertz).driven(plate, reference)).size();
            all.add(new Response(hertz, decibels(size / top)));
        }
        return all;
    }

    private List<Control> control(OperatingPoint quiet) {
        Optional<String> line = chassis.controlLines().stream().findFirst();
        Optional<Double> between = Frequencies.intermediate(chassis, Optional.of(band));
        if (line.isEmpty() || between.isEmpty() || path.converter().isEmpty()) return List.of();
        List<Control> all = new ArrayList<>();
        for (double strength : STRENGTHS) {
            Carried now = with(strength, quiet);
            if (!now.solved().converged()) continue;
            Amplifier mixer = path.converter().get();
            double gc = Converter.siemens(mixer, now.solved().direct());
            var plate = networks(now.solved()).aligned().at(between.get()).driven(mixer.outputNet(), reference);
            double input = strength / Math.sqrt(2) / (gc * ends.atDiode(plate).size());
            if (!(input < MOST)) continue;
            all.add(new Control(input, strength, now.solved().volts(line.get()).orElse(0)));
        }
        return all;
    }

    static double decibels(double ratio) {
        return ratio > NOTHING ? 20 * Math.log10(ratio) : Double.NEGATIVE_INFINITY;
    }
}
