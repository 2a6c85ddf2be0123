package anabion.core.simulation.fault;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Contact;
import anabion.core.chassis.DeviceKind;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.error.InputException;
import anabion.core.quantity.Figures;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The faults of one setting, asked by part. */
public final class Faults {
    /** Insulation between an AC heater and everything else does not matter; a heater–cathode short is this many ohms. */
    public static final double HEATER_SHORT = 1000;
    /** What a short leaves, in ohms. */
    public static final double SHORT = 0.05;
    /** What a dried electrolytic keeps. */
    private static final double DRIED = 0.15;
    /** A resistor that is said to have drifted, and not how far, has risen so many times. */
    private static final double RISEN = 1.5;
    /** A tube below this share of its emission no longer oscillates. */
    private static final double STOPS = 0.3;
    /** A padder this many times too large or too small leaves the aerial circuits out of step by far more than they pass. */
    private static final double DISPLACED = 2;

    /** Nothing is wrong. */
    public static final Faults NONE = new Faults(List.of());

    private final List<Fault> all;

    private Faults(List<Fault> all) {
        this.all = all;
    }

    /** @throws InputException if a fault names a part that the chassis lacks, or one that cannot fail so */
    public Faults(Chassis chassis, List<Fault> all) {
        this.all = all;
        all.forEach(f -> check(chassis, f));
    }

    private static void check(Chassis chassis, Fault f) {
        Part part = chassis.part(f.part()).orElseThrow(() -> InputException.at(f.text())
                .because("there is no part " + f.part())
                .so("name a part of this chassis"));
        List<FaultMode> modes = modes(part.component());
        if (!modes.contains(f.mode()))
            throw InputException.at(f.text())
                    .because("a " + part.component().kind() + " does not fail as \""
                            + f.mode().code() + "\"")
                    .so("use one of " + modes.stream().map(FaultMode::code).collect(Collectors.joining(", ")));
        if (part.component() instanceof Component.Switch s) check(f, s);
        if (part.component() instanceof Component.Windings w && f.mode() != FaultMode.JOINT) check(f, w);
        if (f.mode() == FaultMode.WRONG) checkFitted(f, part.component());
        if (f.amount().startsWith("-") || f.amount().startsWith("−"))
            throw InputException.at(f.text())
                    .because("the amount lies below zero")
                    .so("give a size, or leave it out");
    }

    private static void check(Fault f, Component.Switch s) {
        List<String> known = Stream.concat(
                        s.positions().stream(), s.contacts().stream().map(Contact::pair))
                .toList();
        if (!f.amount().isEmpty() && !known.contains(f.amount()))
            throw InputException.at(f.text())
                    .because(f.part() + " has no position and no contact \"" + f.amount() + "\"")
                    .so("use one of " + String.join(", ", known) + ", or none for all of them");
    }

    private static void check(Fault f, Component.Windings w) {
        if (f.target().equals(f.part())) return;
        List<String> names = w.windings().stream()
                .map(x -> f.part() + "." + x.name())
                .distinct()
                .toList();
        if (!names.contains(f.target()))
            throw InputException.at(f.text())
                    .because(f.part() + " has no winding of that name")
                    .so("use one of " + String.join(", ", names));
    }

    private static void checkFitted(Fault f, Component c) {
        boolean capacitor = c instanceof Component.Capacitor;
        if (c instanceof Component.Capacitor k && k.farads().size() > 1)
            throw InputException.at(f.text())
                    .because(f.part() + " has several sections")
                    .so("enter them as single parts, or use " + f.part() + ":dried");
        if (f.amount().isEmpty())
            throw InputException.at(f.text())
                    .because("it does not say what is fitted")
                    .so("add the value, such as " + f.text() + (capacitor ? ":470pF" : ":4k7"));
        if (!capacitor) return;
        double farads = f.farads().value();
        if (farads <= 0 || farads >= 1)
            throw InputException.at(f.text())
                    .because("no capacitor of a receiver has " + Figures.si(f.farads()))
                    .so("write it like 470pF; for none at all use " + f.part() + ":open");
    }

    /** The ways in which a kind of part fails. */
    private static List<FaultMode> modes(Component c) {
        if (c instanceof Component.Resistor)
            return List.of(FaultMode.OPEN, FaultMode.SHORT, FaultMode.DRIFTED, FaultMode.WRONG, FaultMode.JOINT);
        if (c instanceof Component.Potentiometer) return List.of(FaultMode.OPEN, FaultMode.DRIFTED, FaultMode.JOINT);
        if (c instanceof Component.Capacitor)
            return List.of(
                    FaultMode.OPEN,
                    FaultMode.SHORT,
                    FaultMode.LEAKY,
                    FaultMode.DRIED,
                    FaultMode.WRONG,
                    FaultMode.MISTUNED,
                    FaultMode.JOINT);
        if (c instanceof Component.Windings)
            return List.of(
                    FaultMode.OPEN,
                    FaultMode.SHORT,
                    FaultMode.LEAKY,
                    FaultMode.CORE,
                    FaultMode.MISTUNED,
                    FaultMode.JOINT);
        if (c instanceof Component.Battery) return List.of(FaultMode.OPEN, FaultMode.WEAK, FaultMode.JOINT);
        if (!(c instanceof Component.Device d)) return List.of(FaultMode.OPEN, FaultMode.JOINT);
        return d.deviceKind() == DeviceKind.TUBE
                ? List.of(
                        FaultMode.DEAD,
                        FaultMode.WEAK,
                        FaultMode.EMISSION,
                        FaultMode.GASSY,
                        FaultMode.HEATER_OPEN,
                        FaultMode.HEATER_CATHODE,
                        FaultMode.JOINT)
                : List.of(
                        FaultMode.OPEN,
                        FaultMode.SHORT,
                        FaultMode.LEAKY,
                        FaultMode.GAIN,
                        FaultMode.WEAK,
                        FaultMode.DEAD,
                        FaultMode.JOINT);
    }

    public boolean is(String reference, FaultMode mode) {
        return find(reference, mode).isPresent();
    }

    public Optional<Fault> find(String reference, FaultMode mode) {
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
                .so("for none at all use " + f.target() + ":short");
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

    /** What a capacitor has: nothing when open, a share when it has dried, what is fitted when that is another. */
    public double farads(String reference, double sound) {
        if (is(reference, FaultMode.OPEN)) return 0;
        if (is(reference, FaultMode.DRIED)) return DRIED * sound;
        return find(reference, FaultMode.WRONG).map(f -> f.farads().value()).orElse(sound);
    }

    /** The amount of a fault as a plain number; a usual one where none is stated. */
    public double number(String reference, FaultMode mode, double usual) {
        Optional<Fault> f = find(reference, mode).filter(x -> !x.amount().isEmpty());
        if (f.isEmpty()) return usual;
        try {
            return Double.parseDouble(f.get().amount());
        } catch (NumberFormatException e) {
            throw InputException.at(f.get().text())
                    .because("\"" + f.get().amount() + "\" is no number")
                    .so("write it like V4:emission:0.3");
        }
    }

    /** The net of a part's terminal; a bad joint there cuts it off. */
    public String net(Part part, String terminal) {
        String pin = part.reference() + "." + terminal;
        String net = part.nets().getOrDefault(terminal, pin);
        return is(pin, FaultMode.JOINT) ? pin + "*" : net;
    }

    /** Share of a tube's emission that is left. */
    public double emission(String reference) {
        if (is(reference, FaultMode.DEAD) || is(reference, FaultMode.HEATER_OPEN)) return 0;
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
