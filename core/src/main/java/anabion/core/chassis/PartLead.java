package anabion.core.chassis;

import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * One lead of a part, by its name behind the reference: a section of a can ({@code C18.1}), a winding ({@code T2.primary}), a terminal or pin ({@code R9.2},
 * {@code V3.6}).
 *
 * @param part whose lead it is
 * @param name of the section, winding or terminal, as the chassis spells it
 */
public record PartLead(Part part, String name) {
    /** The lead of a name, however it is written; empty if the chassis has none. */
    public static Optional<PartLead> named(Chassis chassis, String text) {
        int dot = text.indexOf('.');
        if (dot < 0) return Optional.empty();
        String name = text.substring(dot + 1);
        return chassis.parts().stream()
                .filter(p -> p.reference().equalsIgnoreCase(text.substring(0, dot)))
                .flatMap(p -> names(p).filter(name::equalsIgnoreCase).map(n -> new PartLead(p, n)))
                .findFirst();
    }

    /** The part of a name that may be a lead's. */
    public static String owner(String text) {
        int dot = text.indexOf('.');
        return dot < 0 ? text : text.substring(0, dot);
    }

    private static Stream<String> names(Part p) {
        Stream<String> windings = p.component() instanceof Component.Windings w
                ? w.windings().stream().map(Winding::name)
                : Stream.empty();
        return Stream.concat(windings, p.nets().keySet().stream());
    }

    /** As it is typed. */
    public String text() {
        return part.reference() + "." + name;
    }

    /** What stands for it while it is off: a section or winding that is open, else a joint that does not conduct. */
    public Fault off() {
        boolean section = part.component() instanceof Component.Capacitor c
                && c.farads().size() > 1
                && IntStream.rangeClosed(1, c.farads().size())
                        .mapToObj(String::valueOf)
                        .anyMatch(name::equals);
        boolean winding = part.component() instanceof Component.Windings w
                && w.windings().stream().map(Winding::name).anyMatch(name::equals);
        return Fault.of(text(), section || winding ? FaultMode.OPEN : FaultMode.JOINT);
    }
}
