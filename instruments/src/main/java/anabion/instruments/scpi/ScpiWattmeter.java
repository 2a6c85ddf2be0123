package anabion.instruments.scpi;

import anabion.core.quantity.Unit;
import anabion.instruments.Wattmeter;

/** A power meter that understands SCPI's {@code MEASure} queries. */
final class ScpiWattmeter extends ScpiInstrument implements Wattmeter {
    ScpiWattmeter(ScpiSession session) {
        super(session);
    }

    @Override
    public Load read() {
        return new Load(
                within("MEAS:VOLT:AC?", Unit.VOLT),
                within("MEAS:CURR:AC?", Unit.AMPERE),
                within("MEAS:POW:AC?", Unit.WATT));
    }
}
