package anabion.core.diagnosis.evidence;

import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;

/** A part tapped with an insulated stick while the set plays: does anything change? It speaks of joints, which no meter finds while they hold. */
public record Tapped(String part) implements Measurement.PartTest {
    @Override
    public double minutes() {
        return 0.5;
    }

    @Override
    public boolean catches(Fault f) {
        return f.part().equals(part) && f.mode() == FaultMode.JOINT;
    }

    @Override
    public String text() {
        return "tapped " + part;
    }
}
