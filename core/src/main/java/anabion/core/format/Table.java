package anabion.core.format;

import anabion.core.error.InputException;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import java.io.IOException;
import java.io.Reader;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.csv.CSVException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * The one CSV reader: a header line, then rows of the same length. Comma, semicolon or tab, told from the header. A bare
 * decimal comma that shifts the columns makes a row longer than the header, and is an error, never a wrong value.
 */
public final class Table {
    private Table() {}

    /** One row with its line number in the file. */
    public record Row(long line, Map<String, String> cells) {
        /** The cell, stripped; empty when the column is absent. */
        public String get(String column) {
            return cells.getOrDefault(column, "").strip();
        }

        /**
         * The cell of a column that must be filled.
         *
         * @throws InputException if it is empty
         */
        public String need(String column) {
            String text = get(column);
            if (text.isEmpty()) throw trouble(column, "this cell is empty", "fill it in, or take the row out");
            return text;
        }

        /** An error at a cell of this row. */
        public InputException trouble(String column, String what, String remedy) {
            return InputException.at("line " + line + ", field " + column)
                    .because(what)
                    .so(remedy);
        }

        /** Ohms as a meter shows them; {@code open} for no passage. */
        public double ohms(String column) {
            try {
                return Notation.metered(need(column));
            } catch (InputException e) {
                throw e.inside("line " + line + ", field " + column);
            }
        }

        /** A number, in any notation of the unit; machine files write it plain. */
        public double number(String column, Unit unit) {
            String text = need(column);
            boolean negative = text.startsWith("-") || text.startsWith("−");
            try {
                double size = Notation.exact(negative ? text.substring(1) : text, unit);
                return negative ? -size : size;
            } catch (InputException e) {
                throw e.inside("line " + line + ", field " + column);
            }
        }
    }

    /**
     * Reads all rows.
     *
     * @param required columns that must be there
     * @param optional columns that may be there; any other column is an error
     * @throws InputException with the line and field
     */
    public static List<Row> read(Reader in, List<String> required, List<String> optional) throws IOException {
        StringBuilder all = new StringBuilder();
        char[] buffer = new char[8192];
        for (int n; (n = in.read(buffer)) > 0; ) all.append(buffer, 0, n);
        String text = all.toString().startsWith("\uFEFF") ? all.substring(1) : all.toString();
        String firstLine = text.lines().findFirst().orElse("");
        if (firstLine.isBlank())
            throw InputException.at("line 1")
                    .because("the header is missing")
                    .so("begin with " + String.join(",", required));
        try (CSVParser parser = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(delimiter(firstLine))
                .get()
                .parse(new java.io.StringReader(text))) {
            return rows(parser, required, optional);
        } catch (java.io.UncheckedIOException | CSVException e) {
            throw InputException.at("")
                    .because("a quoted field does not end: " + e.getMessage())
                    .so("close the quotes");
        }
    }

    /** What stands between the cells of a head line. */
    static char delimiter(String header) {
        return header.indexOf('\t') >= 0 ? '\t' : header.indexOf(';') >= 0 ? ';' : ',';
    }

    private static List<Row> rows(CSVParser parser, List<String> required, List<String> optional) {
        List<String> header = new ArrayList<>();
        List<Row> rows = new ArrayList<>();
        for (CSVRecord record : parser) {
            long line = parser.getCurrentLineNumber();
            if (header.isEmpty()) {
                record.forEach(name -> header.add(name.strip().toLowerCase(Locale.ROOT)));
                checkHeader(header, required, optional);
            } else if (record.size() > 1 || !record.get(0).isBlank()) {
                rows.add(row(header, record, line));
            }
        }
        return rows;
    }

    private static void checkHeader(List<String> header, List<String> required, List<String> optional) {
        for (String name : required) {
            if (!header.contains(name)) {
                throw InputException.at("line 1")
                        .because("the header has no column \"" + name + "\"; it has " + String.join(", ", header))
                        .so("the columns are " + String.join(", ", required) + " and, if wanted, "
                                + String.join(", ", optional));
            }
        }
        for (String name : header) {
            if (!required.contains(name) && !optional.contains(name)) {
                throw InputException.at("line 1, field " + name)
                        .because("this column is not known")
                        .so("use " + String.join(", ", required) + " and, if wanted, " + String.join(", ", optional));
            }
            if (header.indexOf(name) != header.lastIndexOf(name))
                throw InputException.at("line 1, field " + name)
                        .because("this column stands twice")
                        .so("keep one");
        }
    }

    private static Row row(List<String> header, CSVRecord record, long line) {
        if (record.size() != header.size()) {
            throw InputException.at("line " + line)
                    .because("this row has " + record.size() + " fields, the header has " + header.size())
                    .so(
                            record.size() > header.size()
                                    ? "put a value with a decimal comma in quotes, or write a point"
                                    : "add the missing fields");
        }
        Map<String, String> cells = new LinkedHashMap<>();
        for (int i = 0; i < header.size(); i++) cells.put(header.get(i), TableWriter.original(record.get(i)));
        return new Row(line, cells);
    }
}
