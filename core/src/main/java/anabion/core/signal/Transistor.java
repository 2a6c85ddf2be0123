package anabion.core.signal;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Component.Windings;
import anabion.core.chassis.Part;
import anabion.core.circuit.Element;
import anabion.core.circuit.HybridPi;
import anabion.core.circuit.Reactances;
import anabion.core.circuit.Solution;
import anabion.core.device.DeviceType;
import anabion.core.device.Semiconductor;
import anabion.core.device.model.BipolarLaw;
import anabion.core.simulation.fault.Sockets;
import java.util.Optional;

/**
 * A bipolar transistor of a set at its operating point. Its base stores gm/(2π·f_T), which with the resistance of the base layer is what makes the input of
 * an alloy type at 470 kHz so low, and with the feedback capacitance what loads the coil in its collector.
 */
record Transistor(Chassis chassis, Solution direct, Element.Device device, BipolarLaw law) {
    /** Feedback in farads from which on no set's stages work without neutralising, whether its drawing shows it or not: alloyed types have some 10 pF. */
    private static final double ALLOYED = 5e-12;

    /** A capacitor up to this from a base to a coil neutralises its stage. */
    private static final double NEUTRALISES = 100e-12;

    void into(Reactances network) {
        double[] v = device.nodes().stream().mapToDouble(direct::at).toArray();
        HybridPi.Slopes slopes = law.slopes(v);
        Optional<Semiconductor> published =
                chassis.part(device.name()).flatMap(Sockets::type).flatMap(DeviceType::semiconductor);
        double hertz = 1e6 * published.map(Semiconductor::transitionMegahertz).orElse(0.0);
        double base = published.map(Semiconductor::baseOhms).orElse(0.0);
        double feedback =
                1e-12 * published.map(Semiconductor::feedbackPicofarads).orElse(0.0);
        network.transistor(
                net(0),
                net(1),
                net(2),
                new HybridPi(
                        slopes,
                        hertz > 0 ? Math.max(0, slopes.forward()) / (2 * Math.PI * hertz) : 0,
                        feedback,
                        base,
                        Math.max(0, law.lossOhms() - base / (law.forward() + 1)),
                        feedback > ALLOYED && !neutralised(net(0))));
    }

    private String net(int terminal) {
        return direct.circuit().net(device.nodes().get(terminal));
    }

    /** Whether the circuit draws a capacitor from a base to a coil that is not its own. */
    private boolean neutralised(String base) {
        return chassis.parts().stream()
                .filter(p -> p.component() instanceof Capacitor c
                        && c.farads().size() == 1
                        && c.farads().get(0) > 0
                        && c.farads().get(0) <= NEUTRALISES)
                .anyMatch(p -> p.touches(base)
                        && p.nets().values().stream().anyMatch(n -> !n.equals(base) && onCoil(n) && !atBase(n)));
    }

    private boolean onCoil(String net) {
        return !net.equals(chassis.reference()) && chassis.parts().stream().anyMatch(p -> coil(p) && p.touches(net));
    }

    private static boolean coil(Part p) {
        return p.component() instanceof Windings && Coils.covers(p);
    }

    /** Whether a coil that feeds this very base has the net too: a capacitor there tunes it. */
    private boolean atBase(String net) {
        return chassis.parts().stream().anyMatch(p -> coil(p) && p.touches(net) && p.touches(net(0)));
    }
}
