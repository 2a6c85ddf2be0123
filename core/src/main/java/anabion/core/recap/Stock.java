package anabion.core.recap;

import anabion.core.format.Table;
import anabion.core.input.BadInput;
import anabion.core.quantity.Decoded;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import java.io.IOException;
import java.io.Reader;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** The capacitors in the drawer. */
public record Stock(List<Line> lines) {
    public static final Stock NONE = new Stock(List.of());

    private static final double CLOSE = 1e-6;

    /**
     * @param klass {@code X2}, {@code Y2}, {@code Y1} or empty
     */
    public record Line(Kind kind, double farads, double volts, String klass, int count) {}

    public Stock {
        lines = List.copyOf(lines);
    }

    /**
     * Reads {@code kind,value,count} and optionally {@code class}; the value carries its rating: {@code film,10n/630,8}.
     *
     * @throws BadInput with line and field
     */
    public static Stock read(Reader in) throws IOException {
        List<Line> lines = new ArrayList<>();
        for (Table.Row row : Table.read(in, Set.of("kind", "value", "count"), Set.of("class"))) lines.add(line(row));
        return new Stock(lines);
    }

    private static Line line(Table.Row row) {
        String kind = row.need("kind").toLowerCase(Locale.ROOT);
        Kind found = Arrays.stream(Kind.values())
                .filter(k -> k.code().equals(kind))
                .findFirst()
                .orElseThrow(() -> row.trouble(
                        "kind", "\"" + kind + "\" is no kind of part", "use film, electrolytic, mica or ceramic"));
        Decoded d = decoded(row);
        String count = row.need("count").strip();
        if (!count.matches("\\d{1,6}"))
            throw row.trouble("count", "\"" + count + "\" is no count", "write a whole number");
        double volts = d.rating().map(r -> r.value()).orElse(0.0);
        return new Line(found, d.value(), volts, row.get("class").toUpperCase(Locale.ROOT), Integer.parseInt(count));
    }

    private static Decoded decoded(Table.Row row) {
        try {
            return Notation.decode(row.need("value"), Unit.FARAD);
        } catch (BadInput e) {
            throw row.trouble("value", e.what(), e.remedy());
        }
    }

    /** What is there of a kind, bears the volts and lies between two values; the nearest to the wanted one first. */
    List<Line> between(Kind kind, double least, double most, double volts, String klass) {
        return lines.stream()
                .filter(l -> l.kind() == kind && l.count() > 0 && l.klass().equals(klass))
                .filter(l ->
                        l.farads() >= least * (1 - CLOSE) && l.farads() <= most * (1 + CLOSE) && l.volts() >= volts)
                .sorted(java.util.Comparator.comparingDouble(
                        l -> Math.abs(Math.log(l.farads() / Math.sqrt(least * most)))))
                .toList();
    }

    /** How many there are of just this. */
    public int count(Kind kind, double farads, double volts, Optional<Choice.Safety> safety) {
        String klass = safety.map(s -> s.klass().name()).orElse("");
        return lines.stream()
                .filter(l -> l.kind() == kind && l.klass().equals(klass) && l.volts() >= volts)
                .filter(l -> Math.abs(l.farads() / farads - 1) < 0.005)
                .mapToInt(Line::count)
                .sum();
    }
}
