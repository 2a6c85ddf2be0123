package anabion.core.format;

import java.io.IOException;
import java.util.Arrays;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/**
 * The one CSV writer: a header line, then rows. A text that a spreadsheet would carry out as a formula has an apostrophe before it in the file, which
 * the reader takes off again; numbers stay as they are.
 */
final class TableWriter {
    private static final Pattern FORMULA = Pattern.compile("'*[=+\\-@\\t\\r].*", Pattern.DOTALL);
    private static final Pattern QUOTED = Pattern.compile("'+[=+\\-@\\t\\r].*", Pattern.DOTALL);
    private static final Pattern NUMBER = Pattern.compile("[-+]?\\d+(\\.\\d*)?([eE][-+]?\\d+)?");

    private final CSVPrinter printer;

    TableWriter(Appendable out, String... header) throws IOException {
        printer = new CSVPrinter(
                out,
                CSVFormat.DEFAULT
                        .builder()
                        .setHeader(header)
                        .setRecordSeparator('\n')
                        .get());
    }

    void row(Object... cells) throws IOException {
        printer.printRecord(
                Arrays.stream(cells).map(c -> neutral(String.valueOf(c))).toArray());
        printer.flush();
    }

    static String neutral(String text) {
        return FORMULA.matcher(text).matches() && !NUMBER.matcher(text).matches() ? "'" + text : text;
    }

    /** What {@link #neutral} was given. */
    static String original(String cell) {
        return QUOTED.matcher(cell).matches() ? cell.substring(1) : cell;
    }
}
