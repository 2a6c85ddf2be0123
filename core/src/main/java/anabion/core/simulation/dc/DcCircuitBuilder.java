package anabion.core.simulation.dc;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.circuit.Circuit;
import anabion.core.circuit.DeviceModel;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.device.Semiconductor;
import anabion.core.device.SemiconductorKind;
import anabion.core.device.model.BipolarLaw;
import anabion.core.device.model.ColdLaw;
import anabion.core.device.model.Driven;
import anabion.core.device.model.Fit;
import anabion.core.device.model.Heated;
import anabion.core.device.model.HeptodeLaw;
import anabion.core.device.model.LampLaw;
import anabion.core.device.model.PassingRectifier;
import anabion.core.device.model.PentodeLaw;
import anabion.core.device.model.TriodeLaw;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.supply.AcSupply;
import anabion.core.simulation.supply.PassiveStamps;
import anabion.core.simulation.supply.SupplyFinder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Builds the direct-current circuit of a chassis, without its rectifiers. */
public final class DcCircuitBuilder {
    /** Share of the rated volts below which a heater gets nothing from the mains. */
    private static final double UNHEATED = 0.01;
    /** Volts at the grid of an FM oscillator per volt of its plate, as usually built. */
    private static final double FM_DRIVE = 0.03;
    /** Grid current out of a gassy tube, in amperes. */
    private static final double GAS = 3e-6;

    private final Chassis chassis;
    private final Setting setting;
    private final Faults faults;
    private final String reference;
    private final Optional<AcSupply> mains;
    private final Sockets sockets;
    private final FittedLaws fitted;

    /**
     * @param reference the net of zero volts
     * @param mains empty for a set without alternating supply
     * @param fitted laws fitted to the service chart
     */
    public DcCircuitBuilder(
            Chassis chassis,
            Setting setting,
            Faults faults,
            String reference,
            Optional<AcSupply> mains,
            FittedLaws fitted) {
        this.chassis = chassis;
        this.setting = setting;
        this.faults = faults;
        this.reference = reference;
        this.mains = mains;
        this.sockets = new Sockets(faults);
        this.fitted = fitted;
    }

    /** A circuit with every net of the chassis, in the order of the parts whatever is wrong, so that one solution starts another. */
    public Circuit.Builder circuit() {
        return filled(Circuit.of(reference));
    }

    /** This circuit with its nets numbered as in another circuit of this set: also those that only a fault, or a wire to nowhere, makes. */
    public Circuit.Builder circuitLike(Circuit other) {
        return filled(other.more(e -> false));
    }

    private Circuit.Builder filled(Circuit.Builder c) {
        for (Part p : chassis.parts()) p.nets().values().forEach(c::node);
        if (plugged())
            c.resistor("mains", AcSupply.L, AcSupply.N, 0.01)
                    .resistor("insulation", AcSupply.N, reference, AcSupply.INSULATION);
        else if (direct())
            c.source("mains", "MAINS", AcSupply.N, setting.line() * setting.trim(Setting.LINE))
                    .resistor("line", "MAINS", AcSupply.L, 0.01);
        add(chassis.parts(), c);
        return c;
    }

    /**
     * This circuit, most parts of which stand as they stand in a sound set's circuit: a fault changes its own part alone, and in an oscillator
     * the tubes as well.
     */
    public Circuit.Builder circuit(Circuit sound) {
        if (faults.inOscillator(chassis)) return circuit();
        Set<String> faulty = faults.parts();
        Circuit.Builder c = sound.more(e -> !faulty.contains(OperatingPoint.reference(e.name())));
        add(chassis.parts().stream().filter(p -> faulty.contains(p.reference())).toList(), c);
        return c;
    }

    private void add(List<Part> parts, Circuit.Builder c) {
        PassiveStamps linear = new PassiveStamps(chassis, setting, faults);
        double scale = scale();
        for (Part p : parts) {
            if (p.component() instanceof Component.Battery b) linear.battery(p, b, scale, c);
            else if (p.component() instanceof Component.Lamp l) lamp(p, l, c);
            else if (p.device().isEmpty()) linear.add(p, c);
            else {
                device(p, c);
                linear.joints(p, net -> true, c);
            }
        }
    }

    private boolean plugged() {
        return mains.isPresent() && AcSupply.vibrator(chassis).isEmpty();
    }

