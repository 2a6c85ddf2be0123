package anabion.core.signal;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.circuit.SmallSignal;
import anabion.core.numeric.Phasor;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.supply.AcSupply;
import java.util.function.Function;

/**
 * What the alternating volts of heaters leave elsewhere, through leaks to their cathodes.
 *
 * <p>Method: the leak is a resistor of the network; the heater's end where it begins is held at its effective volts, at the frequency of the mains. A heater on
 * direct current leaves nothing.
 */
final class HeaterHum {
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
        Sockets sockets = new Sockets(new Faults(chassis, setting.faults()));
        double squares = 0;
        for (Part p : chassis.parts())
            for (Sockets.HeaterLeak l : sockets.heaterLeaks(p, chassis.reference())) {
                double volts = solved.alternating(l.heater()).orElse(0);
                if (volts <= 0 || network.circuit().node(l.heater()).isEmpty()) continue;
                double left = volts
                        * at.apply(network.at(AcSupply.hertz(chassis)).held(l.heater()))
                                .size();
                squares += left * left;
            }
        return Math.sqrt(squares);
    }
}
