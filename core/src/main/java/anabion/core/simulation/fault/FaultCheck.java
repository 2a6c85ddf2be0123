package anabion.core.simulation.fault;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Contact;
import anabion.core.chassis.DeviceKind;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.device.DeviceType;
import anabion.core.device.SemiconductorKind;
import anabion.core.error.InputException;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Unit;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Whether a fault is one that a chassis can have: what is asked is computed or refused, never silently dropped. */
final class FaultCheck {
    private FaultCheck() {}

    /** @throws InputException if a fault names a part, section, winding or pin that the chassis lacks, or a way or amount that the part cannot have */
    static void check(Chassis chassis, Fault f) {
        Part part = chassis.part(f.part()).orElseThrow(() -> InputException.at(f.text())
                .because("there is no part " + f.part())
                .so("name a part of this chassis"));
        List<FaultMode> modes = modes(part.component());
        if (!modes.contains(f.mode()))
            throw InputException.at(f.text())
                    .because("a " + part.component().kind() + " does not fail as \""
                            + f.mode().code() + "\"")
                    .so("use one of " + modes.stream().map(FaultMode::code).collect(Collectors.joining(", ")));
        target(f, part);
        amount(f, part);
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

    /** What stands behind the reference: a pin of a bad joint, a winding, a section of a can. */
    private static void target(Fault f, Part part) {
        if (f.target().equals(part.reference())) {
            if (f.mode().isOfWiring())
                throw InputException.at(f.text())
                        .because("a joint, or what touches the chassis, is at a pin")
                        .so("name the pin, such as " + part.reference() + "."
                                + behind(f.mode(), part).stream().findFirst().orElse("1") + ":"
                                + f.mode().code());
            return;
        }
        String behind = f.target().substring(part.reference().length() + 1);
        List<String> known = behind(f.mode(), part);
        if (!known.contains(behind))
            throw InputException.at(f.text())
                    .because(part.reference() + " has no \"" + behind + "\" that fails as \""
                            + f.mode().code() + "\"")
                    .so(
                            known.isEmpty()
                                    ? "use " + part.reference() + ":" + f.mode().code()
                                    : "use one of "
                                            + String.join(
                                                    ", ",
                                                    known.stream()
                                                            .map(k -> part.reference() + "." + k)
                                                            .toList()));
    }

    private static List<String> behind(FaultMode mode, Part part) {
        if (mode == FaultMode.JOINT) return List.copyOf(part.nets().keySet());
        if (mode == FaultMode.EARTHED) return Sockets.heaterPins(part);
        if (mode == FaultMode.HEATER_CATHODE) return Sockets.cathodes(part);
        if (part.component() instanceof Component.Capacitor c && c.farads().size() > 1 && mode != FaultMode.WRONG)
            return IntStream.rangeClosed(1, c.farads().size())
                    .mapToObj(String::valueOf)
                    .toList();
        if (part.component() instanceof Component.Windings w)
            return w.windings().stream().map(x -> x.name()).distinct().toList();
        if (isTransistor(part) && mode == FaultMode.SHORT) return List.of(Faults.BASE_EMITTER);
        if (isTransistor(part) && mode == FaultMode.LEAKY) return List.of(Faults.BASE_COLLECTOR);
        return List.of();
    }

    private static boolean isTransistor(Part part) {
        return Sockets.type(part)
                .flatMap(DeviceType::semiconductor)
                .filter(s -> s.kind() == SemiconductorKind.BIPOLAR)
                .isPresent();
    }

    /** Whether the way of failing takes an amount, and of which kind. */
    private static void amount(Fault f, Part part) {
        if (f.amount().isEmpty()) return;
        boolean share = f.mode() == FaultMode.DRIED
                || (f.mode() == FaultMode.MISTUNED && f.plain())
                || (f.mode() == FaultMode.SHORT && part.component() instanceof Component.Windings);
        if (f.mode() == FaultMode.MISTUNED && !f.plain() && !isReactance(f))
            throw InputException.at(f.text())
                    .because("a core is off by a share, or by as much as some capacitance or inductance")
                    .so("write it like " + f.target() + ":mistuned:0.06, " + f.target() + ":mistuned:8pF or "
                            + f.target() + ":mistuned:40uH");
        if (share && !isShare(f.amount()))
            throw InputException.at(f.text())
                    .because("a share lies between 0 and 1")
                    .so("write it like " + f.target() + ":" + f.mode().code() + ":0.2");
        if (f.mode() == FaultMode.WEAK && takesAmount(f, part) && isShare(f.amount()))
            throw InputException.at(f.text())
                    .because("it is weak by so many ohms in series, not by a share")
                    .so("write it like " + f.target() + ":weak:500R");
        if (f.mode() == FaultMode.HEATER_OPEN && takesAmount(f, part)) {
            List<String> known = Sockets.tapped(part);
            if (!known.contains(f.amount()))
                throw InputException.at(f.text())
                        .because(f.part() + " has no such piece of its heater")
                        .so("use one of " + String.join(", ", known) + ", or none for all of it");
        }
        if (f.mode() == FaultMode.JOINT
                && !Sockets.conductsBadly(
                        part, f.target().substring(part.reference().length() + 1)))
            throw InputException.at(f.text())
                    .because(
                            "a joint with ohms is computed at the pins of tubes and transistors, but at a rectifier's heater alone")
                    .so("use " + f.target() + ":joint for an open one");
        if (takesAmount(f, part)) return;
        throw InputException.at(f.text())
                .because("\"" + f.mode().code() + "\" of a " + part.component().kind() + " takes no amount")
                .so(instead(f));
    }

    private static boolean takesAmount(Fault f, Part part) {
        Component c = part.component();
        return switch (f.mode()) {
            case DRIFTED, WRONG, LEAKY, EMISSION, GAIN, GASSY, HEATER_CATHODE, CORE, DRIED, JOINT -> true;
            case OPEN -> c instanceof Component.Switch;
            case SHORT -> c instanceof Component.Windings || c instanceof Component.Capacitor;
            case WEAK -> c instanceof Component.Battery || part.is(PartRole.METAL_RECTIFIER);
            case MISTUNED -> c instanceof Component.Windings;
            case HEATER_OPEN -> !Sockets.tapped(part).isEmpty();
            case DEAD, EARTHED -> false;
        };
    }

    private static boolean isReactance(Fault f) {
        boolean named = f.amount().endsWith(Unit.FARAD.code()) || f.amount().endsWith(Unit.HENRY.code());
        return named && f.size().value() > 0;
    }

    private static boolean isShare(String amount) {
        try {
            double share = Double.parseDouble(amount);
            return share > 0 && share < 1;
        } catch (NumberFormatException e) {
            return false;
        }
    }

    private static String instead(Fault f) {
        return switch (f.mode()) {
            case WEAK -> "use " + f.target() + ":weak, or for a tube " + f.target() + ":emission:0.3";
            case SHORT -> "use " + f.target() + ":short, or " + f.target() + ":leaky:100R";
            case OPEN -> "use " + f.target() + ":open, or for a resistor " + f.target() + ":drifted:1M";
            case DEAD,
                    HEATER_OPEN,
                    JOINT,
                    MISTUNED,
                    DRIFTED,
                    WRONG,
                    LEAKY,
                    EMISSION,
                    GAIN,
                    GASSY,
                    HEATER_CATHODE,
                    EARTHED,
                    CORE,
                    DRIED -> "use " + f.target() + ":" + f.mode().code();
        };
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
                        FaultMode.EARTHED,
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
}
