package anabion.core.device.model;

import anabion.core.circuit.DeviceModel;
import java.util.List;

/**
 * A gas-filled regulator, anode and cathode: nothing below the volts that it holds, above them a small slope. It is taken as lit; that it needs more volts to
 * light than to burn is the circuit's affair.
 *
 * @param volts at which the current would begin
 * @param ohms slope in the glow
 */
public record GlowLaw(double volts, double ohms) implements DeviceModel {
    /** Volts over which the corner is rounded. */
    private static final double CORNER = 0.1;

    @Override
    public int terminals() {
        return 2;
    }

    @Override
    public void currents(double[] v, double[] i) {
        i[0] = Smooth.positive(v[0] - v[1] - volts, CORNER) / ohms;
        i[1] = -i[0];
    }

    @Override
    public List<String> deck(String name, List<String> n) {
        String above = SpiceSyntax.volts(n.get(0), n.get(1)) + "-" + SpiceSyntax.number(volts);
        return List.of(SpiceSyntax.current(
                name, n.get(0), n.get(1), Smooth.positive(above, CORNER) + "/" + SpiceSyntax.number(ohms)));
    }
}
