package anabion.core.json;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.StreamWriteFeature;
import com.fasterxml.jackson.core.util.DefaultPrettyPrinter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;

/** Writes plain maps, lists, text, numbers and booleans as indented JSON with a dot as decimal mark and {@code \n} line ends. */
public final class TreeWriter {
    private static final JsonFactory FACTORY = JsonFactory.builder()
            .enable(StreamWriteFeature.WRITE_BIGDECIMAL_AS_PLAIN)
            .build();

    private TreeWriter() {}

    /**
     * Writes maps, lists, texts, numbers and truth values as JSON in UTF-8.
     *
     * @throws IOException if the stream fails
     */
    public static void write(Object value, OutputStream out) throws IOException {
        try (JsonGenerator generator = FACTORY.createGenerator(out)) {
            finish(generator, value);
        }
    }

    /** The same as a text. */
    public static String text(Object value) {
        StringWriter text = new StringWriter();
        try (JsonGenerator generator = FACTORY.createGenerator(text)) {
            finish(generator, value);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    private static void finish(JsonGenerator generator, Object value) throws IOException {
        DefaultPrettyPrinter printer = new DefaultPrettyPrinter();
        printer.indentObjectsWith(new com.fasterxml.jackson.core.util.DefaultIndenter("  ", "\n"));
        generator.setPrettyPrinter(printer);
        put(generator, value);
        generator.writeRaw('\n');
    }

    private static void put(JsonGenerator g, Object value) throws IOException {
        if (value instanceof Map<?, ?> map) {
            g.writeStartObject();
            for (Map.Entry<?, ?> e : map.entrySet()) {
                g.writeFieldName(String.valueOf(e.getKey()));
                put(g, e.getValue());
            }
            g.writeEndObject();
        } else if (value instanceof Collection<?> list) {
            g.writeStartArray();
            for (Object item : list) put(g, item);
            g.writeEndArray();
        } else if (value instanceof Optional<?> o) {
            if (o.isPresent()) put(g, o.get());
            else g.writeNull();
        } else if (value instanceof Number n) {
            number(g, n);
        } else if (value instanceof Boolean b) {
            g.writeBoolean(b);
        } else {
            g.writeString(String.valueOf(value));
        }
    }

    private static void number(JsonGenerator g, Number n) throws IOException {
        if (n instanceof BigDecimal d) g.writeNumber(d);
        else if (n instanceof Integer || n instanceof Long) g.writeNumber(n.longValue());
        else g.writeNumber(shortest(n.doubleValue()));
    }

    /** The shortest decimal that reads back as the same double, without an exponent and without a needless {@code .0}. */
    private static BigDecimal shortest(double value) {
        BigDecimal d = new BigDecimal(Double.toString(value)).stripTrailingZeros();
        return d.scale() < 0 ? d.setScale(0) : d;
    }
}
