package anabion.core.device.model;

import anabion.core.circuit.DeviceModel;
import java.util.List;

/** A wire whose resistance follows its own heat: the same at alternating volts as at direct ones of that effective value. */
public sealed interface FilamentLaw extends DeviceModel permits LampLaw, BarretterLaw {
    /** Volts it is rated for. */
    double volts();

    /** Ohms at so many effective volts. */
    double ohms(double effective);

    @Override
    default int terminals() {
        return 2;
    }

    @Override
    default void currents(double[] v, double[] i) {
        double u = v[0] - v[1];
        i[0] = u / ohms(Math.abs(u));
        i[1] = -i[0];
    }

    /** At its rated volts; a deck's wire does not warm up. */
    @Override
    default List<String> deck(String name, List<String> n) {
        return List.of("R" + name + " " + n.get(0) + " " + n.get(1) + " " + SpiceSyntax.number(ohms(volts())));
    }
}
