package anabion.core.diagnosis.evidence;

import anabion.core.chassis.Fault;
import anabion.core.job.Circumstance;
import anabion.core.simulation.fault.FaultFigures;

/** That a complaint shows under some circumstance alone: it speaks of ways of failing, not of a part. */
public record Appears(Circumstance when) implements Measurement.PartTest {
    /** Odds from which on a way of failing is one of those that the circumstance speaks of. */
    private static final double SPEAKS = 0.15;

    @Override
    public String part() {
        return "";
    }

    @Override
    public double minutes() {
        return 0;
    }

    @Override
    public boolean catches(Fault f) {
        return FaultFigures.standard().appears(when, f.mode()) > SPEAKS;
    }

    @Override
    public String text() {
        return "appears " + when.code();
    }
}
