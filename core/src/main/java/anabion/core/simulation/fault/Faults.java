package anabion.core.simulation.fault;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Contact;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.error.InputException;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The faults of one setting, asked by part. */
public final class Faults {
    /** Insulation between an AC heater and everything else does not matter; a heater–cathode short is this many ohms. */
    public static final double HEATER_SHORT = 1000;
    /** What a short leaves, in ohms. */
    public static final double SHORT = 0.05;
    /** What a shorted transistor leaves, between collector and emitter or at a junction, in ohms. */
    public static final double TRANSISTOR_SHORT = 1;
    /** A transistor that is said to leak, and not how much. */
    public static final double TRANSISTOR_LEAK = 5e3;
    /** The junctions of a transistor, behind its reference. */
    public static final String BASE_EMITTER = "be";

    public static final String BASE_COLLECTOR = "bc";
    /** A capacitor that is said to leak, and not how much. */
    private static final double LEAK = 1e6;
    /** What a dried electrolytic keeps. */
    private static final double DRIED = 0.15;
    /** A resistor that is said to have drifted, and not how far, has risen so many times. */
    private static final double RISEN = 1.5;
    /** A tube below this share of its emission no longer oscillates. */
    private static final double STOPS = 0.3;
    /** A padder this many times too large or too small leaves the aerial circuits out of step by far more than they pass. */
    private static final double DISPLACED = 2;

    /** Ways of failing whose end is a short. */
    private static final Set<FaultMode> SHORTS = EnumSet.of(FaultMode.LEAKY, FaultMode.DRIFTED, FaultMode.WRONG);

    /** Nothing is wrong. */
    public static final Faults NONE = new Faults(List.of());

    private final List<Fault> all;
    /** Those that any of them has: most questions are of others. */
    private final Set<FaultMode> modes = EnumSet.noneOf(FaultMode.class);

    private Faults(List<Fault> all) {
        this.all = all;
        for (Fault f : all) modes.add(f.mode());
    }

    /** @throws InputException if a fault names a part that the chassis lacks, or one that cannot fail so */
    public Faults(Chassis chassis, List<Fault> all) {
        this(all);
        all.forEach(f -> FaultCheck.check(chassis, f));
    }

    /** Whether a part, section, winding or pin has a fault of a mode. */
    public boolean is(String reference, FaultMode mode) {
        return find(reference, mode).isPresent();
    }

    /** Whether it has one that concerns all of it, not a piece. */
    public boolean isWholly(String reference, FaultMode mode) {
        return find(reference, mode).filter(f -> f.amount().isEmpty()).isPresent();
    }

    /** Whether anything has a fault of a mode. */
    public boolean any(FaultMode mode) {
        return modes.contains(mode);
    }

    /** The fault of a mode that a part, section, winding or pin has. */
    public Optional<Fault> find(String reference, FaultMode mode) {
        if (!any(mode)) return Optional.empty();
        for (Fault f : all) if (f.target().equals(reference) && f.mode().equals(mode)) return Optional.of(f);
        return Optional.empty();
    }

    /** Whether a contact does not close where a switch stands: it alone, that position, or the whole switch. */
    public boolean parts(String reference, Contact contact, String position) {
        return all.stream()
                .filter(f -> f.target().equals(reference) && f.mode() == FaultMode.OPEN)
                .map(Fault::amount)
                .anyMatch(a -> a.isEmpty() || a.equals(position) || a.equals(contact.pair()));
    }

    /** The amount of a fault in ohms; a usual one where none is stated. */
    public double ohms(String reference, FaultMode mode, double usual) {
        return find(reference, mode)
                .filter(f -> !f.amount().isEmpty())
                .map(Faults::ohms)
                .orElse(usual);
    }

    private static double ohms(Fault f) {
        double ohms = f.ohms().value();
        if (ohms > 0) return ohms;
        throw InputException.at(f.text())
                .because("a resistance lies above zero")
                .so(
                        SHORTS.contains(f.mode())
                                ? "for none at all use " + f.target() + ":short"
                                : "write it like " + f.target() + ":" + f.mode().code() + ":1k");
    }

    /** What a resistor has: no end of ohms when open. */
    public double ohms(String reference, double sound) {
        if (is(reference, FaultMode.OPEN)) return Double.POSITIVE_INFINITY;
        if (is(reference, FaultMode.SHORT)) return SHORT;
        double drifted = ohms(reference, FaultMode.DRIFTED, is(reference, FaultMode.DRIFTED) ? RISEN * sound : sound);
        return ohms(reference, FaultMode.WRONG, drifted);
    }

    /** Whether a fault, and no tolerance, says what a resistor has. */
    public boolean decides(String reference) {
        boolean stated = find(reference, FaultMode.DRIFTED)
                .filter(f -> !f.amount().isEmpty())
                .isPresent();
        return stated
                || Stream.of(FaultMode.WRONG, FaultMode.OPEN, FaultMode.SHORT).anyMatch(mode -> is(reference, mode));
    }

