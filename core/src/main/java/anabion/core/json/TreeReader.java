package anabion.core.json;

import anabion.core.error.InputException;
import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.core.StreamReadFeature;
import java.io.CharConversionException;
import java.io.IOException;
import java.io.InputStream;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Reads JSON into a {@link Tree}. Doubled names, trailing text and truncation are errors with their line. */
public final class TreeReader {
    private static final JsonFactory FACTORY = JsonFactory.builder()
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .build();

    private TreeReader() {}

    /**
     * Reads one JSON value from the stream, which must hold nothing else.
     *
     * @throws InputException with the line, if it is not JSON
     * @throws IOException if the stream itself fails
     */
    public static Tree read(InputStream in) throws IOException {
        try (JsonParser parser = FACTORY.createParser(in)) {
            if (parser.nextToken() == null)
                throw InputException.at("").because("the file is empty").so("choose a file with content");
            Tree tree = value(parser);
            if (parser.nextToken() != null) {
                throw InputException.at("line " + line(parser))
                        .because("there is more text behind the end")
                        .so("keep one JSON object per file");
            }
            return tree;
        } catch (CharConversionException e) {
            throw InputException.at("").because("the file is not text in UTF-8").so("save it in UTF-8");
        } catch (JsonProcessingException e) {
            JsonLocation at = e.getLocation();
            String where = at == null ? "" : "line " + at.getLineNr() + ", column " + at.getColumnNr();
            String first = e.getOriginalMessage().lines().findFirst().orElse("this is not JSON");
            throw InputException.at(where)
                    .because("this is not complete JSON: " + first)
                    .so("get the file again, or mend it there");
        }
    }

    private static int line(JsonParser parser) {
        return parser.currentTokenLocation().getLineNr();
    }

    private static Tree value(JsonParser p) throws IOException {
        int line = line(p);
        return switch (p.currentToken()) {
            case START_OBJECT -> object(p, line);
            case START_ARRAY -> array(p, line);
            case VALUE_STRING -> new Tree.Leaf(Optional.of(p.getText()), line);
            case VALUE_NUMBER_INT, VALUE_NUMBER_FLOAT -> new Tree.Leaf(Optional.of(decimal(p, line)), line);
            case VALUE_TRUE -> new Tree.Leaf(Optional.of(true), line);
            case VALUE_FALSE -> new Tree.Leaf(Optional.of(false), line);
            default -> new Tree.Leaf(Optional.empty(), line);
        };
    }

    private static BigDecimal decimal(JsonParser p, int line) throws IOException {
        try {
            return p.getDecimalValue();
        } catch (NumberFormatException | ArithmeticException e) {
            throw InputException.at("line " + line)
                    .because("no number has this size")
                    .so("write it with a smaller exponent");
        }
    }

    private static Tree object(JsonParser p, int line) throws IOException {
        Map<String, Tree> fields = new LinkedHashMap<>();
        while (p.nextToken() != JsonToken.END_OBJECT) {
            String name = p.currentName();
            p.nextToken();
            fields.put(name, value(p));
        }
        return new Tree.Obj(fields, line);
    }

    private static Tree array(JsonParser p, int line) throws IOException {
        List<Tree> items = new ArrayList<>();
        while (p.nextToken() != JsonToken.END_ARRAY) items.add(value(p));
        return new Tree.Arr(items, line);
    }
}
