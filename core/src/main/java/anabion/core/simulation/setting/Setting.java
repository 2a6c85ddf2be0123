package anabion.core.simulation.setting;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Winding;
import anabion.core.error.InputException;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Map;

/**
 * What holds while a set is computed.
 *
 * @param line mains volts; for a battery set the volts of its largest battery, the others in proportion; 0 for switched off
 * @param band name of the band or function; empty for the first
 * @param controls reference of a potentiometer to its setting, 0 at its second terminal to 1 at its first; unnamed ones stand in the
 *     middle
 * @param switches reference of a switch to its position; unnamed ones stand where the band or "on" wants them
 * @param faults what is wrong with the set
 * @param trims reference of a resistor, capacitor or tube, the {@link #core} of a winding, the {@link #swing} of an oscillator, or {@code LINE}, to the factor by which this specimen differs from nominal
 * @param warm false before the heaters have warmed
 * @param carrier volts of the carrier's peaks at the detector's diode; 0 without a signal
 * @param deviation share by which a carrier off its middle is stronger at the first diode of an FM detector, and weaker at the other; 0 in tune
 */
@RecordBuilder
@RecordBuilder.Options(addClassRetainedGenerated = true)
public record Setting(
        double line,
        String band,
        Map<String, Double> controls,
        Map<String, String> switches,
        List<Fault> faults,
        Map<String, Double> trims,
        boolean warm,
        double carrier,
        double deviation)
        implements SettingBuilder.With {
    /** The trim of the line voltage. */
    public static final String LINE = "LINE";

    private static final String SWING = ".swing";

    public Setting {
        trims = Map.copyOf(trims);
        controls = Map.copyOf(controls);
        switches = Map.copyOf(switches);
        faults = List.copyOf(faults);
    }

    /**
     * As a set is fed by what is entered of it.
     *
     * @throws InputException if its volts are not entered
     */
    public static Setting fed(Chassis chassis) {
        if (!(chassis.supply().volts() > 0))
            throw InputException.at(chassis.name())
                    .because("the volts that feed it are not entered")
                    .so("enter them on the Arrival sheet");
        return of(chassis.supply().volts());
    }

    /** A sound, warm set at a line voltage. */
    public static Setting of(double line) {
        return new Setting(line, "", Map.of(), Map.of(), List.of(), Map.of(), true, 0, 0);
    }

    /**
     * The trim of where a winding's core stands: the factor of its inductance against the aligned one.
     *
     * @param reference of the part
     */
    public static String core(String reference, Winding winding) {
        return reference + "." + winding.name();
    }

    /** The trim of how far an oscillator's tube swings, which hangs on its coil as much as on the tube. */
    public static String swing(String reference) {
        return reference + SWING;
    }

    /** The part that a trim is one of: of a swing the tube. */
    public static String trimmed(String trim) {
        return trim.endsWith(SWING) ? trim.substring(0, trim.length() - SWING.length()) : trim;
    }

    /** Factor by which a part of this specimen differs from nominal. */
    public double trim(String reference) {
        return trims.isEmpty() ? 1 : trims.getOrDefault(reference, 1.0);
    }

    /** Switched off, at room temperature. */
    public Setting cold() {
        return new Setting(line, band, controls, switches, faults, trims, false, carrier, deviation);
    }
}
