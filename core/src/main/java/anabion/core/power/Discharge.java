package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Series;
import anabion.core.recap.CapacitorSection;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.text.Phrase;

/** How the filters of a set lose what they hold once it is off. */
final class Discharge {
    /** Volts below which they hurt nobody (usual limit of extra-low direct volts, halved for damp hands). */
    private static final double HARMLESS = 30;
    /** Volts from which a capacitor is worth waiting for. */
    private static final double COUNTS = 50;

    private static final double WHOLE_HOUR = 3600;

    private Discharge() {}

    /**
     * A resistor across the highest rail, all of whose charge passes through it: C ln(U/u) R seconds from U to u.
     *
     * @param seconds that it may take
     * @throws InputException if nothing in the set holds a charge, or the time makes no sense
     */
    static Phrase words(Chassis chassis, PowerModel model, double seconds) {
        if (!(seconds >= 1 && seconds <= WHOLE_HOUR))
            throw InputException.at("bleeder")
                    .because("this is no time to wait")
                    .so("write seconds, like bleeder 30");
        OperatingPoint o = new Simulator().solve(chassis, Setting.fed(chassis));
        double farads = 0;
        double volts = 0;
        for (CapacitorSection c : CapacitorSection.of(chassis)) {
            double stands =
                    Math.abs(o.volts(c.plus()).orElse(0) - o.volts(c.minus()).orElse(0));
            if (stands < COUNTS) continue;
            farads += c.farads();
            volts = Math.max(volts, peak(model, stands));
        }
        if (farads <= 0)
            throw InputException.at(chassis.name())
                    .because("no capacitor of it stands above " + Figures.volts(COUNTS) + " V")
                    .so("use it on sets with a rectifier");
        double ohms = Series.E12.atOrBelow(seconds / (farads * Math.log(volts / HARMLESS)));
        double watts = volts * volts / ohms;
        return Phrase.of(
                "power.sum.bleeder",
                Figures.si(Quantity.farads(farads), 2),
                Figures.volts(volts),
                Figures.fixed(0.5 * farads * volts * volts, 1),
                Figures.si(Quantity.ohms(ohms), 2),
                Figures.fixed(watts, 1),
                Sum.rating(watts),
                Figures.fixed(ohms * farads * Math.log(volts / HARMLESS), 0),
                Figures.fixed(HARMLESS, 0));
    }

    /** A rail that nothing loads any more stands higher than with the set at work. */
    private static double peak(PowerModel model, double stands) {
        double cold = model.rail()
                .map(r -> Math.abs(model.cold().at(model.nominal()).rail(r.net())))
                .orElse(0.0);
        return Math.max(stands, cold);
    }
}
