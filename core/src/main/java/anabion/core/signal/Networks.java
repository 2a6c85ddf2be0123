package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.circuit.Element;
import anabion.core.circuit.Reactances;
import anabion.core.circuit.SmallSignal;
import anabion.core.circuit.Solution;
import anabion.core.device.model.BipolarLaw;
import anabion.core.device.model.Driven;
import anabion.core.simulation.dc.Detector;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Makes the small-signal network of a set from its operating point. */
final class Networks {
    /** Some 30 dB below a station that is tuned in. */
    private static final double STRAYING = 0.03;
    /** Siemens across a dry socket's pin: what hangs in the air without its tube is solved, too. */
    private static final double DRY = 1e-10;
    /** An element that stands for a winding of a part. */
    private static final Pattern PIECE = Pattern.compile("\\.\\d+$");

    private final Chassis chassis;
    private final Setting setting;
    private final Faults faults;
    private final OperatingPoint solved;
    private final Coils coils;
    private final Optional<Band> band;
    /** The diodes that load the detector's coil: of an FM detector both. */
    private final List<Detector> diodes;

    private Optional<SmallSignal> aligned = Optional.empty();

    Networks(Chassis chassis, Setting setting, OperatingPoint solved, Optional<Band> band) {
        this.chassis = chassis;
        this.setting = setting;
        this.faults = new Faults(chassis, setting.faults());
        this.solved = solved;
        this.band = band;
        this.coils = new Coils(chassis, setting, faults, Frequencies.intermediate(chassis, band));
        this.diodes = diodes(band.map(b -> Detector.of(chassis, b)).orElseGet(() -> Detector.of(chassis)));
    }

    /** For sound and the intermediate frequency, to which all that is tuned is aligned. */
    SmallSignal aligned() {
        if (aligned.isEmpty()) {
            SmallSignal network = SmallSignal.about(solved.direct(), this::replaced);
            fill(network, 0);
            aligned = Optional.of(network);
        }
        return aligned.get();
    }

    /** Likewise, where one of the same set is at hand that differs in coils and capacitors alone. */
    SmallSignal aligned(SmallSignal like) {
        SmallSignal network = like.again();
        fill(network, 0);
        return network;
    }

    /** With the gang where the coil before the converter is in tune. */
    SmallSignal carrier(double hertz) {
        Optional<Part> gang = gang();
        if (gang.isEmpty()) return aligned();
        List<Integer> sections = sections(gang.get());
        if (sections.isEmpty()) return aligned();
        String net = faults.net(gang.get(), String.valueOf(sections.get(0)));
        if (aligned().circuit().node(net).isEmpty()) return aligned();
        var quiet = aligned().at(hertz).driven(net, chassis.reference()).at(net);
        double susceptance = -quiet.im() / (quiet.size() * quiet.size());
        SmallSignal network = aligned().again();
        fill(network, Math.max(0, -susceptance / (2 * Math.PI * hertz)));
        return network;
    }

    /** What a field drives through the windings that hear it. */
    List<Coils.Induced> induced(double hertz, Predicate<Part> hears) {
        return coils.induced(hertz, hears);
    }

    /** Share of a carrier that passes: next to all, or what strays in where the oscillator runs far off its dial. */
    double straying() {
        return faults.displacesOscillator(chassis) ? STRAYING : 1;
    }

    private Optional<Part> gang() {
        return chassis.parts().stream().filter(p -> p.is(PartRole.TUNING_GANG)).findFirst();
    }

    /** The sections of the gang that tune the carrier, all alike: those whose nets meet no coil of the oscillator. */
    private List<Integer> sections(Part gang) {
        int all = ((Capacitor) gang.component()).farads().size();
        List<Integer> found = new ArrayList<>();
        for (int n = 1; n <= all; n++) {
            String net = gang.nets().getOrDefault(String.valueOf(n), "");
            boolean oscillator = chassis.partsOn(net).stream()
                    .anyMatch(p -> p.role().filter(PartRole::isOfOscillator).isPresent() && !p.equals(gang));
            if (!oscillator) found.add(n);
        }
        return found;
    }

    /** Coils, capacitors and resistors without tubes, transistors and gang: what is tuned, and to what. */
    SmallSignal passive() {
        return passive(SmallSignal.about(solved.direct(), e -> e instanceof Element.Device || replaced(e)));
    }

    /** Likewise, where one of the same set is at hand that differs in coils and capacitors alone. */
    SmallSignal passive(SmallSignal like) {
        SmallSignal network = like.again();
        network.circuit().nets().forEach(n -> network.capacitor(n, chassis.reference(), 0, DRY));
        passive(network, 0);
        return network;
    }

    /** All that only alternating currents see, outside of tune. */
    void fill(Reactances network) {
        fill(network, 0);
    }

    private List<Detector> diodes(Optional<Detector> detector) {
        return detector.filter(d -> !d.grid()).stream()
                .flatMap(d -> band.filter(b -> b.kind() == BandKind.FM).isPresent()
                        ? Detector.feeding(chassis, chassis.part(d.coil()).orElseThrow()).stream()
                        : Stream.of(d))
                .toList();
    }

    /** @param tuning farads of the gang's section that tunes the carrier */
    private void fill(Reactances network, double tuning) {
        Solution direct = solved.direct();
        passive(network, tuning);
        for (Element e : direct.circuit().elements())
            if (e instanceof Element.Device d && d.law() instanceof BipolarLaw law)
                new Transistor(chassis, direct, d, law).into(network);
        diodes.forEach(d -> load(d, direct, network));
    }

    private void passive(Reactances network, double tuning) {
        for (Part p : chassis.parts()) {
            if (p.component() instanceof Capacitor c) capacitor(p, c, tuning, network);
            if (p.component() instanceof Component.Speaker s && !faults.is(p.reference(), FaultMode.OPEN))
                network.capacitor(faults.net(p, "1"), faults.net(p, "2"), 0, 1 / Math.max(0.5, s.ohms()));
        }
        coils.into(network);
    }

    /** Elements of the direct-current circuit for which the reactances stand. */
    boolean replaced(Element e) {
        int dot = e.name().indexOf('.');
        String reference = dot < 0 ? e.name() : e.name().substring(0, dot);
        for (Detector d : diodes) if (d.element().equals(e.name())) return true;
        if (e instanceof Element.Device d && d.law() instanceof BipolarLaw) return true;
        return chassis.part(reference)
                .filter(p -> p.component() instanceof Component.Speaker
                        || (Coils.covers(p) && PIECE.matcher(e.name()).find()))
                .isPresent();
    }

    private void capacitor(Part p, Capacitor c, double tuning, Reactances network) {
        boolean gang = p.is(PartRole.TUNING_GANG);
        String common = faults.net(p, String.valueOf(c.farads().size() + 1));
        for (int n = 1; n <= c.farads().size(); n++) {
            double farads = faults.farads(p, n, c.farads().get(n - 1)) * setting.trim(p.reference());
            if (gang) farads = sections(p).contains(n) ? tuning : 0;
            network.capacitor(faults.net(p, String.valueOf(n)), common, farads, 0);
        }
    }

    /** Under a carrier the diode takes the fundamental of its current from the coil. */
    private void load(Detector d, Solution direct, Reactances network) {
        direct.circuit().device(d.element()).ifPresent(x -> {
            if (!(x.law() instanceof Driven law)) return;
            double[] v = x.nodes().stream().mapToDouble(direct::at).toArray();
            double volts = Math.max(law.amplitude(v), 1e-3);
            network.capacitor(d.plate(), d.cathode(), 0, Math.max(0, law.fundamental(v, 0) / volts));
        });
    }
}
