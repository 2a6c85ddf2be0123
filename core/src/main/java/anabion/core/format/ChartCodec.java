package anabion.core.format;

import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.json.Fields;
import anabion.core.json.Writing;
import java.util.Map;

/** The service chart's JSON. */
final class ChartCodec {
    private ChartCodec() {}

    static Chart read(Fields f) {
        return new Chart(
                f.id(),
                f.text("source", ""),
                f.flag("provisional", false),
                f.size("tolerance", 0.2),
                conditions(f.object("conditions")),
                f.list("rows", ChartCodec::row),
                f.extra());
    }

    private static Chart.Conditions conditions(Fields f) {
        return new Chart.Conditions(
                f.size("line", 0),
                f.text("meter"),
                f.text("band", ""),
                f.text("volume", ""),
                f.text("signal", ""),
                f.text("dial", ""),
                f.text("reference", Chassis.METAL),
                f.extra());
    }

    private static ChartRow row(Fields f) {
        return new ChartRow(
                f.id(),
                f.text("point"),
                f.text("band", ""),
                f.code("measure", Measure.values(), Measure.DC_VOLTS),
                f.number("value"),
                f.maybeNumber("sourceOhms"),
                f.maybeNumber("tolerance"),
                f.flag("followsLine", true),
                f.extra());
    }

    static Map<String, Object> write(Chart c) {
        return new Writing()
                .put("id", c.id())
                .text("source", c.source())
                .unless("provisional", c.provisional(), false)
                .put("tolerance", c.tolerance())
                .put("conditions", conditions(c.conditions()))
                .put("rows", c.rows().stream().map(ChartCodec::row).toList())
                .with(c.extra());
    }

    private static Map<String, Object> conditions(Chart.Conditions c) {
        return new Writing()
                .put("line", c.line())
                .put("meter", c.meter())
                .text("band", c.band())
                .text("volume", c.volume())
                .text("signal", c.signal())
                .text("dial", c.dial())
                .put("reference", c.reference())
                .with(c.extra());
    }

    private static Map<String, Object> row(ChartRow r) {
        return new Writing()
                .put("id", r.id())
                .put("point", r.point())
                .text("band", r.band())
                .unless("measure", r.measure(), Measure.DC_VOLTS)
                .put("value", r.value())
                .put("sourceOhms", r.sourceOhms())
                .put("tolerance", r.tolerance())
                .unless("followsLine", r.followsLine(), true)
                .with(r.extra());
    }
}
