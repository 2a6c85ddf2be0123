package anabion.core.simulation.fault;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component.Device;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PinNames;
import anabion.core.device.DeviceType;
import anabion.core.device.SemiconductorKind;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Which net carries which electrode of a device. */
public final class Sockets {
    private final Faults faults;

    /** @param faults with what they open, and which parts are out */
    public Sockets(Faults faults) {
        this.faults = faults;
    }

    /** The type of a tube or semiconductor; empty for another part and for an unknown type. */
    public static Optional<DeviceType> type(Part part) {
        return part.device().flatMap(Device::known);
    }

    /**
     * The net of an electrode.
     *
     * @param section of a tube with several; its own electrodes come before shared ones
     * @return empty if the part has no such pin
     */
    public Optional<String> find(Part part, String function, String section) {
        return pin(part, function, section).map(p -> faults.net(part, p));
    }

    /** The pin of an electrode, as people name it: {@code V1.6}. */
    public static Optional<String> named(Part part, String function, String section) {
        return pin(part, function, section).map(p -> part.reference() + "." + p);
    }

    /** The net of an electrode; one of its own, joined to nothing, if the part has no such pin. */
    public String need(Part part, String function, String section) {
        return find(part, function, section).orElse(part.reference() + "." + function + section);
    }

    /** The connected pin of an electrode; one of the section's own comes before a shared one. */
    public static Optional<String> pin(Part part, String function, String section) {
        return pin(part, function + section).or(() -> pin(part, function));
    }

    /** The connected pin of the cathode, or of the negative end of a filament. */
    public static Optional<String> cathodePin(Part part, String section) {
        return pin(part, "k", section).or(() -> pin(part, "f-", "")).or(() -> pin(part, "f", ""));
    }

    /** Combined functions may carry their section once, behind the last: {@code g2+g4H}. */
    private static Optional<String> pin(Part part, String wanted) {
        Map<String, String> functions = part.device().map(Device::functions).orElse(Map.of());
        int end = 0;
        while (end < wanted.length() && Character.isLowerCase(wanted.charAt(end))) end++;
        if (end < wanted.length() && Character.isDigit(wanted.charAt(end))) end++;
        String plain = wanted.substring(0, end);
        String section = wanted.substring(end);
        for (Map.Entry<String, String> f : functions.entrySet()) {
            if (!part.nets().containsKey(f.getKey())) continue;
            if (f.getValue().indexOf('+') < 0) {
                if (f.getValue().equals(wanted)) return Optional.of(f.getKey());
                continue;
            }
            String[] names = f.getValue().split("\\+");
            String last = names[names.length - 1];
            for (String name : names) {
                if (name.equals(wanted)) return Optional.of(f.getKey());
                if (!section.isEmpty() && name.equals(plain) && last.endsWith(section)) return Optional.of(f.getKey());
            }
        }
        return Optional.empty();
    }

    /** The nets at the ends of a heater or filament; empty if they are not both connected. */
    public Optional<List<String>> heater(Part part) {
        List<String> pins = part.device().orElseThrow().functions().entrySet().stream()
                .filter(f -> isEnd(f.getValue()) && part.nets().containsKey(f.getKey()))
                .map(Map.Entry::getKey)
                .toList();
        if (pins.size() < 2) return Optional.empty();
        return Optional.of(List.of(faults.net(part, pins.get(0)), faults.net(part, pins.get(pins.size() - 1))));
    }

    /** The connected pins of a tube's heater or filament: its ends, and its tap. */
    public static List<String> heaterPins(Part part) {
        return part.device().orElseThrow().functions().entrySet().stream()
                .filter(f -> isEnd(f.getValue()) || isTap(f.getValue()))
                .filter(f -> part.nets().containsKey(f.getKey()))
                .map(Map.Entry::getKey)
                .toList();
    }

    /**
     * A piece of a heater between two nets: all of it, or what lies on one side of its tap.
     *
     * @param volts rated
     * @param amperes at the rated volts
     */
    public record HeaterPiece(String from, String to, double volts, double amperes) {
        /** Of the hot heater. */
        public double ohms() {
            return volts / amperes;
        }
    }

