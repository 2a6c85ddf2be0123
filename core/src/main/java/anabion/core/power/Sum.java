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

/** The arithmetic of supplies, filled in from the set on the bench. */
public sealed interface Sum {
    /** A resistor that brings the rail of a wrong transformer down, behind the reservoir. Volts at the reservoir as it is, and as the set wants it. */
    record Drop(double from, double to) implements Sum {}

    /** What a heater chain needs in series on a line; 0 for the set's own. */
    record Heaters(double line) implements Sum {}

    /** A capacitor in place of a heater chain's dropper, on a line; 0 for the set's own. */
    record CapacitorDropper(double line) implements Sum {}

    /** A transformer that brings today's line down to the set's. */
    record Buck(double line, double wanted) implements Sum {}

    /** A resistor that loads the highest rail like the set, with its tubes out. */
    record TestLoad() implements Sum {}

    /** How long a battery lasts. */
    record RunTime(double ampereHours) implements Sum {}

    /** A transformer's winding as measured: which line its tap is made for. */
    record Tap(double measured, double rated) implements Sum {}

    /** Standard watts of resistors: the next is taken above twice what it turns into heat. */
    List<Double> RATINGS = List.of(0.25, 0.5, 1.0, 2.0, 3.0, 5.0, 7.0, 10.0, 15.0, 20.0, 25.0, 50.0, 100.0);

    /**
     * The answer in words.
     *
     * @throws InputException if the set has nothing that it is about
     */
    default Phrase answer(Chassis chassis, PowerModel model) {
        if (this instanceof Drop d) return drop(chassis, model, d);
        if (this instanceof Heaters h) return Chain.of(chassis).dropper(h.line() > 0 ? h.line() : model.nominal());
        if (this instanceof CapacitorDropper c)
            return Chain.of(chassis)
                    .capacitor(
                            c.line() > 0 ? c.line() : model.nominal(),
                            chassis.supply().hertz());
        if (this instanceof Buck b) return buck(model, b);
        if (this instanceof RunTime r) return runTime(model, r);
        if (this instanceof Tap t)
            return Phrase.of(
                    "power.sum.tap",
                    Figures.fixed(100 * (t.measured() / t.rated() - 1), 1),
                    Figures.fixed(model.nominal() * t.measured() / t.rated(), 0));
        return load(chassis, model);
    }

    private static Phrase drop(Chassis chassis, PowerModel model, Drop d) {
        if (!(d.from() > d.to()) || d.to() <= 0)
            throw InputException.at("drop " + d.from() + " to " + d.to())
                    .because("the first volts must be the higher ones")
                    .so("write it like drop 360 to 240");
        double amperes = railAmperes(chassis, model, d.to());
        double ohms = (d.from() - d.to()) / amperes;
        double watts = (d.from() - d.to()) * amperes;
        return Phrase.of(
                "power.sum.drop",
                Figures.si(Quantity.ohms(ohms), 2),
                Figures.fixed(watts, 1),
                rating(watts),
                Figures.si(Quantity.amperes(amperes), 2),
                Figures.volts(d.from()));
    }

    /** What the set draws from its highest rail when that stands at some volts: at the line that gives them. */
    private static double railAmperes(Chassis chassis, PowerModel model, double volts) {
        Rail rail = model.rail().filter(r -> model.rectified()).orElseThrow(() -> InputException.at(chassis.name())
                .because("this set has no rectified rail")
                .so("use it on sets with a rectifier"));
        double line = model.sound().reaches(rail.net(), volts);
        if (Double.isInfinite(line))
            throw InputException.at(Figures.volts(volts) + " V")
                    .because("the set's own rail never stands so high")
                    .so("give the volts that its chart has");
        OperatingPoint o = new Simulator().solve(chassis, Setting.fed(chassis).withLine(line));
        return o.supplies().get(rail.net()).amperes();
    }

    private static Phrase load(Chassis chassis, PowerModel model) {
        Rail rail = model.rail().orElseThrow();
        double volts = Math.abs(model.sound().at(model.nominal()).rail(rail.net()));
        double amperes = railAmperes(chassis, model, volts);
        double watts = volts * amperes;
        return Phrase.of(
                "power.sum.load",
                rail.net(),
                Figures.si(Quantity.ohms(volts / amperes), 2),
                Figures.fixed(watts, 0),
                rating(watts),
                Figures.volts(volts));
    }

    private static Phrase buck(PowerModel model, Buck b) {
        if (!(b.line() > b.wanted()) || b.wanted() <= 0)
            throw InputException.at("buck " + b.line() + " to " + b.wanted())
                    .because("the first volts must be the higher ones")
                    .so("write it like buck 240 to 220");
        double volts = b.line() - b.wanted();
        double amperes = model.sound().at(model.nominal()).amperes();
        return Phrase.of(
                "power.sum.buck",
                Figures.fixed(volts, 0),
                Figures.si(Quantity.amperes(1.5 * amperes), 2),
                Figures.fixed(Math.ceil(1.5 * amperes * volts), 0));
    }

    private static Phrase runTime(PowerModel model, RunTime r) {
        double amperes = model.sound().at(model.nominal()).amperes();
        return Phrase.of(
                "power.sum.run-time",
                Figures.fixed(r.ampereHours() / Math.max(amperes, 1e-9), 0),
                Figures.si(Quantity.amperes(amperes), 2));
    }

    private static String rating(double watts) {
        return Figures.fixed(
                RATINGS.stream().filter(w -> w >= 2 * watts).findFirst().orElse(2 * watts), 0);
    }

    /**
     * The heaters of a set in one chain.
     *
     * @param volts of all of them together
     * @param amperes through them
     */
    record Chain(double volts, double amperes) {
        /** @throws InputException if the heaters are not in series */
        static Chain of(Chassis chassis) {
            boolean wound = chassis.parts().stream()
                    .anyMatch(p -> p.component() instanceof Component.Windings w && w.isMainsTransformer());
            boolean direct = chassis.supply().arrangement().isDirect();
            OperatingPoint o = new Simulator().solve(chassis, Setting.fed(chassis));
            List<DeviceType> types = new ArrayList<>();
            for (Part p : chassis.parts())
                if (!wound && (direct || o.heatedByMains(p.reference())))
                    Sockets.type(p).filter(t -> t.heaterVolts() > 0).ifPresent(types::add);
            if (types.isEmpty())
                throw InputException.at(chassis.name())
                        .because("its heaters are not a chain at the mains")
                        .so("use it on sets with series heaters");
            double sum = types.stream().mapToDouble(DeviceType::heaterVolts).sum();
            double most =
                    types.stream().mapToDouble(DeviceType::heaterAmperes).max().orElse(0);
            return new Chain(sum, most);
        }

        Phrase dropper(double line) {
            double left = line - volts;
            if (left <= 0) return Phrase.of("power.sum.heaters.none", Figures.volts(volts), Figures.volts(line));
            return Phrase.of(
                    "power.sum.heaters",
                    Figures.volts(volts),
                    Figures.si(Quantity.amperes(amperes), 2),
                    Figures.si(Quantity.ohms(left / amperes), 3),
                    Figures.fixed(left * amperes, 0),
                    rating(left * amperes),
                    Figures.volts(line));
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
}
