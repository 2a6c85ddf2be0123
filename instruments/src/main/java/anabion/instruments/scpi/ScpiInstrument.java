package anabion.instruments.scpi;

import anabion.core.quantity.Unit;
import anabion.instruments.Instrument;
import anabion.instruments.InstrumentException;
import anabion.instruments.InstrumentException.Kind;

/** What all that speak SCPI have in common. */
abstract class ScpiInstrument implements Instrument {
    private final ScpiSession session;

    ScpiInstrument(ScpiSession session) {
        this.session = session;
    }

    final ScpiSession session() {
        return session;
    }

    /** @return infinite where it is beyond the range */
    final double number(String question, Unit unit) {
        return ScpiNumber.of(session.ask(question), unit, session.role().noun());
    }

    /** @throws InstrumentException also where it is beyond the range */
    final double within(String question, Unit unit) {
        double value = number(question, unit);
        if (Double.isInfinite(value))
            throw new InstrumentException(
                    Kind.OVERLOAD,
                    "The " + session.role().noun() + " is over its range",
                    "Check the leads, or choose a larger range");
        return value;
    }

    @Override
    public final String name() {
        return session.name();
    }

    @Override
    public final void close() {
        session.close();
    }
}
