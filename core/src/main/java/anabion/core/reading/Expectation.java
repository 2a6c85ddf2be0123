package anabion.core.reading;

import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What the meter should show today, and how that follows from the chart.
 *
 * <p>Method: a charted value V is first freed of the charting meter's load, V·(1 + R_s/R_chart), where R_s is the resistance
 * of the circuit behind the point; then scaled by the line, V·L/L_chart, to first order (every rail of a rectifier supply
 * follows the line; bias and contact potentials marked as not following are left alone); then loaded with today's meter,
 * V/(1 + R_s/R_m). Source: the voltage divider. It fails where the source resistance itself changes with the load, as
 * in a grid leak of many megohms that draws grid current.
 *
 * @param charted as printed; empty where only the circuit says what should be there
 * @param value as it should read now
 * @param low lower end of what is still within
 * @param high upper end of what is still within
 * @param arithmetic the steps in words
 */
public record Expectation(OptionalDouble charted, double value, double low, double high, List<Phrase> arithmetic) {
    /** Tolerance of a point that only the circuit knows: parts and tubes of this specimen may all differ. */
    private static final double UNCHARTED = 0.2;

    public Expectation {
        arithmetic = List.copyOf(arithmetic);
    }

    /** Restates a charted value for a condition. Pure; see the class for method and failure. */
    public static Expectation of(Chart chart, ChartRow row, Condition now, Tolerances policy) {
        List<Phrase> steps = new ArrayList<>();
        double value = row.value();
        if (row.measure() != Measure.OHMS) {
            value = unloaded(chart, row, value, steps);
            value = atLine(chart, row, now, value, steps);
            value = loaded(row, now, value, steps);
        }
        double fraction = policy.usual().orElse(row.tolerance().orElse(chart.tolerance()));
        double half = Math.abs(value) * fraction + policy.floor(row.measure());
        steps.add(within(fraction, value, half));
        return new Expectation(OptionalDouble.of(row.value()), value, value - half, value + half, steps);
    }

    /** What the circuit predicts, with the tolerance of the chart's row or, without one, of an uncharted point. */
    static Expectation of(
            Predictor.Prediction p, Measure measure, Optional<Chart> chart, Optional<ChartRow> row, Tolerances policy) {
        double usual = row.map(
                        r -> r.tolerance().orElse(chart.map(Chart::tolerance).orElse(UNCHARTED)))
                .orElse(UNCHARTED);
        double fraction = policy.usual().orElse(usual);
        double half = Math.abs(p.value()) * fraction + policy.floor(measure);
        List<Phrase> steps = new ArrayList<>(p.arithmetic());
        steps.add(within(fraction, p.value(), half));
        OptionalDouble charted = row.isPresent() ? OptionalDouble.of(row.get().value()) : OptionalDouble.empty();
        return new Expectation(charted, p.value(), p.value() - half, p.value() + half, steps);
    }

    private static Phrase within(double fraction, double value, double half) {
        return Phrase.of(
                "arithmetic.tolerance",
                Figures.percent(fraction),
                Figures.volts(value - half),
                Figures.volts(value + half));
    }

    /** Half the width of the band in which a reading is within. */
    public double half() {
        return (high - low) / 2;
    }

    /** How far a reading lies from the expectation, in half-widths; negative when low. */
    public double deviation(double read) {
        return half() == 0 ? 0 : (read - value) / half();
    }

    /** Likewise, farther from zero being higher: of volts that should be negative those that are more so. */
    public double size(double read) {
        return value < 0 && read <= 0 ? -deviation(read) : deviation(read);
    }

    private static double unloaded(Chart chart, ChartRow row, double value, List<Phrase> steps) {
        if (row.sourceOhms().isEmpty() || row.measure() == Measure.AC_VOLTS) return value;
        double meter = MeterSpec.parse(chart.conditions().meter()).ohmsAt(value);
        double free = value * (1 + row.sourceOhms().getAsDouble() / meter);
        steps.add(Phrase.of(
                "arithmetic.unloaded",
                Figures.volts(value),
                ohms(meter),
                ohms(row.sourceOhms().getAsDouble()),
                Figures.volts(free)));
        return free;
    }

    private static double atLine(Chart chart, ChartRow row, Condition now, double value, List<Phrase> steps) {
        double charted = chart.conditions().line();
        if (!row.followsLine() || charted <= 0 || now.line() <= 0 || charted == now.line()) return value;
        double scaled = value * now.line() / charted;
        steps.add(Phrase.of(
                "arithmetic.line",
                Figures.volts(value),
                Figures.fixed(now.line(), 0),
                Figures.fixed(charted, 0),
                Figures.volts(scaled)));
        return scaled;
    }

    private static double loaded(ChartRow row, Condition now, double value, List<Phrase> steps) {
        if (row.sourceOhms().isEmpty() || row.measure() == Measure.AC_VOLTS) return value;
        double meter = now.meter().ohmsAt(value);
        double read = value / (1 + row.sourceOhms().getAsDouble() / meter);
        steps.add(Phrase.of("arithmetic.loaded", ohms(meter), Figures.volts(read)));
        return read;
    }

    private static String ohms(double value) {
        return Figures.si(Quantity.ohms(value));
    }
}
