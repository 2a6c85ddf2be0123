package anabion.core.recap;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.device.DeviceType;
import anabion.core.error.InputException;
import anabion.core.rectifier.Cycle;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Computes what each capacitor bears: the set solved at its nominal line, at {@value #HIGH} times that, and at high line with every tube
 * still cold but the rectifier working, when rails rise to the peak of the unloaded winding. Line and rectifier sides add their alternating
 * peaks; at an output plate sound swings to twice the direct volts.
 */
public final class Stresses {
    /** High line over nominal. */
    public static final double HIGH = 1.1;

    /** Volts of a cell of a lead battery, at rest and under charge. */
    private static final double CELL = 2.1;

    private static final double CHARGED = 2.4;
    private static final double SWING = 2;

    private final OperatingPoint normal;
    private final OperatingPoint high;
    private final OperatingPoint start;
    private final NetClassifier around;

    /** Volts of the high line. */
    private final double line;

    private Stresses(Chassis chassis, OperatingPoint normal, OperatingPoint high, OperatingPoint start) {
        this.line = high(chassis);
        this.normal = normal;
        this.high = high;
        this.start = start;
        this.around = new NetClassifier(chassis, normal);
    }

    /** @throws InputException if the circuit does not settle, with what to look at */
    static Stresses of(Chassis chassis) {
        Simulator engine = new Simulator();
        Setting usual = Setting.of(chassis.supply().volts());
        Setting lifted = usual.withLine(high(chassis));
        OperatingPoint normal = settled(engine.solve(chassis, usual), chassis);
        OperatingPoint high = settled(engine.solve(chassis, lifted), chassis);
        OperatingPoint start = settled(coldStart(engine, chassis), chassis);
        return new Stresses(chassis, normal, high, start);
    }

    /** The highest volts that feed a set: a car's battery under charge, else the nominal line and a tenth. */
    public static double high(Chassis chassis) {
        double volts = chassis.supply().volts();
        return chassis.inCar() ? CHARGED * Math.max(1, Math.round(volts / CELL)) : HIGH * volts;
    }

    /** The set at high line before its tubes have warmed, its rectifier already at work: the highest that rails ever stand. */
    public static OperatingPoint coldStart(Simulator engine, Chassis chassis) {
        return engine.solve(chassis, Setting.of(high(chassis)).withFaults(cold(chassis)));
    }

    private static OperatingPoint settled(OperatingPoint o, Chassis chassis) {
        if (o.converged()) return o;
        throw InputException.at(chassis.name())
                .because("the circuit as entered does not settle at "
                        + String.join(", ", o.direct().unsettled()))
                .so("look at the checks of the Study sheet first");
    }

    /** All tubes but the rectifiers without emission. */
    public static List<Fault> cold(Chassis chassis) {
        List<Fault> dead = new ArrayList<>();
        for (Part p : chassis.parts()) {
            Optional<DeviceType> type = Sockets.type(p);
            if (type.isEmpty()
                    || type.get().semiconductor().isPresent()
                    || type.get().heaterVolts() <= 0) continue;
            if (!type.get().rectifies()) dead.add(Fault.of(p.reference(), FaultMode.DEAD));
        }
        return dead;
    }

    NetClassifier around() {
        return around;
    }

    OperatingPoint normal() {
        return normal;
    }

    Stress of(CapacitorSection c, Role role) {
        double usual = across(normal, c);
        double most = across(high, c);
        double first = across(start, c);
        double peak = Math.max(alternating(c), swing(c, role, most));
        if (role.rule() == Role.Rule.SAFETY) peak = Math.max(peak, Math.sqrt(2) * line);
        if (role == Role.DOUBLER) peak = Math.max(peak, doubled());
        if (role == Role.RESERVOIR) peak = Math.max(peak, Math.max(Math.abs(most), Math.abs(first)) + ripple(c) / 2);
        return new Stress(usual, first, most, peak, role == Role.RESERVOIR ? amperes(c) : 0);
    }

    private static double across(OperatingPoint o, CapacitorSection c) {
        return o.volts(c.plus()).orElse(0) - o.volts(c.minus()).orElse(0);
    }

    /** Peak of the mains or the winding between its ends at high line. */
    private double alternating(CapacitorSection c) {
        if (high.mains().isEmpty()) return 0;
        double direct = Math.abs(across(high, c));
        double v = high.mains().get().volts(c.plus()).orElse(0)
                - high.mains().get().volts(c.minus()).orElse(0);
        return Math.abs(v) < 1 ? 0 : Math.sqrt(2) * Math.abs(v) + direct;
    }

    private double swing(CapacitorSection c, Role role, double direct) {
        boolean loud = role == Role.PLATE_TONE
                || role == Role.COLLECTOR_TONE
                || around.output(c.plus())
                || around.output(c.minus());
        boolean plate = loud
                && (around.on(c.plus(), "a", "c").isPresent()
                        || around.on(c.minus(), "a", "c").isPresent());
        if (!plate) return 0;
        double rail = Math.max(Math.abs(around.dc(c.plus())), Math.abs(around.dc(c.minus())));
        return Math.max(Math.abs(direct), SWING * HIGH * rail);
    }

    /** Half of what the doubler gives without load, at high line. */
    private double doubled() {
        return start.supplies().keySet().stream()
                .mapToDouble(n -> Math.abs(start.volts(n).orElse(0)) / 2)
                .max()
                .orElse(0);
    }

    private Optional<Cycle> cycle(CapacitorSection c) {
        return Optional.ofNullable(high.supplies().get(c.plus()))
                .or(() -> Optional.ofNullable(high.supplies().get(c.minus())));
    }

    private double ripple(CapacitorSection c) {
        return cycle(c).map(Cycle::ripple).orElse(0.0);
    }

    /** Of a reservoir: what the rectifier gives effectively, less the mean that flows on. */
    private double amperes(CapacitorSection c) {
        String net = high.supplies().containsKey(c.plus()) ? c.plus() : c.minus();
        return high.rippleAmperes().getOrDefault(net, 0.0);
    }
}
