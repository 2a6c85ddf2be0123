package anabion.desktop.shell;

import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URL;
import java.nio.charset.StandardCharsets;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.VBox;

/** The offline user guide, opened at the page of the sheet in hand. */
final class Guide {
    /** A link to another page, of which the words are shown. */
    private static final Pattern LINK = Pattern.compile("\\[([^]]*)]\\([^)]*\\)");
    /** A paragraph that is a picture: what it shows, and its file among the screenshots. */
    private static final Pattern PICTURE = Pattern.compile("!\\[([^]]*)]\\(\\.\\./screenshots/([\\w-]+\\.png)\\)");
    /** Of a picture, in the card. */
    private static final double WIDTH = 540;

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

    private static Node block(String text) {
        Matcher picture = PICTURE.matcher(text);
        if (picture.matches()) return picture(picture.group(1), picture.group(2));
        String plain = LINK.matcher(text)
                .replaceAll("$1")
                .replace("`", "")
                .replace("**", "")
                .replaceAll("(?m)^- ", "–  ");
        if (plain.startsWith("#")) return Texts.wrapped(plain.replaceFirst("#+ ", ""), "strong", "petrol");
        return Texts.wrapped(plain);
    }

    private static ImageView picture(String words, String file) {
        URL there = Guide.class.getResource("/anabion/screenshots/" + file);
        ImageView view = new ImageView(new Image(there.toExternalForm(), 2 * WIDTH, 0, true, true, true));
        view.setPreserveRatio(true);
        view.setFitWidth(WIDTH);
        view.setAccessibleText(words);
        return view;
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
