package anabion.desktop.shell;

import anabion.desktop.control.Texts;
import java.util.regex.Pattern;
import javafx.scene.control.Button;
import javafx.scene.control.TextArea;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.layout.VBox;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** One calm notice for a failure of the program itself, with details to copy that hold no owner's data. */
final class Notice {
    private static final Logger LOG = LoggerFactory.getLogger(Notice.class);
    private static final Pattern MESSAGE = Pattern.compile("^(\\S+?(?:Exception|Error))(:.*)?$", Pattern.MULTILINE);

    private Notice() {}

    static void show(Shell shell, Throwable failure) {
        LOG.error("unexpected failure", failure);
        if (shell.overlay().isOpen()) return;
        TextArea details = new TextArea(details(failure));
        details.setEditable(false);
        details.setPrefRowCount(8);
        details.setAccessibleText(shell.session().say("notice.details"));
        Button copy = new Button(shell.session().say("notice.copy"));
        copy.setOnAction(e -> {
            ClipboardContent content = new ClipboardContent();
            content.putString(details.getText());
            Clipboard.getSystemClipboard().setContent(content);
        });
        VBox box = new VBox(10, Texts.wrapped(shell.session().say("notice.text")), details, copy);
        shell.overlay().open(shell.session().say("notice.title"), box, copy, () -> shell.probe()
                .field()
                .requestFocus());
    }

    /** Class names and lines only: messages may quote what the user typed. */
    static String details(Throwable failure) {
        java.io.StringWriter text = new java.io.StringWriter();
        failure.printStackTrace(new java.io.PrintWriter(text));
        String version = "Anabion 0.1.0, Java " + System.getProperty("java.version") + ", "
                + System.getProperty("os.name") + "\n";
        return version
                + MESSAGE.matcher(text.toString().replaceAll("(?m)^(Caused by: \\S+):.*$", "$1"))
                        .replaceAll("$1");
    }
}
