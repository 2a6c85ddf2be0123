package anabion.instruments.scpi;

import anabion.core.chassis.Measure;
import anabion.core.quantity.Unit;
import anabion.instruments.InstrumentException;
import anabion.instruments.Meter;
import java.util.Locale;
import java.util.OptionalDouble;

/** A meter that understands SCPI's {@code MEASure} queries. */
final class ScpiMeter extends ScpiInstrument implements Meter {
    /** Above what is expected, so that a reading that is a little high still lies in the range. */
    private static final double ROOM = 1.2;
    /** Whether it takes an expected value: those that do not say nothing at all. */
    private boolean ranges = true;

    ScpiMeter(ScpiSession session) {
        super(session);
    }

    @Override
    public double read(Measure measure, OptionalDouble expected) {
        String question =
                switch (measure) {
                    case DC_VOLTS -> "MEAS:VOLT:DC?";
                    case AC_VOLTS -> "MEAS:VOLT:AC?";
                    case OHMS -> "MEAS:RES?";
                };
        if (measure == Measure.OHMS) return number(question, Unit.OHM);
        if (ranges && expected.isPresent() && expected.getAsDouble() != 0) {
            try {
                double ranged = number(
                        question + String.format(Locale.ROOT, " %.3g", ROOM * Math.abs(expected.getAsDouble())),
                        Unit.VOLT);
                // far from what was expected: let it search
                if (Double.isFinite(ranged)) return ranged;
            } catch (InstrumentException e) {
                if (e.kind() == InstrumentException.Kind.GONE) throw e;
                ranges = false;
            }
        }
        return within(question, Unit.VOLT);
    }
}
