package anabion.instruments.scpi;

import anabion.instruments.Generator;
import java.util.Locale;

/** A generator that understands SCPI's {@code FREQuency}, {@code VOLTage} and {@code AM}. */
final class ScpiGenerator extends ScpiInstrument implements Generator {
    ScpiGenerator(ScpiSession session) {
        super(session);
    }

    @Override
    public void give(double hertz, double volts, double depth) {
        session().tell(said("FREQ %.8g", hertz), said("VOLT %.6g", volts));
        if (depth > 0) session().tell(said("AM:INT:FREQ %.4g", TONE), said("AM:DEPT %.4g", 100 * depth), "AM:STAT ON");
        else session().tell("AM:STAT OFF");
        session().tell("OUTP ON");
    }

    private static String said(String format, double value) {
        return String.format(Locale.ROOT, format, value);
    }

    @Override
    public void rest() {
        session().tell("OUTP OFF");
    }
}
