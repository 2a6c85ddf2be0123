package anabion.core.simulation.chart;

import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;

/**
 * Fills a service chart from a computed specimen: with the chart's own line and meter, rounded as printed charts are (volts from 20 up,
 * tenths from 2 up, hundredths below).
 */
public final class ChartMaker {
    /** A resistance of the circuit behind a point below this is not worth printing. */
    private static final double WORTH = 100;

    private ChartMaker() {}

    /**
     * The chart with every value computed anew.
     *
     * @param trims of the specimen
     * @throws IllegalStateException if the set has no chart or does not settle
     */
    public static Chart of(Chassis chassis, Map<String, Double> trims) {
        Chart chart = chassis.chart().orElseThrow(() -> new IllegalStateException("a chart without points"));
        Setting setting = MeterModel.charted(chassis, chart.conditions()).withTrims(trims);
        MeterModel reader = new MeterModel(new Simulator().prepare(chassis, setting));
        if (!reader.works()) throw new IllegalStateException(chassis.name() + " does not settle");
        List<ChartRow> rows = new ArrayList<>();
        for (ChartRow r : chart.rows()) rows.add(row(chassis, chart, reader, r));
        return new Chart(chart.id(), chart.source(), false, chart.tolerance(), chart.conditions(), rows, chart.extra());
    }

    private static ChartRow row(Chassis chassis, Chart chart, MeterModel reader, ChartRow r) {
        Point point = Points.of(chassis).need(r.point());
        MeterSpec meter = MeterSpec.parse(chart.conditions().meter());
        double read = reader.read(point.net(), r.measure(), meter).orElseThrow();
        return new ChartRow(
                r.id(),
                r.point(),
                r.band(),
                r.measure(),
                printed(read),
                behind(reader, point.net(), r.measure(), meter, read),
                r.tolerance(),
                r.followsLine(),
                r.extra());
    }

    /** From how far the meter pulls the point: R = R_m·(V − V_read)/V_read. */
    private static OptionalDouble behind(MeterModel reader, String net, Measure measure, MeterSpec meter, double read) {
        if (measure == Measure.AC_VOLTS || Math.abs(read) < 0.05) return OptionalDouble.empty();
        double free = reader.free(net, measure);
        double ohms = meter.ohmsAt(free) * (free - read) / read;
        return ohms < WORTH
                ? OptionalDouble.empty()
                : OptionalDouble.of(Double.parseDouble(String.format(java.util.Locale.ROOT, "%.1e", ohms)));
    }

    /** As a chart prints it. */
    public static double printed(double volts) {
        double size = Math.abs(volts);
        double unit = size >= 20 ? 1 : size >= 2 ? 0.1 : 0.01;
        double rounded = Math.rint(volts / unit) * unit;
        return Math.rint(rounded * 1000) / 1000 + 0.0;
    }
}
