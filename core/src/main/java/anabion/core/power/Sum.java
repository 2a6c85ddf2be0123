package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.coldcheck.Discharge;
import anabion.core.error.InputException;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Series;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.text.Phrase;
import java.util.List;

/** The arithmetic of supplies, filled in from the set on the bench. */
public sealed interface Sum {
    /** A resistor that brings the rail of a wrong transformer down, behind the reservoir. Volts at the reservoir as it is, and as the set wants it. */
    record Drop(double from, double to) implements Sum {}

    /** What such a resistor in hand brings: volts at the reservoir as it is, and its ohms. */
    record DropWith(double from, double ohms) implements Sum {}

    /** What a heater chain needs in series on a line; 0 for the set's own. */
    record Heaters(double line) implements Sum {}

    /** A capacitor in place of a heater chain's dropper, on a line; 0 for the set's own. */
    record CapacitorDropper(double line) implements Sum {}

    /** A transformer that brings today's line down to the set's. */
    record Buck(double line, double wanted) implements Sum {}

    /** A resistor that loads the highest rail like the set, with its tubes out. */
    record TestLoad() implements Sum {}

    /** A resistor that discharges the highest rail, and how long that takes. */
    record Bleeder(double seconds) implements Sum {}

    /** What stands on the chassis, the plug one way and the other, the switch on and off. */
    record Plug() implements Sum {}

    /** A regulator in place of a battery: volts before and behind it. */
    record Regulator(double from, double to) implements Sum {}

    /** How long a battery lasts. */
    record RunTime(double ampereHours) implements Sum {}

    /** A transformer's winding as measured: which line its tap is made for. */
    record Tap(double measured, double rated) implements Sum {}

    /** The longest that somebody waits for a set to discharge. */
    double MOST_SECONDS = 3600;

    /** A wrong transformer's rail in the set's own, at most. */
    double WRONG = 3;

    /** Natural logarithm of how far a battery's volts may be from those of a regulator for it. */
    double NEAR = 0.3;

    /** Standard watts of resistors: the next is taken above twice what it turns into heat. */
    List<Double> RATINGS = List.of(0.25, 0.5, 1.0, 2.0, 3.0, 5.0, 7.0, 10.0, 15.0, 20.0, 25.0, 50.0, 100.0);

