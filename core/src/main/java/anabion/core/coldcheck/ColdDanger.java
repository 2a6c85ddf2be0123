package anabion.core.coldcheck;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.PinNames;
import anabion.core.json.Coded;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.reading.Standing;
import anabion.core.simulation.fault.Sockets;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Cold ohms with which a set must not be powered. It comes before any odds: which part is at fault is asked by further cold ohms.
 *
 * @param row that was read
 */
public record ColdDanger(Kind kind, ColdRow row) {
    /** Ohms from which on a circuit keeps two nets apart; below them something leads from one to the other by design. */
    private static final double APART = 1e5;

    /** The gravest first. */
    public enum Kind implements Coded {
        /** From the line to the chassis, where the circuit keeps them apart. */
        LINE_TO_CHASSIS,
        LINE_SHORTED,
        RAIL_SHORTED,
        /** Far below the ohms of its copper; a heater winding has hardly any by nature and is never meant. */
        WINDING_SHORTED,
        /** A piece of a chain of heaters far below its ohms: the others would bear its volts. */
        CHAIN_SHORTED,
        /** The screen of the output tube would carry what its plate cannot. */
        PRIMARY_OPEN;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** Of the rows that were read, the gravest first. */
    public static List<ColdDanger> of(Chassis chassis, List<ColdRow> taken) {
        List<ColdDanger> all = new ArrayList<>();
        for (ColdRow r : taken) {
            if (r.standing() != Standing.OUT || r.reading().isEmpty()) continue;
            boolean below = r.reading().get().value() < r.low();
            if (below) below(chassis, r).ifPresent(k -> all.add(new ColdDanger(k, r)));
            else if (isOutputPrimary(chassis, r)) all.add(new ColdDanger(Kind.PRIMARY_OPEN, r));
        }
        all.sort(Comparator.comparing(ColdDanger::kind));
        return List.copyOf(all);
    }

    private static Optional<Kind> below(Chassis chassis, ColdRow r) {
        return switch (r.group()) {
            case MAINS -> Optional.of(r.usual() < APART ? Kind.LINE_SHORTED : Kind.LINE_TO_CHASSIS);
            case RAILS -> Optional.of(Kind.RAIL_SHORTED);
            case WINDINGS -> Optional.of(Kind.WINDING_SHORTED);
            case HEATERS -> isOfChain(chassis, r) ? Optional.of(Kind.CHAIN_SHORTED) : Optional.empty();
            case RESISTORS, PINS -> Optional.empty();
        };
    }

    /** Whether a heater is a piece of a chain: nothing feeds it at an end where the circuit does not return, and no other stands beside it. */
    private static boolean isOfChain(Chassis chassis, ColdRow r) {
        return isInside(chassis, r.net(), r.against()) || isInside(chassis, r.against(), r.net());
    }

    private static boolean isInside(Chassis chassis, String net, String other) {
        List<Part> there = chassis.partsOn(net);
        boolean fed = there.stream()
                .anyMatch(
                        p -> p.component() instanceof Component.Windings || p.component() instanceof Component.Battery);
        long across = there.stream()
                .filter(Part::isTube)
                .map(p -> Sockets.heaterPins(p).stream().map(p.nets()::get).toList())
                .filter(ends -> ends.contains(net) && ends.contains(other))
                .count();
        return !fed && across == 1 && !chassis.returns().contains(net);
    }

    /** The winding of an output transformer that feeds the plate of a tube with a screen: without its plate the screen takes all of the current. */
    private static boolean isOutputPrimary(Chassis chassis, ColdRow r) {
        return r.group() == ColdRow.Group.WINDINGS
                && chassis.part(r.part())
                        .flatMap(Part::role)
                        .filter(x -> x == PartRole.OUTPUT_TRANSFORMER)
                        .isPresent()
                && chassis.parts().stream()
                        .filter(p -> p.isTube() && has(p, "g2"))
                        .flatMap(p -> p.device().orElseThrow().functions().entrySet().stream()
                                .filter(f -> PinNames.isPlate(f.getValue()))
                                .map(f -> p.nets().getOrDefault(f.getKey(), "")))
                        .anyMatch(net -> net.equals(r.net()) || net.equals(r.against()));
    }

    private static boolean has(Part tube, String function) {
        return tube.device().orElseThrow().functions().values().stream().anyMatch(f -> PinNames.is(f, function));
    }

    /** What was read, and what a sound set shows. */
    public Phrase words() {
        return Phrase.of(
                "danger." + kind.code(),
                row.label(),
                row.read()
                        .orElse(Figures.si(
                                Quantity.ohms(row.reading().orElseThrow().value()), 2)),
                Figures.si(Quantity.ohms(kind == Kind.PRIMARY_OPEN ? row.usual() : Math.max(0, row.low())), 2),
                row.part());
    }

    /** What to do about it. */
    public Phrase next() {
        return Phrase.of("danger.next." + kind.code(), row.label(), row.part());
    }
}
