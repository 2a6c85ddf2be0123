package anabion.cli;

import anabion.core.error.InputException;
import java.io.IOException;
import java.io.Reader;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/** Reads the lists that commands take besides a chassis. */
final class Lists {
    private static final long MOST_BYTES = 32L << 20;

    private Lists() {}

    /** What makes something of a list. */
    interface Reading<T> {
        T from(Reader in) throws IOException;
    }

    /** @throws InputException naming the file, where there is none or what is in it cannot be read */
    static <T> T read(Path file, Reading<T> reading) throws IOException {
        if (!Files.isRegularFile(file))
            throw InputException.at(file.toString())
                    .because("there is no such file")
                    .so("check the name");
        if (Files.size(file) > MOST_BYTES)
            throw InputException.at(file.getFileName().toString())
                    .because("no list is larger than " + (MOST_BYTES >> 20) + " MB")
                    .so("take rows out");
        try (Reader in = Files.newBufferedReader(file, StandardCharsets.UTF_8)) {
            return reading.from(in);
        } catch (CharacterCodingException e) {
            throw InputException.at(file.getFileName().toString())
                    .because("the file is not text in UTF-8")
                    .so("save it as CSV in UTF-8");
        } catch (InputException e) {
            throw e.inside(file.getFileName().toString());
        }
    }
}
