package anabion.instruments.simulated;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartLead;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import anabion.core.device.DeviceType;
import anabion.core.error.InputException;
import anabion.core.power.SeriesLamp;
import anabion.core.signal.Domain;
import anabion.core.simulation.cold.ColdSet;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Sockets;
import anabion.instruments.Hands.Seen;
import anabion.instruments.Hands.Sign;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.function.DoubleSupplier;

/** A set with its instruments, and whose hands are on them. One thing is done at a time. */
final class Bench {
    /** Of a meter on direct volts; on alternating volts it loads next to nothing here. */
    private static final double METER_OHMS = 10e6;
    /** Volts of an ohmmeter with open leads. */
    private static final double TEST_VOLTS = 0.5;
    /** Share of its rated watts from which a heater is seen. */
    private static final double LIT = 0.25;
    /** Of the nominal line, from which dark tubes are looked for. */
    private static final double LOOKED = 0.5;
    /** A tester rejects a tube or transistor that gives less than this. */
    private static final double REJECTED = 0.7;

    private final SimulatedSet set;
    private final Shown shown;
    private final Ear ear;
    private final DoubleSupplier clock;
    private final Points points;
    private final double insulation;
    private final Map<List<Fault>, ColdSet> unplugged = new HashMap<>();
    private double last;
    private String plus = "";
    private String minus = "";
    private Optional<String> at = Optional.empty();
    private Domain domain = Domain.AF;
    private double hertz = 1000;
    private double volts;
    private boolean gives;
    /** Where the dial stands, in hertz; empty where somebody keeps it on the generator's signal. */
    private OptionalDouble tuned = OptionalDouble.empty();

    /**
     * @param wrong what is wrong with it
     * @param seed decides parts, instruments and how its cores are set
     * @param clock seconds, ever growing
     * @throws InputException if the set cannot be computed
     */
    Bench(Chassis chassis, List<Fault> wrong, long seed, DoubleSupplier clock) {
        this.set = new SimulatedSet(chassis, wrong, seed);
        this.shown = new Shown(seed);
        this.ear = new Ear(set);
        this.clock = clock;
        this.points = Points.of(chassis);
        this.last = clock.getAsDouble();
        // electrolytics that have lain: anything from a twentieth of the usual insulation to five times
        this.insulation = Math.pow(10, -1.3 + 2 * new Random(seed).nextDouble());
        this.minus = chassis.reference();
        this.plus = chassis.reference();
    }

    /** Lets the time pass that has passed by the clock. */
    synchronized void pass() {
        double now = clock.getAsDouble();
        set.pass(Math.max(0, now - last));
        last = now;
    }

    // --- hands ---

    synchronized void probe(String one, String other) {
        String first = net(one);
        minus = net(other);
        plus = first;
    }

    /** Of a net, a pin, or the terminal of any part, as transformers have them. */
    private String net(String point) {
        int dot = point.indexOf('.');
        Optional<String> terminal = dot < 0
                ? Optional.empty()
                : set.chassis().part(point.substring(0, dot)).map(p -> p.nets().get(point.substring(dot + 1)));
        return points.find(point).map(Point::net).or(() -> terminal).orElseGet(() -> points.need(point)
                .net());
    }

    synchronized void inject(String point, Domain signal) {
        at = point.isEmpty()
                ? Optional.empty()
                : Optional.of(points.find(point).map(p -> p.label()).orElse(point));
        domain = signal;
    }

    synchronized void band(String name) {
        if (set.chassis().band(name).isEmpty())
            throw InputException.at(name).because("this set has no such band").so("name one that it has");
        pass();
        set.band(name);
    }

    /** @param frequency of the dial, in hertz; 0 for one that is kept on the generator's signal */
    synchronized void tune(double frequency) {
        tuned = frequency > 0 ? OptionalDouble.of(frequency) : OptionalDouble.empty();
    }

    synchronized void adjust(String letter, double turns) {
        set.adjustments().turn(letter, turns);
    }

