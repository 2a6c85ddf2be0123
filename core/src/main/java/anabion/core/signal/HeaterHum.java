package anabion.core.signal;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.circuit.SmallSignal;
import anabion.core.device.DeviceType;
import anabion.core.numeric.Phasor;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * What the alternating volts of heaters leave elsewhere, through leaks to their cathodes.
 *
 * <p>Method: the leak is a resistor of the network; the heater's end where it begins is held at its effective volts, at the frequency of the mains. A heater on
 * direct current leaves nothing.
 */
final class HeaterHum {
    /** Where a set's papers do not say. */
    private static final double MAINS_HERTZ = 50;

    private HeaterHum() {}

    /**
     * Effective volts where somebody listens to a network.
     *
     * @param solved under that setting
     */
    static double left(
            Chassis chassis,
            Setting setting,
            SmallSignal network,
            OperatingPoint solved,
            Function<SmallSignal.Volts, Phasor> at) {
        Faults faults = new Faults(chassis, setting.faults());
        Sockets sockets = new Sockets(faults);
        double squares = 0;
        for (Part p : chassis.parts()) {
            if (!faults.is(p.reference(), FaultMode.HEATER_CATHODE)) continue;
            Optional<DeviceType> type = Sockets.type(p);
            List<Sockets.HeaterPiece> pieces =
                    type.map(t -> sockets.pieces(p, t)).orElse(List.of());
            if (pieces.isEmpty()) continue;
            String end = pieces.get(0).from();
            double volts = solved.alternating(end).orElse(0);
            if (volts <= 0 || network.circuit().node(end).isEmpty()) continue;
            double hertz = chassis.supply().hertz() > 0 ? chassis.supply().hertz() : MAINS_HERTZ;
            double left = volts * at.apply(network.at(hertz).held(end)).size();
            squares += left * left;
        }
        return Math.sqrt(squares);
    }
}
