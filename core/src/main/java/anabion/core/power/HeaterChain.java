package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.device.DeviceType;
import anabion.core.error.InputException;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The heaters of a set in one chain.
 *
 * @param volts of all of them together
 * @param amperes through them
 * @param tap the tube with a tap for the dial lamp; empty for none
 * @param tapVolts across that part of its heater
 */
record HeaterChain(double volts, double amperes, Optional<String> tap, double tapVolts) {
    /** Hot over cold resistance of a tungsten heater (physical tables: from 293 K to some 1200 K). */
    private static final double COLD = 6.5;

    private static final double SAME = 0.005;

    /** @throws InputException if the heaters are not in series */
    static HeaterChain of(Chassis chassis) {
        boolean wound = chassis.parts().stream()
                .anyMatch(p -> p.component() instanceof Component.Windings w && w.isMainsTransformer());
        boolean direct = chassis.supply().arrangement().isDirect();
        OperatingPoint o = new Simulator().solve(chassis, Setting.fed(chassis));
        List<DeviceType> types = new ArrayList<>();
        Optional<String> tap = Optional.empty();
        double tapVolts = 0;
        for (Part p : chassis.parts()) {
            Optional<DeviceType> type = Sockets.type(p).filter(t -> t.heaterVolts() > 0);
            if (wound || type.isEmpty() || !(direct || o.heatedByMains(p.reference()))) continue;
            types.add(type.get());
            double share = type.get().limits().getOrDefault("heaterTapVolts", 0.0);
            if (share <= 0 || Sockets.pin(p, "hm", "").isEmpty()) continue;
            tap = Optional.of(p.reference());
            tapVolts = share;
        }
        if (types.isEmpty())
            throw InputException.at(chassis.name())
                    .because("its heaters are not a chain at the mains")
                    .so("use it on sets with series heaters");
        double sum = types.stream().mapToDouble(DeviceType::heaterVolts).sum();
        double most =
                types.stream().mapToDouble(DeviceType::heaterAmperes).max().orElse(0);
        return new HeaterChain(sum, most, tap, tapVolts);
    }

    /**
     * What drops the rest of a line: a resistor, a ballast tube or a line cord.
     *
     * @param wanted the line; 0 for the set's own
     * @param own the set's own line
     */
    Phrase dropper(double wanted, double own) {
        double line = wanted > 0 ? wanted : own;
        double left = line - volts;
        if (left <= 0)
            return Phrase.of(
                    "power.sum.heaters.none",
                    Figures.volts(volts),
                    Figures.volts(line),
                    Figures.si(Quantity.amperes(line / (volts / amperes / COLD)), 2));
        double ohms = left / amperes;
        double inrush = line / (ohms + volts / amperes / COLD);
        Phrase lamp = tap.map(t -> Phrase.of("power.sum.heaters.tap", t, Figures.volts(tapVolts)))
                .orElse(Phrase.of("power.sum.heaters.no-tap"));
        Phrase other = Math.abs(line / own - 1) < SAME
                ? Phrase.of("power.sum.heaters.own")
                : Phrase.of("power.sum.heaters.other", Figures.volts(own), Figures.deviation(line / own - 1));
        return Phrase.of(
                "power.sum.heaters",
                Figures.volts(volts),
                Figures.si(Quantity.amperes(amperes), 2),
                Figures.si(Quantity.ohms(ohms), 3),
                Figures.fixed(left * amperes, 0),
                Sum.rating(left * amperes),
                Figures.volts(line),
                Figures.si(Quantity.amperes(inrush), 2),
                lamp,
                other);
    }

    /** The volts of a capacitor stand at right angles to those of the heaters. */
    Phrase capacitor(double line, double hertz) {
        if (line <= volts || hertz <= 0)
            throw InputException.at("capacitor")
                    .because("a capacitor drops nothing here: direct current, or no volts to drop")
                    .so("use it on alternating current above the heaters' volts");
        double across = Math.sqrt(line * line - volts * volts);
        double farads = amperes / (2 * Math.PI * hertz * across);
        return Phrase.of(
                "power.sum.capacitor",
                Figures.si(Quantity.farads(farads), 2),
                Figures.volts(across),
                Figures.volts(Math.sqrt(2) * line),
                Figures.volts(line));
    }
}
