package anabion.core.format;

import anabion.core.chassis.Dielectric;
import anabion.core.error.InputException;
import anabion.core.json.Coded;
import anabion.core.quantity.Decoded;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import anabion.core.recap.Stock;
import java.io.IOException;
import java.io.Reader;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Lists of what is in the drawers. */
public final class StockCodec {
    private StockCodec() {}

    /**
     * Reads {@code kind,value,count} and optionally {@code class}; the value carries its rating: {@code film,10n/630,8}; of a tube its test:
     * {@code tube,6AQ5 71/50,1}.
     *
     * @throws InputException with line and field
     */
    public static Stock read(Reader in) throws IOException {
        List<Stock.Drawer> lines = new ArrayList<>();
        List<Stock.Spare> spares = new ArrayList<>();
        for (Table.Row row : Table.read(in, List.of("kind", "value", "count"), List.of("class"))) {
            if (row.need("kind").equalsIgnoreCase("tube")) spares.add(spare(row));
            else lines.add(line(row));
        }
        return new Stock(lines, spares);
    }

    /** {@code tube,6AQ5 71/50,1}: type, emission and the least that is good. */
    private static Stock.Spare spare(Table.Row row) {
        String[] words = row.need("value").strip().split("[\\s/]+");
        try {
            return new Stock.Spare(
                    words[0],
                    words.length > 1 ? Double.parseDouble(words[1]) : 0,
                    words.length > 2 ? Double.parseDouble(words[2]) : 0);
        } catch (NumberFormatException e) {
            throw row.trouble(
                    "value", "\"" + row.need("value") + "\" is no tube with its test", "write it like 6AQ5 71/50");
        }
    }

    private static Stock.Drawer line(Table.Row row) {
        String kind = row.need("kind").toLowerCase(Locale.ROOT);
        Dielectric found = Coded.find(Dielectric.values(), kind)
                .orElseThrow(() -> row.trouble(
                        "kind", "\"" + kind + "\" is no kind of part", "use film, electrolytic, mica or ceramic"));
        Decoded d = decoded(row);
        String count = row.need("count").strip();
        if (!count.matches("\\d{1,6}"))
            throw row.trouble("count", "\"" + count + "\" is no count", "write a whole number");
        double volts = d.rating().map(r -> r.value()).orElse(0.0);
        return new Stock.Drawer(
                found, d.value(), volts, row.get("class").toUpperCase(Locale.ROOT), Integer.parseInt(count));
    }

    private static Decoded decoded(Table.Row row) {
        try {
            return Notation.decode(row.need("value"), Unit.FARAD);
        } catch (InputException e) {
            throw row.trouble("value", e.what(), e.remedy());
        }
    }
}
