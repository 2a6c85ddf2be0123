package anabion.instruments.scpi;

import anabion.core.quantity.Unit;
import anabion.instruments.Variac;
import java.util.Locale;

/** A source that understands SCPI's {@code VOLTage}: a motor at a variac, or an electronic supply. */
final class ScpiVariac extends ScpiInstrument implements Variac {
    ScpiVariac(ScpiSession session) {
        super(session);
    }

    @Override
    public void turn(double volts) {
        session().tell(String.format(Locale.ROOT, "VOLT %.1f", volts), volts > 0 ? "OUTP ON" : "OUTP OFF");
    }

    @Override
    public double dial() {
        return within("VOLT?", Unit.VOLT);
    }
}
