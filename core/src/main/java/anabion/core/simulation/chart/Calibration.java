package anabion.core.simulation.chart;

import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Points;
import anabion.core.numeric.RealLu;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.tolerance.Sensitivity;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The healthy model brought to agree with a service chart.
 *
 * <p>Method: the specimen that was charted had parts anywhere within their tolerances. Of all such specimens the likeliest is taken
 * whose computed readings come near the printed ones: θ = Σ·Sᵀ·(S·Σ·Sᵀ + C)⁻¹·r with S the sensitivities, Σ the spread
 * of parts, tubes and line, C that of printing and reading (linear Gaussian estimate, any textbook), repeated {@link #ROUNDS} times. What
 * is left at a row is kept as an offset. It fails where the chart belongs to another circuit: {@link #fits} then says no.
 */
public final class Calibration {
    private static final int ROUNDS = 2;
    /** Of a charted value, as a fraction, and in volts. */
    private static final double READING = 0.02;

    private static final double PRINTING = 0.05;
    /** A row further off than this, as a fraction and in volts, is not explained by the circuit. */
    private static final double FAR = 0.25;

    private static final double FAR_VOLTS = 3;

    private final Map<String, Double> trims;
    private final Map<String, Double> offsets;
    private final Map<String, Double> charted;
    private final double line;

    private Calibration(
            Map<String, Double> trims, Map<String, Double> offsets, Map<String, Double> charted, double line) {
        this.trims = trims;
        this.offsets = offsets;
        this.charted = charted;
        this.line = line;
    }

    /** Factors of parts and of the line, by reference. */
    public Map<String, Double> trims() {
        return trims;
    }

    /** What the chart shows above the calibrated model at a row, in volts, restated for a line voltage. */
    public double offset(String row, double atLine) {
        return offsets.getOrDefault(row, 0.0) * (line > 0 ? atLine / line : 1);
    }

    /** Whether the circuit explains what is charted at a row. */
    public boolean fits(String row) {
        if (!offsets.containsKey(row)) return false;
        return Math.abs(offsets.get(row)) <= FAR * Math.abs(charted.get(row)) + FAR_VOLTS;
    }

    /** Of a charted value: point and measure. */
    public static String key(String point, Measure measure) {
        return point + "/" + measure;
    }

    /** The trims with which the circuit gives the chart, by regularised least squares. */
    public static Calibration of(Simulator engine, Chassis chassis, Chart chart) {
        Setting setting = MeterModel.charted(chassis, chart.conditions());
        List<ChartRow> rows = chart.rows().stream()
                .filter(r -> r.measure() == Measure.DC_VOLTS
                        && (r.band().isEmpty()
                                || r.band().equals(chart.conditions().band())))
                .toList();
        List<String> nets =
                rows.stream().map(r -> Points.of(chassis).need(r.point()).net()).toList();
        Map<String, Double> trims = new LinkedHashMap<>();
        MeterSpec meter = MeterSpec.parse(chart.conditions().meter());
        for (int n = 0; n < ROUNDS && !rows.isEmpty(); n++) {
            Setting at = setting.withTrims(trims);
            MeterModel reader = new MeterModel(engine.prepare(chassis, at));
            if (!reader.works()) break;
            double[] missing = new double[rows.size()];
            for (int i = 0; i < missing.length; i++) {
                double read = reader.read(nets.get(i), Measure.DC_VOLTS, meter)
                        .orElse(rows.get(i).value());
                missing[i] = rows.get(i).value() - read;
            }
            Optional<Sensitivity> sensitivity = reader.sensitivity(engine, chassis, at);
            if (sensitivity.isEmpty()) break;
            trims = improved(sensitivity.get(), trims, rows, nets, missing);
        }
        return finished(engine, chassis, chart, setting, trims);
    }

    private static Map<String, Double> improved(
            Sensitivity sensitivity,
            Map<String, Double> trims,
            List<ChartRow> rows,
            List<String> nets,
            double[] missing) {
        int m = rows.size();
        RealLu lu = new RealLu(m);
        for (int i = 0; i < m; i++) {
            double own = READING * Math.abs(rows.get(i).value()) + PRINTING;
            for (int j = 0; j < m; j++)
                lu.matrix()[i * m + j] = (i == j ? own * own : 0) + sensitivity.covariance(nets.get(i), nets.get(j));
        }
        if (!lu.factor()) return trims;
        double[] weight = missing.clone();
        lu.solve(weight);
        Map<String, Double> better = new LinkedHashMap<>(trims);
        for (String part : sensitivity.parts()) {
            double s = sensitivity.spread(part);
            double move = 0;
            for (int i = 0; i < m; i++) move += sensitivity.slope(nets.get(i), part) * weight[i];
            double factor = 1 + Math.max(-2 * s, Math.min(2 * s, s * s * move));
            better.merge(part, factor, (x, y) -> x * y);
        }
        return better;
    }

    private static Calibration finished(
            Simulator engine, Chassis chassis, Chart chart, Setting setting, Map<String, Double> trims) {
        MeterModel reader = new MeterModel(engine.prepare(chassis, setting.withTrims(trims)));
        MeterSpec meter = MeterSpec.parse(chart.conditions().meter());
        Map<String, Double> offsets = new LinkedHashMap<>();
        Map<String, Double> charted = new LinkedHashMap<>();
        for (ChartRow r : chart.rows()) {
            if (!reader.works() || r.measure() == Measure.OHMS) continue;
            String key = key(r.point(), r.measure());
            charted.put(key, r.value());
            reader.read(Points.of(chassis).need(r.point()).net(), r.measure(), meter)
                    .ifPresent(read -> offsets.put(key, r.value() - read));
        }
        return new Calibration(trims, offsets, charted, chart.conditions().line());
    }
}
