package anabion.core.quantity;

import anabion.core.quantity.Decoded.Alternative;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Levels of a signal as volts: {@code -107 dBm} into 50 Ω, and S units of 6 dB, of which S9 is 50 µV on short waves and below and 5 µV on VHF (the usual
 * convention of amateur radio).
 */
final class SignalLevels {
    private static final Pattern DBM = Pattern.compile("([-−+]?\\d+(?:[.,]\\d+)?)\\s*dBm", Pattern.CASE_INSENSITIVE);
    private static final Pattern S_UNITS =
            Pattern.compile("S\\s*([1-9])(?:\\s*\\+\\s*(\\d{1,2})\\s*(?:dB)?)?", Pattern.CASE_INSENSITIVE);
    private static final double OHMS = 50;
    private static final double S9 = 50e-6;
    private static final double S9_VHF = 5e-6;
    private static final double DECIBELS = 6;

    private SignalLevels() {}

    static Optional<Decoded> decode(String text) {
        Matcher dbm = DBM.matcher(text);
        if (dbm.matches()) {
            double power = Double.parseDouble(dbm.group(1).replace('−', '-').replace(',', '.'));
            return Optional.of(volts(Math.sqrt(1e-3 * Math.pow(10, power / 10) * OHMS), List.of()));
        }
        Matcher s = S_UNITS.matcher(text);
        if (!s.matches()) return Optional.empty();
        double above =
                DECIBELS * (Integer.parseInt(s.group(1)) - 9) + (s.group(2) == null ? 0 : Integer.parseInt(s.group(2)));
        double times = Math.pow(10, above / 20);
        Alternative vhf = new Alternative(new Quantity(S9_VHF * times, Unit.VOLT), "on VHF S9 is 5 µV");
        return Optional.of(volts(S9 * times, List.of(vhf)));
    }

    private static Decoded volts(double value, List<Alternative> others) {
        return new Decoded(Unit.VOLT, List.of(value), Optional.empty(), OptionalDouble.empty(), others);
    }
}