    /** Whether its mains is direct current: heaters, and a rectifier that only passes it on, are part of this circuit. */
    private boolean direct() {
        return chassis.supply().arrangement().isDirect() && AcSupply.has(chassis);
    }

    /** How far the batteries are from their nominal volts. */
    private double scale() {
        double most = chassis.parts().stream()
                .filter(p -> p.component() instanceof Component.Battery)
                .mapToDouble(p -> ((Component.Battery) p.component()).volts())
                .max()
                .orElse(0);
        return plugged() || direct() || most == 0 ? 1 : setting.line() * setting.trim(Setting.LINE) / most;
    }

    private void lamp(Part p, Component.Lamp l, Circuit.Builder c) {
        if (l.amperes() <= 0 || faults.is(p.reference(), FaultMode.OPEN)) return;
        String a = faults.net(p, "1");
        String b = faults.net(p, "2");
        if (mains.isPresent()) c.resistor(p.reference(), a, b, l.volts() / l.amperes());
        else c.device(p.reference(), new LampLaw(l.volts(), l.amperes(), LampLaw.LAMP), a, b);
    }

    /** A tube or semiconductor by itself. */
    public void device(Part p, Circuit.Builder c) {
        Optional<DeviceType> type = Sockets.type(p);
        if (type.isEmpty()) return;
        if (type.get().semiconductor().isPresent()) {
            semiconductor(p, type.get().semiconductor().get(), c);
            return;
        }
        heater(p, type.get(), c);
        double heat = byDirectCurrent(p, type.get())
                ? 1
                : mains.map(m -> m.heat(p, type.get())).orElse(1.0);
        double emission = faults.emission(p.reference())
                * SupplyFinder.emission(type.get(), heat, setting)
                * setting.trim(p.reference())
                * sockets.emitting(p, type.get());
        for (Section s : type.get().sections()) section(p, type.get(), s, emission, c);
        if (faults.is(p.reference(), FaultMode.GASSY)) gas(p, type.get(), c);
    }

    /** In a tube of several systems the gas shows at the first grid that has a pin. */
    private void gas(Part p, DeviceType type, Circuit.Builder c) {
        for (Section s : type.sections()) {
            Optional<String> grid = sockets.find(p, "g1", s.name());
            if (grid.isEmpty() || !s.kind().amplifies()) continue;
            double amperes = faults.number(p.reference(), FaultMode.GASSY, GAS);
            c.current(p.reference() + ".gas", sockets.cathode(p, s.name()), grid.get(), amperes);
            return;
        }
    }

    private void heater(Part p, DeviceType type, Circuit.Builder c) {
        List<Sockets.HeaterPiece> pieces = sockets.pieces(p, type);
        if (pieces.isEmpty()) return;
        if (!sockets.isOpen(p))
            for (int n = 0; n < pieces.size(); n++) {
                Sockets.HeaterPiece piece = pieces.get(n);
                String name = p.reference() + (n == 0 ? ".heater" : ".heater2");
                if (type.section(Section.Kind.BARRETTER).isEmpty())
                    c.resistor(name, piece.from(), piece.to(), piece.ohms());
                else
                    c.device(
                            name,
                            Fit.filament(type, piece.volts(), piece.amperes(), AcSupply.HEATER),
                            piece.from(),
                            piece.to());
            }
        sockets.heaterLeaks(p, reference).forEach(l -> c.resistor(l.name(), l.heater(), l.to(), l.ohms()));
    }

    /** Whether the heater hangs on direct current, a battery or a rail: what alternates does not reach it. */
    private boolean byDirectCurrent(Part p, DeviceType type) {
        return sockets.heater(p).isPresent()
                && mains.map(m -> m.heat(p, type) < UNHEATED).orElse(true);
    }

    /** Puts a system in, with its heater's ends where direct current feeds them. */
    private void put(String name, Part p, DeviceType type, DeviceModel law, List<String> nets, Circuit.Builder c) {
        if (!byDirectCurrent(p, type) || law instanceof ColdLaw || type.heaterVolts() <= 0) {
            c.device(name, law, nets.toArray(new String[0]));
            return;
        }
        List<String> all = new ArrayList<>(nets);
        all.addAll(sockets.warming(p, type));
        c.device(name, heated(law, type.heaterVolts()), all.toArray(new String[0]));
    }

    private static DeviceModel heated(DeviceModel law, double volts) {
        return law instanceof Driven d ? d.of(new Heated(d.law(), volts)) : new Heated(law, volts);
    }