    synchronized void lamp(String words) {
        pass();
        Optional<SeriesLamp> lamp = words.isEmpty() ? Optional.empty() : SeriesLamp.written(words, set.nominalVolts());
        if (!words.isEmpty() && lamp.isEmpty())
            throw InputException.at(words).because("this is no lamp").so("write it like 100W or 2x60W");
        set.lamp(lamp);
    }

    synchronized void lift(List<String> parts) {
        for (String p : parts) if (PartLead.named(set.chassis(), p).isEmpty()) part(p);
        pass();
        set.lift(parts);
    }

    synchronized void renew(String reference) {
        Part part = part(reference);
        pass();
        set.renew(part.reference());
    }

    private Part part(String reference) {
        return set.chassis().part(reference).orElseThrow(() -> InputException.at(reference)
                .because("the set has no such part")
                .so("name one of its parts list"));
    }

    synchronized void pause(double seconds) {
        pass();
        set.pass(seconds);
    }

    synchronized String listen() {
        pass();
        return ear.onTheAir().code();
    }

    /** A tester, or a good one in its place. */
    synchronized boolean test(String reference) {
        String part = part(reference).reference();
        return set.faults().stream().noneMatch(f -> f.part().equals(part) && noticed(f));
    }

    private static boolean noticed(Fault f) {
        boolean share = f.plain() && f.mode() != FaultMode.GASSY && !f.amount().isEmpty();
        return !share || Double.parseDouble(f.amount()) < REJECTED;
    }

    synchronized List<Seen> look() {
        pass();
        List<Seen> all = new ArrayList<>();
        set.lamp()
                .filter(l -> set.on())
                .ifPresent(l -> all.add(new Seen(
                        Sign.LAMP, l.glow(l.across(set.load().amperes())).code())));
        set.point()
                .filter(o -> set.load().volts() > LOOKED * set.nominalVolts())
                .ifPresent(o -> set.chassis().parts().forEach(p -> {
                    if (dark(p, o)) all.add(new Seen(Sign.DARK, p.reference()));
                }));
        all.addAll(set.heat().signs());
        return all;
    }

    private static boolean dark(Part p, OperatingPoint o) {
        Optional<DeviceType> type = Sockets.type(p);
        double rated = type.map(t -> t.heaterVolts() * t.heaterAmperes()).orElse(0.0);
        return rated > 0 && o.heaterWatts(p.reference()) < LIT * rated;
    }

    // --- instruments ---

    synchronized String directVolts(OptionalDouble expected) {
        pass();
        return shown.direct(set.direct(plus, minus, METER_OHMS), expected);
    }

    synchronized String alternatingVolts(OptionalDouble expected) {
        pass();
        return shown.alternating(set.alternating(plus, minus), expected);
    }

    /** An ohmmeter on volts shows anything but ohms; this one says that it is beyond its range. */
    synchronized String ohms() {
        pass();
        if (set.live(plus, minus)) return Shown.BEYOND;
        ColdSet cold = unplugged.computeIfAbsent(
                set.faults(), f -> ColdSet.of(set.chassis(), set.sound().withFaults(f), insulation));
        return shown.ohms(cold.between(plus, minus, TEST_VOLTS));
    }

    synchronized String lineVolts() {
        pass();
        return shown.alternating(set.load().volts(), OptionalDouble.empty());
    }

    synchronized String amperes() {
        pass();
        return shown.amperes(set.load().amperes());
    }

    synchronized String watts() {
        pass();
        return shown.watts(set.load().watts());
    }

    synchronized String outputVolts() {
        pass();
        Optional<Ear.Injected> signal =
                gives ? at.map(p -> new Ear.Injected(p, domain, hertz, volts, tuned)) : Optional.empty();
        return shown.alternating(ear.volts(signal), OptionalDouble.empty());
    }

    synchronized void turn(double dial) {
        pass();
        set.turn(dial);
    }

    synchronized double dial() {
        return set.dial();
    }

    synchronized void frequency(double value) {
        hertz = value;
    }

    synchronized void level(double value) {
        volts = value;
    }

    synchronized void gives(boolean on) {
        gives = on;
    }
}