    /**
     * What a section of a capacitor has: nothing when open, a share when it has dried, what is fitted when that is another. A fault that names no section is one
     * of all of them where it is open or dried, and of the first where it leaks or is shorted.
     *
     * @param section from 1
     */
    public double farads(Part part, int section, double sound) {
        if (isOf(part, section, FaultMode.OPEN)) return 0;
        Optional<Fault> dried = ofSection(part, section, FaultMode.DRIED);
        if (dried.isPresent()) return number(dried.get(), DRIED) * sound;
        return find(part.reference(), FaultMode.WRONG)
                .map(f -> f.farads().value())
                .orElse(sound);
    }

    /** Whether a fault is one of a section, named or not. */
    public boolean isOf(Part part, int section, FaultMode mode) {
        return ofSection(part, section, mode).isPresent();
    }

    /** A fault of a section, named or not. */
    public Optional<Fault> ofSection(Part part, int section, FaultMode mode) {
        if (!any(mode)) return Optional.empty();
        boolean whole = section == 1 || mode == FaultMode.OPEN || mode == FaultMode.DRIED;
        return find(part.reference() + "." + section, mode)
                .or(() -> whole ? find(part.reference(), mode) : Optional.empty());
    }

    /** What leaks across a section of a capacitor, in ohms; empty where it does not. */
    public OptionalDouble leak(Part part, int section) {
        Optional<Fault> shorted = ofSection(part, section, FaultMode.SHORT);
        if (shorted.isPresent())
            return OptionalDouble.of(shorted.get().amount().isEmpty() ? SHORT : ohms(shorted.get()));
        return ofSection(part, section, FaultMode.LEAKY)
                .map(f -> OptionalDouble.of(f.amount().isEmpty() ? LEAK : ohms(f)))
                .orElse(OptionalDouble.empty());
    }

    /** The amount of a fault as a plain number; a usual one where none is stated. */
    public double number(String reference, FaultMode mode, double usual) {
        return find(reference, mode).map(f -> number(f, usual)).orElse(usual);
    }

    private static double number(Fault f, double usual) {
        if (f.amount().isEmpty()) return usual;
        try {
            return Double.parseDouble(f.amount());
        } catch (NumberFormatException e) {
            throw InputException.at(f.text())
                    .because("\"" + f.amount() + "\" is no number")
                    .so("write it like V4:emission:0.3");
        }
    }

    /** Joints of a part that still conduct: each pin with its ohms. */
    public Map<String, Double> resistiveJoints(Part part) {
        Map<String, Double> found = new LinkedHashMap<>();
        for (Fault f : all)
            if (f.mode() == FaultMode.JOINT
                    && f.part().equals(part.reference())
                    && !f.amount().isEmpty())
                found.put(f.target().substring(part.reference().length() + 1), ohms(f));
        return found;
    }

    /** The net of a part's terminal; behind a bad joint it is another one. */
    public String net(Part part, String terminal) {
        String net = part.nets().get(terminal);
        if (net != null && !any(FaultMode.JOINT)) return net;
        String pin = part.reference() + "." + terminal;
        if (is(pin, FaultMode.JOINT)) return pin + "*";
        return net == null ? pin : net;
    }

    /** Share of a tube's emission that is left. */
    public double emission(String reference) {
        if (is(reference, FaultMode.DEAD) || isWholly(reference, FaultMode.HEATER_OPEN)) return 0;
        if (is(reference, FaultMode.WEAK)) return 0.5;
        return number(reference, FaultMode.EMISSION, 1);
    }

    /** Whether the oscillator runs so far off its dial that what it makes of the carrier does not pass. */
    public boolean displacesOscillator(Chassis chassis) {
        for (Fault f : all) {
            Optional<Part> part = chassis.part(f.part()).filter(p -> p.is(PartRole.PADDER));
            if (f.mode() == FaultMode.WRONG
                    && part.isPresent()
                    && part.get().component() instanceof Component.Capacitor c
                    && Math.abs(Math.log(f.farads().value() / c.farads().get(0))) > Math.log(DISPLACED)) return true;
        }
        return false;
    }

    /** Whether a part of the oscillator is broken. */
    public boolean stopsOscillator(Chassis chassis, String tube) {
        if (emission(tube) < STOPS) return true;
        for (Fault f : all) {
            Optional<PartRole> role = role(chassis, f);
            boolean gone = f.mode() == FaultMode.OPEN
                    && role.filter(PartRole::isTrimmer).isEmpty(); // without its trimmer it runs elsewhere
            if (oscillator(role) && (gone || f.mode() == FaultMode.SHORT || f.mode() == FaultMode.JOINT)) return true;
        }
        return false;
    }

    /** Whether a part of an oscillator is faulty, broken or not. */
    public boolean inOscillator(Chassis chassis) {
        return all.stream().anyMatch(f -> oscillator(role(chassis, f)));
    }

    private static Optional<PartRole> role(Chassis chassis, Fault f) {
        return chassis.part(f.part()).flatMap(Part::role);
    }

    private static boolean oscillator(Optional<PartRole> role) {
        return role.filter(PartRole::isOfOscillator).isPresent();
    }

    /** The references of the parts that are faulty. */
    public Set<String> parts() {
        return all.stream().map(Fault::part).collect(Collectors.toUnmodifiableSet());
    }
}
