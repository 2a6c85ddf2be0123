package anabion.instruments.scpi;

import anabion.core.quantity.Unit;
import anabion.instruments.InstrumentException;
import anabion.instruments.Variac;
import java.util.Locale;

/** A source that understands SCPI's {@code VOLTage}: a motor at a variac, or an electronic supply. */
final class ScpiVariac extends ScpiInstrument implements Variac {
    ScpiVariac(ScpiSession session) {
        super(session);
    }

    /** Off is asked for in both ways, whichever of them is understood. */
    @Override
    public void turn(double volts) {
        if (volts > 0) {
            session().tell(String.format(Locale.ROOT, "VOLT %.1f", volts), "OUTP ON");
            return;
        }
        boolean output = obeys("OUTP OFF");
        boolean dial = obeys("VOLT 0.0");
        if (!output && !dial)
            throw new InstrumentException(
                    InstrumentException.Kind.NONSENSE, "The variac refused to switch off", "Pull the plug");
    }

    private boolean obeys(String order) {
        try {
            session().tell(order);
            return true;
        } catch (InstrumentException e) {
            if (e.kind() != InstrumentException.Kind.NONSENSE) throw e;
            return false;
        }
    }

    @Override
    public double dial() {
        return within("VOLT?", Unit.VOLT);
    }
}