    /**
     * The pieces of a heater or filament as connected, but for one that is broken; none if an end is not connected. A filament's tap has each half at the rated volts and half the current; a
     * heater's tap divides it as the type states, else in the middle.
     */
    public List<HeaterPiece> pieces(Part part, DeviceType type) {
        List<HeaterPiece> all = connected(part, type);
        Optional<Fault> broken = faults.find(part.reference(), FaultMode.HEATER_OPEN);
        if (broken.isEmpty()) return all;
        List<String> whole = tapped(part);
        if (all.size() != whole.size()) return all;
        int gone = whole.indexOf(broken.get().amount());
        return gone < 0 ? all : List.of(all.get(1 - gone));
    }

    /** Whether a heater or filament conducts nowhere. */
    public boolean isOpen(Part part) {
        return faults.isWholly(part.reference(), FaultMode.HEATER_OPEN);
    }

    /** The nets between which a heater's rated volts stand: of a tapped filament one half that is whole. */
    public List<String> warming(Part part, DeviceType type) {
        List<HeaterPiece> pieces = pieces(part, type);
        boolean halves = pin(part, "fm").isPresent() && !pieces.isEmpty();
        return halves
                ? List.of(pieces.get(0).from(), pieces.get(0).to())
                : heater(part).orElseThrow();
    }

    /** Share of a filament that emits: of a tapped one each half by itself. */
    public double emitting(Part part, DeviceType type) {
        boolean halves = pin(part, "fm").isPresent() && tapped(part).size() > 1;
        return halves && pieces(part, type).size() < 2 ? 0.5 : 1;
    }

    /** Both sides of a heater's or filament's tap, named by their pins; none where it has no tap, or that is not connected. */
    public static List<String> tapped(Part part) {
        if (!part.isTube()) return List.of();
        List<String> pins = part.device().orElseThrow().functions().entrySet().stream()
                .filter(f -> isEnd(f.getValue()) && part.nets().containsKey(f.getKey()))
                .map(Map.Entry::getKey)
                .toList();
        Optional<String> tap = pin(part, "fm", "").or(() -> pin(part, "hm", ""));
        if (pins.size() < 2 || tap.isEmpty()) return List.of();
        return List.of(pins.get(0) + "/" + tap.get(), tap.get() + "/" + pins.get(pins.size() - 1));
    }

    /** Whether a joint at a pin may have some ohms: at a rectifier's plates and cathodes it holds or is open, since its rail is computed from there. */
    public static boolean conductsBadly(Part part, String pin) {
        boolean rectifies = type(part).filter(DeviceType::rectifies).isPresent()
                || type(part)
                        .flatMap(DeviceType::semiconductor)
                        .filter(s -> s.kind() == SemiconductorKind.RECTIFIER)
                        .isPresent();
        return part.device().isPresent() && (!rectifies || heats(part, part.reference() + "." + pin));
    }

    /** The connected pins of a tube's cathodes that are parts of their own beside the heater. */
    public static List<String> cathodes(Part part) {
        if (!part.isTube()) return List.of();
        return part.device().orElseThrow().functions().entrySet().stream()
                .filter(f -> PinNames.isCathode(f.getValue()) && !isEnd(f.getValue()))
                .map(Map.Entry::getKey)
                .filter(part.nets()::containsKey)
                .toList();
    }

    /**
     * A leak from a heater to a cathode, or to the chassis.
     *
     * @param name of its element
     * @param heater net of the heater's end where it begins
     * @param to net of the cathode or the chassis
     */
    public record HeaterLeak(String name, String heater, String to, double ohms) {}

    /**
     * The leaks from a tube's heater: to the cathode whose pin a fault names, to the first where it names none, and what a pin of it passes to the chassis.
     *
     * @param reference the net of the chassis
     */
    public List<HeaterLeak> heaterLeaks(Part part, String reference) {
        if (!part.isTube()) return List.of();
        List<HeaterLeak> all = new ArrayList<>(earthed(part, reference));
        if (faults.any(FaultMode.HEATER_CATHODE)) all.addAll(toCathodes(part));
        return all;
    }

    /** Of the leaks of a heater those to the chassis, which are there whether it is hot or cold. */
    public List<HeaterLeak> earthed(Part part, String reference) {
        if (!part.isTube() || !faults.any(FaultMode.EARTHED)) return List.of();
        return heaterPins(part).stream()
                .filter(pin -> faults.is(part.reference() + "." + pin, FaultMode.EARTHED))
                .map(pin -> new HeaterLeak(
                        part.reference() + "." + pin + ".earth", faults.net(part, pin), reference, Faults.SHORT))
                .toList();
    }