    /**
     * The answer in words.
     *
     * @throws InputException if the set has nothing that it is about
     */
    default Phrase answer(Chassis chassis, PowerModel model) {
        if (this instanceof Drop d) return drop(chassis, model, d);
        if (this instanceof DropWith d) return dropWith(chassis, model, d);
        if (this instanceof Heaters h) return HeaterChain.of(chassis).dropper(h.line(), model.nominal());
        if (this instanceof CapacitorDropper c)
            return HeaterChain.of(chassis)
                    .capacitor(
                            c.line() > 0 ? c.line() : model.nominal(),
                            chassis.supply().hertz());
        if (this instanceof Bleeder b) return bleeder(chassis, b.seconds());
        if (this instanceof Plug) return PlugWays.words(chassis);
        if (this instanceof Regulator r) return regulator(chassis, r);
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
            throw InputException.at("drop " + Figures.volts(d.from()) + " to " + Figures.volts(d.to()))
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

    /** The volts at which the set draws as much as the resistor passes: halved until a tenth of a volt is left. */
    private static Phrase dropWith(Chassis chassis, PowerModel model, DropWith d) {
        double most = model.rail()
                .filter(r -> model.rectified())
                .map(r -> Math.abs(
                        model.sound().at(model.nominal() * SupplyCurve.TOP).rail(r.net())))
                .orElse(0.0);
        double low = 0;
        double high = Math.min(d.from(), most);
        if (high <= 0 || d.from() > WRONG * most || d.ohms() <= 0)
            throw InputException.at("drop " + Figures.volts(d.from()) + " with")
                    .because("this is no rail of the set")
                    .so("write it like drop 360 with 1.5k");
        while (high - low > 0.1) {
            double middle = (low + high) / 2;
            if (railAmperes(chassis, model, middle) * d.ohms() > d.from() - middle) high = middle;
            else low = middle;
        }
        double volts = (low + high) / 2;
        double amperes = railAmperes(chassis, model, volts);
        double watts = (d.from() - volts) * amperes;
        return Phrase.of(
                "power.sum.drop-with",
                Figures.si(Quantity.ohms(d.ohms()), 2),
                Figures.volts(volts),
                Figures.si(Quantity.amperes(amperes), 2),
                Figures.fixed(watts, 1),
                rating(watts),
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
            throw InputException.at("buck " + Figures.volts(b.line()) + " to " + Figures.volts(b.wanted()))
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

    /** A linear regulator passes the battery's current and turns the rest of the volts into heat. */
    private static Phrase regulator(Chassis chassis, Regulator r) {
        if (!(r.from() > r.to()) || r.to() <= 0)
            throw InputException.at("regulate " + Figures.volts(r.from()) + " to " + Figures.volts(r.to()))
                    .because("the first volts must be the higher ones")
                    .so("write it like regulate 5 to 1.4");
        OperatingPoint o = new Simulator().solve(chassis, Setting.fed(chassis));
        double amperes = 0;
        String battery = "";
        double least = NEAR;
        for (Part p : chassis.parts()) {
            if (!(p.component() instanceof Component.Battery b) || b.volts() <= 0) continue;
            double off = Math.abs(Math.log(r.to() / b.volts()));
            if (off > least) continue;
            least = off;
            battery = p.reference();
            amperes = drawn(o, p.reference());
        }
        if (battery.isEmpty())
            throw InputException.at(Figures.fixed(r.to(), 1) + " V")
                    .because("no battery of this set has about these volts")
                    .so("write the volts of one of its batteries");
        double watts = (r.from() - r.to()) * amperes;
        return Phrase.of(
                "power.sum.regulator",
                battery,
                Figures.si(Quantity.amperes(amperes), 2),
                Figures.fixed(watts, watts < 10 ? 1 : 0),
                Figures.si(Quantity.amperes(1.5 * amperes), 2),
                Figures.fixed(r.from(), 1));
    }

    private static Phrase bleeder(Chassis chassis, double seconds) {
        if (!(seconds >= 1 && seconds <= MOST_SECONDS))
            throw InputException.at("bleeder")
                    .because("this is no time to wait")
                    .so("write seconds, like bleeder 30");
        Discharge d = Discharge.of(chassis).orElseThrow(() -> InputException.at(chassis.name())
                .because("no capacitor of it stands above " + Figures.fixed(Discharge.SAFE, 0) + " V")
                .so("use it on sets with a rectifier"));
        double decay = d.farads() * Math.log(d.volts() / Discharge.SAFE);
        double ohms = Series.E12.atOrBelow(seconds / decay);
        double watts = d.volts() * d.volts() / ohms;
        return Phrase.of(
                "power.sum.bleeder",
                Figures.si(Quantity.farads(d.farads()), 2),
                Figures.volts(d.volts()),
                Figures.fixed(0.5 * d.farads() * d.volts() * d.volts(), 1),
                Figures.si(Quantity.ohms(ohms), 2),
                Figures.fixed(watts, 1),
                rating(watts),
                Figures.fixed(ohms * decay, 0),
                Figures.fixed(Discharge.SAFE, 0));
    }

    private static double drawn(OperatingPoint o, String battery) {
        return o.direct().circuit().elements().stream()
                .filter(e -> OperatingPoint.reference(e.name()).equals(battery))
                .mapToDouble(e -> Math.abs(o.direct().amperes(e)[0]))
                .max()
                .orElse(0);
    }

    private static Phrase runTime(PowerModel model, RunTime r) {
        double amperes = model.sound().at(model.nominal()).amperes();
        return Phrase.of(
                "power.sum.run-time",
                Figures.fixed(r.ampereHours() / Math.max(amperes, 1e-9), 0),
                Figures.si(Quantity.amperes(amperes), 2));
    }

    /** Watts of the standard resistor that bears so many with as many to spare. */
    static String rating(double watts) {
        return Figures.fixed(
                RATINGS.stream().filter(w -> w >= 2 * watts).findFirst().orElse(2 * watts), 0);
    }
}
