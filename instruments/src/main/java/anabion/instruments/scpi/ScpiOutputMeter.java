package anabion.instruments.scpi;

import anabion.core.quantity.Unit;
import anabion.instruments.OutputMeter;

/** A meter of alternating volts at the speaker. */
final class ScpiOutputMeter extends ScpiInstrument implements OutputMeter {
    ScpiOutputMeter(ScpiSession session) {
        super(session);
    }

    @Override
    public double volts() {
        return within("MEAS:VOLT:AC?", Unit.VOLT);
    }
}
