package anabion.workshop.report;

import anabion.core.error.InputException;
import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.MustacheException;
import com.samskivert.mustache.Template;
import java.io.IOException;
import java.io.InputStream;
import java.io.Reader;
import java.io.StringReader;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The templates of the printed pages: those in a folder of the workshop's own where there are any, the program's otherwise. */
public final class Templates {
    /** Within a workshop's folder. */
    public static final String FOLDER = "templates";

    public static final Templates STANDARD = new Templates(Optional.empty());

    private static final List<String> ALL =
            List.of("owner", "record", "card", "bag", "label", "style", "top", "figure", "pictures");

    private final Optional<Path> own;

    private Templates(Optional<Path> own) {
        this.own = own;
    }

    /** @param folder with templates of the same names; it need not exist */
    public static Templates in(Path folder) {
        return new Templates(Optional.of(folder));
    }

    /**
     * Writes the program's templates where a workshop's own belong, to be altered there; those that are there stay as they are.
     *
     * @return what was written
     */
    public static List<Path> copyTo(Path folder) throws IOException {
        Files.createDirectories(folder);
        List<Path> written = new ArrayList<>();
        for (String name : ALL) {
            Path file = folder.resolve(name + ".html");
            if (Files.exists(file)) continue;
            Files.writeString(file, standard(name));
            written.add(file);
        }
        return written;
    }

    /**
     * A page, filled.
     *
     * @param behind what is asked where the content does not know
     * @throws InputException if the workshop's own template cannot be understood
     */
    String page(String name, Object content, Object behind) throws IOException {
        try {
            StringWriter out = new StringWriter();
            template(name).execute(content, behind, out);
            return out.toString();
        } catch (MustacheException e) {
            throw unfit(name, e);
        }
    }

    static InputException unfit(String name, Throwable why) {
        return InputException.at(name + ".html")
                .because("this template cannot be understood (" + why.getMessage() + ")")
                .so("mend it, or take it away: the program's own serves then");
    }

    /** Its style and words alone. */
    static String empty(String name) throws IOException {
        return (standard(name).replace("{{>style}}", standard("style"))).replaceAll("\\{\\{[^}]*}}+", "");
    }

    private Template template(String name) throws IOException {
        return Mustache.compiler()
                .emptyStringIsFalse(true)
                .withLoader(this::part)
                .compile(text(name));
    }

    private Reader part(String name) throws IOException {
        return new StringReader(text(name));
    }

    private String text(String name) throws IOException {
        Optional<Path> file = own.map(f -> f.resolve(name + ".html")).filter(Files::isRegularFile);
        return file.isPresent() ? Files.readString(file.get()) : standard(name);
    }

    private static String standard(String name) throws IOException {
        try (InputStream in = Templates.class.getResourceAsStream("/anabion/report/" + name + ".html")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }
}
