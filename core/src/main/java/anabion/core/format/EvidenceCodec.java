package anabion.core.format;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Points;
import anabion.core.diagnosis.Observation;
import anabion.core.engine.Engine;
import anabion.core.engine.Setting;
import anabion.core.input.BadInput;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import java.io.IOException;
import java.io.Reader;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * Evidence for a diagnosis as a list: {@code kind,at,value[,against,line,band,meter]}. {@code volts,V4.1,3.1,,231,AM,10M} is a reading against
 * the reference; {@code ohms,B1,15k,CHASSIS} is taken with the power off, {@code open} being no passage at all.
 */
public final class EvidenceCodec {
    private static final double TEST = 1.5;

    private EvidenceCodec() {}

    /** @throws BadInput with line and field */
    public static List<Observation> read(Reader in, Chassis chassis) throws IOException {
        List<Observation> all = new ArrayList<>();
        for (Table.Row row : Table.read(in, Set.of("kind", "at", "value"), Set.of("against", "line", "band", "meter")))
            all.add(observation(row, chassis));
        return all;
    }

    private static Observation observation(Table.Row row, Chassis chassis) {
        String kind = row.need("kind").toLowerCase(Locale.ROOT);
        if (kind.equals("ohms")) {
            String against = row.get("against").isEmpty() ? Engine.reference(chassis) : row.get("against");
            double ohms = row.need("value").equalsIgnoreCase("open") ? 1e9 : row.number("value", Unit.OHM);
            return new Observation.Ohms(
                    net(row, "at", row.need("at"), chassis), net(row, "against", against, chassis), ohms, TEST);
        }
        if (!kind.equals("volts"))
            throw row.trouble("kind", "\"" + kind + "\" is no kind of evidence known here", "use volts or ohms");
        double line = row.get("line").isEmpty() ? chassis.supply().volts() : Notation.exact(row.get("line"), Unit.VOLT);
        String band = row.get("band");
        if (!band.isEmpty() && chassis.band(band).isEmpty())
            throw row.trouble("band", "there is no band " + band, "use a band of this set");
        String meter = row.get("meter").isEmpty() ? "10M" : row.get("meter");
        return new Observation.Volts(
                row.need("at"),
                net(row, "at", row.need("at"), chassis),
                row.number("value", Unit.VOLT),
                Setting.of(line).withBand(band),
                MeterSpec.parse(meter));
    }

    private static String net(Table.Row row, String column, String name, Chassis chassis) {
        if (Engine.nets(chassis).contains(name)) return name;
        try {
            return Points.of(chassis).need(name).net();
        } catch (BadInput e) {
            throw row.trouble(column, "\"" + name + "\": " + e.what(), e.remedy());
        }
    }
}
