package anabion.core.format;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.StringReader;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.CharRange;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Lists that go to a spreadsheet, and come back. */
class TableWriterTest {
    private static String written(Object... cells) throws IOException {
        StringBuilder out = new StringBuilder();
        new TableWriter(out, "note", "value").row(cells);
        return out.toString();
    }

    @ParameterizedTest
    @ValueSource(strings = {"=1+1", "+cmd", "@SUM(A1)", "-2+3", "\t=1", "\r=1", "'=1+1", "''=1"})
    void noTextIsAFormula(String text) throws IOException {
        String cell = written(text, 1).lines().skip(1).findFirst().orElseThrow().replaceFirst("^\"", "");
        assertThat(cell).startsWith("'" + text.substring(0, 1).strip());
    }

    @Test
    void numbersStayNumbers() throws IOException {
        assertThat(written(-8.5, "-1.5E-3")).endsWith("\n-8.5,-1.5E-3\n");
        assertThat(written("it's", "a-b")).endsWith("\nit's,a-b\n");
    }

    @Property(seed = "31", tries = 1000)
    void whatIsReadIsWhatWasWritten(
            @ForAll @StringLength(min = 1, max = 6) @CharRange(from = '\'', to = '@') String text) throws IOException {
        List<Table.Row> rows = Table.read(new StringReader(written(text, 1)), List.of("note", "value"), List.of());
        assertThat(rows).singleElement().satisfies(r -> assertThat(r.get("note"))
                .isEqualTo(text.strip()));
    }
}
