package anabion.core.engine;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Part;
import anabion.core.input.BadInput;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import java.util.List;
import java.util.Optional;

/** The faults of one setting, asked by part. */
final class Faults {
    /** What a short leaves, in ohms. */
    static final double SHORT = 0.05;
    /** A tube below this share of its emission no longer oscillates. */
    private static final double STOPS = 0.3;

    private final List<Fault> all;

    /** @throws BadInput if a fault names a part that the chassis lacks */
    Faults(Chassis chassis, List<Fault> all) {
        this.all = all;
        for (Fault f : all)
            if (chassis.part(f.part()).isEmpty())
                throw BadInput.at(f.text())
                        .because("there is no part " + f.part())
                        .so("name a part of this chassis");
    }

    boolean is(String reference, String mode) {
        return find(reference, mode).isPresent();
    }

    Optional<Fault> find(String reference, String mode) {
        for (Fault f : all) if (f.target().equals(reference) && f.mode().equals(mode)) return Optional.of(f);
        return Optional.empty();
    }

    /** The amount of a fault in ohms; a usual one where none is stated. */
    double ohms(String reference, String mode, double usual) {
        return find(reference, mode)
                .filter(f -> !f.amount().isEmpty())
                .map(f -> Notation.decode(f.amount(), Unit.OHM).value())
                .orElse(usual);
    }

    /** The amount of a fault as a plain number; a usual one where none is stated. */
    double number(String reference, String mode, double usual) {
        Optional<Fault> f = find(reference, mode).filter(x -> !x.amount().isEmpty());
        if (f.isEmpty()) return usual;
        try {
            return Double.parseDouble(f.get().amount());
        } catch (NumberFormatException e) {
            throw BadInput.at(f.get().text())
                    .because("\"" + f.get().amount() + "\" is no number")
                    .so("write it like V4:emission:0.3");
        }
    }

    /** The net of a part's terminal; a bad joint there cuts it off. */
    String net(Part part, String terminal) {
        String pin = part.reference() + "." + terminal;
        String net = part.nets().getOrDefault(terminal, pin);
        return is(pin, "joint") ? pin + "*" : net;
    }

    /** Share of a tube's emission that is left. */
    double emission(String reference) {
        if (is(reference, "dead") || is(reference, "heater-open")) return 0;
        if (is(reference, "weak")) return 0.5;
        return number(reference, "emission", 1);
    }

    /** Whether a part of the oscillator is broken. */
    boolean stopsOscillator(Chassis chassis, String tube) {
        if (emission(tube) < STOPS) return true;
        for (Fault f : all) {
            Optional<Part> part = chassis.part(f.part());
            String role = part.map(Part::role).orElse("");
            boolean ofIt = role.contains("oscillator") || role.contains("padder");
            if (ofIt
                    && (f.mode().equals("open")
                            || f.mode().equals("short")
                            || f.mode().equals("joint"))) return true;
        }
        return false;
    }
}
