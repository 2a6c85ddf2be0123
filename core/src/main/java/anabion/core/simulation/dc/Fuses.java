package anabion.core.simulation.dc;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.circuit.Element;
import java.util.ArrayList;
import java.util.List;

/** Which fuses a solved set blows. */
public final class Fuses {
    /** Times its rating at which a slow fuse lasts no minute (usual curves of such fuses). */
    private static final double BLOWS = 2.5;

    private Fuses() {}

    /** Fuses that carry so much more than their rating that nobody reads anything behind them, as faults; those of which no rating is known blow never. */
    public static List<Fault> blown(Chassis chassis, OperatingPoint solved) {
        List<Fault> all = new ArrayList<>();
        for (Part p : chassis.parts())
            if (p.component() instanceof Component.Fuse f
                    && f.amperes() > 0
                    && amperes(p.reference(), solved) > BLOWS * f.amperes())
                all.add(Fault.of(p.reference(), FaultMode.OPEN));
        return all;
    }

    /** Effective amperes of the mains where it lies in the line, else direct ones. */
    private static double amperes(String fuse, OperatingPoint solved) {
        boolean line = solved.mains().isPresent()
                && solved.mains().get().circuit().elements().stream()
                        .anyMatch(e -> e.name().equals(fuse));
        if (line) return solved.mainsAmperes();
        return solved.direct().circuit().elements().stream()
                .filter(e -> e instanceof Element.Resistor && e.name().equals(fuse))
                .mapToDouble(e -> Math.abs(solved.direct().amperes(e)[0]))
                .max()
                .orElse(0);
    }
}
