package anabion.desktop.shell;

import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;

/** The offline user guide, opened at the page of the sheet in hand. */
final class Guide {
    /** A link to another page, of which the words are shown. */
    private static final Pattern LINK = Pattern.compile("\\[([^]]*)]\\([^)]*\\)");

    private Guide() {}

    static void show(Shell shell) {
        String page = shell.where() == Shell.Where.BENCH
                ? shell.session().step().get().code()
                : shell.where().name().toLowerCase(java.util.Locale.ROOT);
        VBox text = new VBox(6);
        Session session = shell.session();
        boolean instruments = !session.instruments().all().get().isEmpty()
                || session.instruments().bench().get().isPresent();
        String pages = read(page) + (instruments ? "\n\n" + read("instruments") : "");
        for (String block : pages.split("\n\n"))
            text.getChildren().add(block(block.strip().replaceAll("\n(?!- )", " ")));
        ScrollPane scroll = new ScrollPane(text);
        scroll.setFitToWidth(true);
        scroll.setPrefHeight(460);
        scroll.setAccessibleText(shell.session().say("guide.title"));
        shell.overlay().open(shell.session().say("guide.title"), scroll, scroll, () -> shell.probe()
                .field()
                .requestFocus());
    }

    private static Label block(String text) {
        String plain = LINK.matcher(text)
                .replaceAll("$1")
                .replace("`", "")
                .replace("**", "")
                .replaceAll("(?m)^- ", "–  ");
        if (plain.startsWith("#")) return Texts.wrapped(plain.replaceFirst("#+ ", ""), "strong", "petrol");
        return Texts.wrapped(plain);
    }

    /** The page of a sheet. */
    static String read(String page) {
        try (InputStream in = Guide.class.getResourceAsStream("/anabion/guide/" + page + ".md")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