    private void section(Part p, DeviceType type, Section s, double emission, Circuit.Builder c) {
        String name = s.name().isEmpty() ? p.reference() : p.reference() + "." + s.name();
        String k = sockets.cathode(p, s.name());
        switch (s.kind()) {
            case DIODE -> {
                String plate = sockets.find(p, s.name(), "").orElseGet(() -> sockets.need(p, "d", s.name()));
                put(name, p, type, detecting(p, law(s, emission, 2), plate, k), List.of(plate, k), c);
            }
            case TRIODE -> {
                DeviceModel law = law(s, emission, 3);
                Optional<Section> partner = type.sections().stream()
                        .filter(x -> x.kind() == Section.Kind.HEPTODE)
                        .findFirst();
                if (partner.isPresent() && oscillates(p))
                    law = Driven.oscillating(law, 0, swing(p) * fitted.driveShare(partner.get()), 1, 2);
                else if (partner.isEmpty()) law = selfOscillating(p, s, gridDetecting(p, law));
                put(name, p, type, law, List.of(sockets.need(p, "g1", s.name()), sockets.need(p, "a", s.name()), k), c);
            }
            case PENTODE ->
                put(
                        name,
                        p,
                        type,
                        gridDetecting(p, law(s, emission, 4)),
                        List.of(
                                sockets.need(p, "g1", s.name()),
                                sockets.need(p, "g2", s.name()),
                                sockets.need(p, "a", s.name()),
                                k),
                        c);
            case GAS_REGULATOR -> c.device(name, law(s, emission, 2), sockets.need(p, "a", s.name()), k);
            case BARRETTER -> {
                // its wire is in the circuit as a heater
            }
            case RECTIFIER, GAS_RECTIFIER -> {
                if (direct()) rectifier(p, s, name, emission, c);
            }
            case HEPTODE ->
                put(
                        name,
                        p,
                        type,
                        converter(p, s, emission),
                        List.of(
                                sockets.need(p, "g1", s.name()),
                                sockets.need(p, "g2", s.name()),
                                sockets.need(p, "g3", s.name()),
                                sockets.need(p, "a", s.name()),
                                k),
                        c);
        }
    }

    /** On direct current it is a small drop in the line; on alternating current its supply stands for it. */
    private void rectifier(Part p, Section s, String name, double emission, Circuit.Builder c) {
        String k = sockets.find(p, "k", s.name()).orElseGet(() -> sockets.cathode(p, s.name()));
        DeviceModel law = new PassingRectifier(Fit.rectifier(s).weakened(Math.max(emission, 1e-12)));
        for (String a : List.of("a1", "a2", "a"))
            sockets.find(p, a, s.name()).ifPresent(net -> c.device(name + "." + a, law, net, k));
    }

    private DeviceModel converter(Part p, Section s, double emission) {
        DeviceModel law = law(s, emission, 5);
        if (emission <= 0 || !oscillates(p)) return law;
        return Driven.oscillating(law, s.oscillator().equals("g3") ? 2 : 0, swing(p) * fitted.driveShare(s), 1, 4);
    }

    /** A triode at a coil of the FM oscillator swings by a share of its plate's volts, on FM alone. */
    private DeviceModel selfOscillating(Part p, Section s, DeviceModel law) {
        if (law instanceof ColdLaw || !fm() || faults.stopsOscillator(chassis, p.reference())) return law;
        String grid = sockets.need(p, "g1", s.name());
        boolean coil = chassis.parts().stream().anyMatch(x -> x.is(PartRole.FM_OSCILLATOR_COIL) && x.touches(grid));
        return coil ? Driven.oscillating(law, 0, swing(p) * FM_DRIVE, 1, 2) : law;
    }

    private double swing(Part p) {
        return setting.trim(Setting.swing(p.reference()));
    }

    /** A grid that detects: a carrier drives it into its own current, and it biases itself. */
    private DeviceModel gridDetecting(Part p, DeviceModel law) {
        if (setting.carrier() <= 0 || law instanceof ColdLaw) return law;
        return Detector.ofGrid(chassis)
                        .filter(d -> d.element().equals(p.reference()))
                        .isPresent()
                ? Driven.carrying(law, 0, setting.carrier())
                : law;
    }

