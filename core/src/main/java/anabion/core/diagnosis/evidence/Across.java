package anabion.core.diagnosis.evidence;

import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import java.util.EnumSet;
import java.util.Set;

/**
 * A good capacitor held across one: proves that it is open, dried or far too small, and nothing of a leak.
 *
 * @param farads that it should have
 */
public record Across(String part, double farads) implements Measurement.PartTest {
    private static final Set<FaultMode> CAUGHT = EnumSet.of(FaultMode.OPEN, FaultMode.DRIED);

    /** Of a capacitor's first section. */
    public static Across of(Part p) {
        return new Across(
                p.reference(),
                p.component() instanceof Component.Capacitor c ? c.farads().get(0) : 0);
    }

    @Override
    public double minutes() {
        return 2;
    }

    @Override
    public boolean catches(Fault f) {
        boolean small = f.mode() == FaultMode.WRONG && f.size().value() < farads;
        return f.part().equals(part) && (small || CAUGHT.contains(f.mode()));
    }

    @Override
    public String text() {
        return "across " + part;
    }
}