    private List<HeaterLeak> toCathodes(Part part) {
        List<String> pins = cathodes(part);
        if (pins.isEmpty()) return List.of();
        Optional<List<String>> ends = heater(part);
        if (ends.isEmpty()) return List.of();
        List<HeaterLeak> all = new ArrayList<>();
        for (String pin : pins) {
            String target = part.reference() + "." + pin;
            String named = pin.equals(pins.get(0)) && faults.is(part.reference(), FaultMode.HEATER_CATHODE)
                    ? part.reference()
                    : target;
            if (faults.is(named, FaultMode.HEATER_CATHODE))
                all.add(new HeaterLeak(
                        named + ".hk",
                        ends.get().get(0),
                        faults.net(part, pin),
                        faults.ohms(named, FaultMode.HEATER_CATHODE, Faults.HEATER_SHORT)));
        }
        return all;
    }

    private List<HeaterPiece> connected(Part part, DeviceType type) {
        Optional<List<String>> ends = heater(part);
        if (ends.isEmpty() || type.heaterVolts() <= 0 || type.heaterAmperes() <= 0) return List.of();
        String a = ends.get().get(0);
        String b = ends.get().get(1);
        double volts = type.heaterVolts();
        double amperes = type.heaterAmperes();
        Optional<String> middle = find(part, "fm", "");
        if (middle.isPresent())
            return List.of(
                    new HeaterPiece(a, middle.get(), volts, amperes / 2),
                    new HeaterPiece(middle.get(), b, volts, amperes / 2));
        Optional<String> tap = find(part, "hm", "");
        if (tap.isEmpty()) return List.of(new HeaterPiece(a, b, volts, amperes));
        double first = share(part, type) * volts;
        return List.of(
                new HeaterPiece(a, tap.get(), first, amperes), new HeaterPiece(tap.get(), b, volts - first, amperes));
    }

    /** The share of a heater's volts before its tap: the stated volts lie between the tap and the end whose pin is next to it. */
    private static double share(Part part, DeviceType type) {
        double stated = type.limits().getOrDefault("heaterTapVolts", type.heaterVolts() / 2) / type.heaterVolts();
        int tap = pinNumber(pin(part, "hm").orElse(""));
        List<Integer> ends = part.device().orElseThrow().functions().entrySet().stream()
                .filter(f -> isEnd(f.getValue()) && part.nets().containsKey(f.getKey()))
                .map(f -> pinNumber(f.getKey()))
                .toList();
        boolean first = Math.abs(tap - ends.get(0)) <= Math.abs(tap - ends.get(ends.size() - 1));
        return first ? stated : 1 - stated;
    }

    private static int pinNumber(String pin) {
        return pin.chars().allMatch(Character::isDigit) && !pin.isEmpty() ? Integer.parseInt(pin) : 0;
    }

    /** Whether a pin, named as people name it, is an end of a part's heater. */
    public static boolean heats(Part part, String named) {
        String pin = named.substring(named.indexOf('.') + 1);
        return part.device()
                .map(d -> isEnd(d.functions().getOrDefault(pin, "")))
                .orElse(false);
    }

    /** {@code h}, {@code h+k}, {@code f}, {@code f-}, {@code f++g5}; the middle of a filament, {@code hm}, is no end. */
    private static boolean isEnd(String function) {
        if (function.isEmpty() || (function.charAt(0) != 'h' && function.charAt(0) != 'f')) return false;
        return function.length() == 1 || function.charAt(1) == '+' || function.charAt(1) == '-';
    }

    private static boolean isTap(String function) {
        List<String> names = List.of(function.split("\\+"));
        return names.contains("fm") || names.contains("hm");
    }

    /** Whether a cathode or emitter is on a net. */
    public static boolean isCathode(Chassis chassis, String net) {
        return chassis.parts().stream()
                .filter(p -> p.touches(net) && p.device().isPresent())
                .anyMatch(p -> p.nets().entrySet().stream()
                        .filter(n -> n.getValue().equals(net))
                        .map(n -> p.device().get().functions().getOrDefault(n.getKey(), ""))
                        .anyMatch(PinNames::isCathode));
    }

    /** The cathode, or the negative end of a filament. */
    public String cathode(Part part, String section) {
        return cathodePin(part, section).map(p -> faults.net(part, p)).orElse(part.reference() + ".k" + section);
    }
}