    /** A detector's diode under its carrier. */
    private DeviceModel detecting(Part p, DeviceModel law, String plate, String cathode) {
        if (setting.carrier() <= 0 || law instanceof ColdLaw) return law;
        return Detector.feeds(chassis, p, plate, cathode)
                .<DeviceModel>map(d -> Driven.carrying(law, 0, setting.carrier() * (1 + side(d) * setting.deviation())))
                .orElse(law);
    }

    /** Which of an FM detector's diodes it is: 1 for the first of its coil, −1 for the other. */
    private int side(Detector d) {
        if (setting.deviation() == 0) return 1;
        List<Detector> all = Detector.feeding(chassis, chassis.part(d.coil()).orElseThrow());
        return all.get(0).plate().equals(d.plate()) && all.get(0).cathode().equals(d.cathode()) ? 1 : -1;
    }

    /** An AM converter oscillates on every band but FM, unless something stops it. */
    private boolean oscillates(Part p) {
        return !fm() && setting.warm() && !faults.stopsOscillator(chassis, p.reference());
    }

    private boolean fm() {
        return chassis.band(PassiveStamps.band(chassis, setting))
                .map(Band::kind)
                .filter(k -> k == BandKind.FM)
                .isPresent();
    }

    private DeviceModel law(Section s, double emission, int terminals) {
        if (emission <= 1e-9) return new ColdLaw(terminals);
        DeviceModel full = fitted.of(s);
        if (Math.abs(emission - 1) < 1e-9) return full;
        if (full instanceof TriodeLaw t) return new TriodeLaw(t.space().times(emission), t.grid());
        if (full instanceof PentodeLaw t) return new PentodeLaw(t.space().times(emission), t.division(), t.grid());
        if (full instanceof HeptodeLaw t)
            return new HeptodeLaw(t.space().times(emission), t.division(), t.half(), t.width(), t.grid(), t.outer());
        return full;
    }

    private void semiconductor(Part p, Semiconductor s, Circuit.Builder c) {
        String ref = p.reference();
        if (faults.is(ref, FaultMode.OPEN) || faults.is(ref, FaultMode.DEAD)) return;
        if (s.kind() == SemiconductorKind.RECTIFIER) {
            if (direct())
                c.device(ref, new PassingRectifier(Fit.silicon()), sockets.need(p, "a", ""), sockets.need(p, "k", ""));
            return;
        }
        if (s.kind() == SemiconductorKind.JUNCTION) {
            if (faults.is(ref, FaultMode.SHORT))
                c.resistor(ref, sockets.need(p, "a", ""), sockets.need(p, "k", ""), Faults.SHORT);
            else {
                String plate = sockets.need(p, "a", "");
                String cathode = sockets.need(p, "k", "");
                c.device(ref, detecting(p, Fit.law(s), plate, cathode), plate, cathode);
            }
            return;
        }
        if (s.kind() == SemiconductorKind.FIELD_EFFECT) {
            c.device(
                    ref,
                    Fit.law(s),
                    sockets.need(p, "gate", ""),
                    sockets.need(p, "drain", ""),
                    sockets.need(p, "source", ""));
            return;
        }
        BipolarLaw law = (BipolarLaw) Fit.law(s);
        if (setting.trim(ref) != 1) law = law.withGain(law.forward() * setting.trim(ref));
        if (faults.is(ref, FaultMode.GAIN)) law = law.withGain(law.forward() * faults.number(ref, FaultMode.GAIN, 0.3));
        String collector = sockets.need(p, "c", "");
        String emitter = sockets.need(p, "e", "");
        String base = sockets.need(p, "b", "");
        c.device(ref, law, base, collector, emitter);
        String junction = ref + "." + Faults.BASE_EMITTER;
        if (faults.is(junction, FaultMode.SHORT)) c.resistor(junction, base, emitter, Faults.TRANSISTOR_SHORT);
        String other = ref + "." + Faults.BASE_COLLECTOR;
        if (faults.is(other, FaultMode.LEAKY))
            c.resistor(other, collector, base, faults.ohms(other, FaultMode.LEAKY, Faults.TRANSISTOR_LEAK));
        if (faults.is(ref, FaultMode.LEAKY))
            c.resistor(ref + ".leak", collector, emitter, faults.ohms(ref, FaultMode.LEAKY, Faults.TRANSISTOR_LEAK));
        if (faults.is(ref, FaultMode.SHORT)) c.resistor(ref + ".short", collector, emitter, Faults.TRANSISTOR_SHORT);
    }
}
