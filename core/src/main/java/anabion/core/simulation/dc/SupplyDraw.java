package anabion.core.simulation.dc;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.circuit.Element;
import anabion.core.simulation.supply.AcSupply;
import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What a set takes from what feeds it, without a transformer's iron.
 *
 * @param amperes effective from the mains, or direct from the battery with the highest volts
 * @param watts of all that feeds it
 */
public record SupplyDraw(double amperes, double watts) {
    /** @param volts of the mains or of that battery */
    public static SupplyDraw of(Chassis chassis, double volts, OperatingPoint o) {
        boolean chopped = AcSupply.vibrator(chassis).isPresent();
        if (o.mains().isPresent() && !chopped) return new SupplyDraw(o.mainsAmperes(), o.wattsFromMains());
        double beside = chopped ? o.wattsFromMains() : 0;
        double amperes =
                highest(chassis, o).map(s -> Math.abs(o.direct().amperes(s)[0])).orElse(0.0);
        double sum = beside;
        for (Element e : o.direct().circuit().elements())
            if (e instanceof Element.Source) sum -= o.direct().watts(e);
        return new SupplyDraw(amperes + beside / Math.max(volts, 1e-9), Math.max(0, sum));
    }

    /** The resistor inside the battery with the highest volts, through which its current flows; empty for a set on the mains. */
    public static Optional<Element.Resistor> inner(Chassis chassis, OperatingPoint o) {
        if (o.mains().isPresent()) return Optional.empty();
        return highest(chassis, o).flatMap(s -> o.direct().circuit().elements().stream()
                .flatMap(e -> e instanceof Element.Resistor r && e.name().equals(s.name() + ".inner")
                        ? Stream.of(r)
                        : Stream.empty())
                .findFirst());
    }

    /** Of the sources that stand for a battery or for direct mains, not for what a fault puts into the circuit, the one with the highest volts. */
    private static Optional<Element.Source> highest(Chassis chassis, OperatingPoint o) {
        return o.direct().circuit().elements().stream()
                .flatMap(e -> e instanceof Element.Source s ? Stream.of(s) : Stream.of())
                .filter(s -> chassis.part(s.name())
                        .map(p -> p.component() instanceof Component.Battery)
                        .orElse(true))
                .max(Comparator.comparingDouble(s -> Math.abs(s.volts())));
    }
}
