package anabion.core.quantity;

import static anabion.core.quantity.ValueReader.alternative;

import anabion.core.error.InputException;
import anabion.core.quantity.Decoded.Alternative;
import anabion.core.quantity.ValueReader.Section;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Decides what the pieces of a written value mean together, and what else they could mean. */
record Meaning(
        String original,
        Optional<Unit> expected,
        List<Section> sections,
        Optional<Prefix> shared,
        OptionalDouble rating,
        String ratingUnit,
        OptionalDouble tolerance) {

    /** Above this a resistor marked M is read as thousands: receivers hardly use larger ones, old American lists did write M for a thousand. */
    private static final double PLAUSIBLE_OHMS = 25e6;

    /** Microfarads times volts of the largest electrolytics that receivers have. */
    private static final double LARGEST_CHARGE = 120_000;
    /** How many times more or less than that leaves a doubt. */
    private static final double DOUBT = 4;
    /** Without volts a number from this on counts picofarads. */
    private static final double SMALL_NUMBER = 100;

    private static final double MICRO = 1e-6;
    private static final double PICO = 1e-12;

    Decoded decoded() {
        Unit unit = unit();
        List<Double> values = new ArrayList<>();
        List<Alternative> others = new ArrayList<>();
        for (Section s : sections) values.add(value(s, unit, others));
        Optional<Quantity> rated = rating.isPresent()
                ? Optional.of(new Quantity(rating.getAsDouble(), ratedUnit(unit)))
                : Optional.empty();
        return new Decoded(unit, values, rated, tolerance, sections.size() > 1 ? List.of() : others);
    }

    private Unit unit() {
        Optional<Unit> written = shared.map(Prefix::unit);
        if (written.isPresent()) {
            Unit unit = written.get();
            boolean bareMultiplier = shared.get().text().length() == 1
                    && "unpUNP".contains(shared.get().text());
            if (expected.isPresent() && bareMultiplier) return expected.get();
            if (expected.isPresent() && expected.get() != unit) {
                throw InputException.at("\"" + original + "\"")
                        .because("this is a " + unit.kind() + " value, and a "
                                + expected.get().kind() + " value belongs here")
                        .so("give it in " + expected.get().symbol());
            }
            return unit;
        }
        if (expected.isPresent()) return expected.get();
        if (sections.size() > 1 || (rating.isPresent() && !isWatts()))
            return shared.isPresent() && sections.size() == 1 ? Unit.OHM : Unit.FARAD;
        if (shared.isPresent() || isWatts()) return Unit.OHM;
        return sections.get(0).numeral().value() < 1
                        && sections.get(0).numeral().value() > 0
                ? Unit.FARAD
                : Unit.OHM;
    }

    private boolean isWatts() {
        return (ratingUnit.startsWith("W") && !ratingUnit.startsWith("WV"))
                || (ratingUnit.startsWith("w") && !ratingUnit.startsWith("wv"));
    }

    private Unit ratedUnit(Unit unit) {
        if (isWatts()) return Unit.WATT;
        return unit == Unit.OHM && ratingUnit.isEmpty() ? Unit.WATT : Unit.VOLT;
    }

    private double value(Section s, Unit unit, List<Alternative> others) {
        Optional<Prefix> suffix = s.suffix().or(() -> shared);
        double n = s.numeral().value();
        double factor = suffix.map(p -> factor(p, unit)).orElseGet(() -> customary(n, unit));
        if (suffix.isEmpty() && unit == Unit.FARAD && n >= 1 && sections.size() == 1 && isDoubtful(n))
            other(n, factor, others);
        s.numeral().otherScaled(factor).ifPresent(v -> others.add(alternative(v, unit, Numeral.COMMA)));
        if (suffix.isPresent()) return suffixed(suffix.get(), n, factor, unit, others);
        if (expected.isEmpty() && rating.isEmpty()) bareAlternatives(s, n, unit, others);
        return scaled(n, factor);
    }

    private double suffixed(Prefix p, double n, double factor, Unit unit, List<Alternative> others) {
        if (p.isDoubtful()) others.add(alternative(scaled(n, p.otherFactor()), unit, p.otherReason()));
        if (p.hasUnit() || unit != Unit.OHM || n < 1) return scaled(n, factor);
        if (p.text().equals("m")) {
            others.add(alternative(n * 1e-3, Unit.OHM, "a small m is milli"));
        } else if (p.text().equals("M")) {
            String reason = "old American lists write M for a thousand";
            if (n * 1e6 > PLAUSIBLE_OHMS) {
                others.add(alternative(n * 1e6, Unit.OHM, "M is mega today"));
                return n * 1e3;
            }
            others.add(alternative(n * 1e3, Unit.OHM, reason));
        }
        return scaled(n, factor);
    }

    /** On a capacitor a bare k counts picofarads and a bare M microfarads; on a resistor a small m can only be meant as mega. */
    private static double factor(Prefix p, Unit unit) {
        if (p.hasUnit()) return p.factor();
        if (unit == Unit.FARAD) return p.text().equalsIgnoreCase("k") ? 1e-9 : 1e-6;
        if (unit == Unit.OHM && p.text().equals("m")) return 1e6;
        return p.factor();
    }

    /** Bare capacitor numbers: microfarads where such an electrolytic can be bought, else picofarads. */
    private double customary(double n, Unit unit) {
        if (unit != Unit.FARAD) return 1;
        boolean micro = isVolts() ? n * rating.getAsDouble() <= LARGEST_CHARGE : n < SMALL_NUMBER;
        return micro ? MICRO : PICO;
    }

    /** Beside volts the number is clear, unless it lies near the largest that is sold. */
    private boolean isDoubtful(double n) {
        double share = isVolts() ? n * rating.getAsDouble() / LARGEST_CHARGE : 1;
        return share > 1 / DOUBT && share < DOUBT;
    }

    private boolean isVolts() {
        return rating.isPresent() && !isWatts();
    }

    private static void other(double n, double factor, List<Alternative> others) {
        boolean micro = factor > PICO * 10;
        others.add(alternative(
                scaled(n, micro ? PICO : MICRO),
                Unit.FARAD,
                micro ? "a list may count picofarads" : "a list may count microfarads"));
    }

    private static void bareAlternatives(Section s, double n, Unit unit, List<Alternative> others) {
        if (unit == Unit.FARAD) {
            others.add(alternative(n, Unit.OHM, "a bare number can be ohms"));
            return;
        }
        if (s.digits().matches("[1-9]\\d\\d")) {
            double code = Integer.parseInt(s.digits().substring(0, 2))
                    * Math.pow(10, s.digits().charAt(2) - '0');
            others.add(alternative(code, Unit.OHM, "as a three-figure marking code, ohms"));
            others.add(alternative(code * 1e-12, Unit.FARAD, "as a three-figure marking code, picofarads"));
        }
        others.add(alternative(n * 1e-12, Unit.FARAD, "capacitor lists count picofarads"));
        others.add(alternative(n * 1e-6, Unit.FARAD, "capacitor lists count microfarads"));
    }

    /** In decimal, as it was written: 20 × 10⁻⁶ is 0.00002 and not the binary neighbour below it. */
    private static double scaled(double n, double factor) {
        return new BigDecimal(Double.toString(n))
                .multiply(new BigDecimal(Double.toString(factor)))
                .doubleValue();
    }
}
