package anabion.core.signal;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.FaultMode;
import anabion.core.circuit.SmallSignal;
import anabion.core.numeric.Phasor;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import java.util.Optional;
import java.util.function.Function;

/**
 * What the ripple of a set's reservoirs leaves at its other nets, and what heaters leave that leak to their cathodes.
 *
 * <p>Method: the fundamental of a sawtooth as high as the ripple drives each reservoir of the small-signal network; harmonics are left out, since filters take
 * them first. What several reservoirs leave is added by squares.
 */
public final class RippleTransfer {
    /** Peak to peak of a sawtooth over the effective value of its fundamental. */
    private static final double FUNDAMENTAL = Math.PI * Math.sqrt(2);

    private RippleTransfer() {}

    /**
     * Effective volts between two nets.
     *
     * @param solved under that setting
     * @throws ArithmeticException if the network has no solution
     */
    public static double volts(Chassis chassis, Setting setting, OperatingPoint solved, String net, String against) {
        boolean leaks = setting.faults().stream().anyMatch(f -> f.mode() == FaultMode.HEATER_CATHODE);
        if (solved.ripples().isEmpty() && !leaks) return 0;
        SmallSignal network = new Networks(chassis, setting, solved, Optional.empty()).aligned();
        Function<SmallSignal.Volts, Phasor> at = v -> v.at(net).minus(v.at(against));
        return Math.hypot(left(network, solved, at), HeaterHum.left(chassis, setting, network, solved, at));
    }

    /** Effective volts where somebody listens to a network. */
    static double left(SmallSignal network, OperatingPoint solved, Function<SmallSignal.Volts, Phasor> at) {
        double squares = 0;
        for (var rail : solved.ripples().entrySet()) {
            SmallSignal.Volts held = network.at(rail.getValue().hertz()).held(rail.getKey());
            double left = rail.getValue().volts() / FUNDAMENTAL * at.apply(held).size();
            squares += left * left;
        }
        return Math.sqrt(squares);
    }
}
