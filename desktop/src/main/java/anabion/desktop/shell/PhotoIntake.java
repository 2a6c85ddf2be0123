package anabion.desktop.shell;

import anabion.core.error.InputException;
import anabion.desktop.session.Session;
import anabion.workshop.storage.CheckedPicture;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.image.Image;
import javafx.scene.input.Clipboard;
import javafx.scene.input.DragEvent;
import javafx.scene.input.TransferMode;
import javax.imageio.ImageIO;

/** How photos come to the set on the bench: chosen, dropped, pasted, or from a folder that is watched. */
final class PhotoIntake {
    private static final double SECONDS = 3;

    private final Session session;
    private final Consumer<Path> other;
    private final Timeline look = new Timeline(new KeyFrame(javafx.util.Duration.seconds(SECONDS), e -> look()));
    private Optional<PhotoFolder> watched = Optional.empty();
    private boolean looking;

    /** @param other takes a file that is no picture */
    PhotoIntake(Session session, Consumer<Path> other) {
        this.session = session;
        this.other = other;
        look.setCycleCount(Animation.INDEFINITE);
    }

    /** Files that are dropped on a node come in. */
    void on(Node node) {
        node.setOnDragOver(e -> {
            if (e.getDragboard().hasFiles() || e.getDragboard().hasImage()) e.acceptTransferModes(TransferMode.COPY);
        });
        node.setOnDragDropped(this::dropped);
    }

    private void dropped(DragEvent e) {
        try {
            if (e.getDragboard().hasFiles())
                e.getDragboard().getFiles().stream().map(File::toPath).forEach(this::file);
            else if (e.getDragboard().hasImage()) image(e.getDragboard().getImage());
            e.setDropCompleted(true);
        } catch (InputException x) {
            session.report(x);
        }
        e.consume();
    }

    /** A picture comes to the set; another file is opened. */
    void file(Path file) {
        String name = file.getFileName().toString();
        if (!name.toLowerCase(Locale.ROOT).matches(".*\\.(jpe?g|png|gif|bmp|tiff?|heic|heif)")) {
            other.accept(file);
            return;
        }
        session.addPhoto(
                () -> CheckedPicture.of(FileErrors.saying(() -> Files.readAllBytes(file)), name),
                name.replaceFirst("\\.[^.]+$", ""));
    }

    /** What the clipboard holds, if it is a picture or files. */
    boolean pasted() {
        Clipboard clipboard = Clipboard.getSystemClipboard();
        if (clipboard.hasFiles()) {
            clipboard.getFiles().stream().map(File::toPath).forEach(this::file);
            return true;
        }
        if (!clipboard.hasImage()) return false;
        image(clipboard.getImage());
        return true;
    }

    /** A picture of many megapixels takes seconds to be written as one. */
    private void image(Image image) {
        session.addPhoto(() -> CheckedPicture.of(png(image), "pasted.png"), session.say("photo.pasted"));
    }

    private static byte[] png(Image image) {
        int w = (int) image.getWidth();
        int h = (int) image.getHeight();
        BufferedImage copy = new BufferedImage(w, h, BufferedImage.TYPE_INT_ARGB);
        for (int y = 0; y < h; y++)
            for (int x = 0; x < w; x++) copy.setRGB(x, y, image.getPixelReader().getArgb(x, y));
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(copy, "png", out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e); // there is no disk in it
        }
    }

    /** Whether a folder is watched. */
    boolean watches() {
        return watched.isPresent();
    }

    /** Watches a folder until it is told to end, or the folder is gone. */
    void watch(Path folder) {
        CompletableFuture.supplyAsync(() -> FileErrors.saying(() -> new PhotoFolder(folder)))
                .whenComplete((f, e) -> Platform.runLater(() -> {
                    if (e == null) {
                        watched = Optional.of(f);
                        look.play();
                    } else session.report(e.getCause() == null ? e : e.getCause());
                }));
    }

    void end() {
        look.stop();
        watched = Optional.empty();
    }

    /** A folder on a network may take its time: it is not asked again before it has answered. */
    private void look() {
        if (session.set().get().isEmpty() || watched.isEmpty() || looking) return;
        PhotoFolder folder = watched.get();
        looking = true;
        CompletableFuture.supplyAsync(() -> FileErrors.saying(folder::fresh))
                .whenComplete((fresh, e) -> Platform.runLater(() -> {
                    looking = false;
                    if (watched.filter(folder::equals).isEmpty()) return;
                    if (e == null) {
                        fresh.forEach(this::file);
                        return;
                    }
                    end();
                    session.report(e.getCause() == null ? e : e.getCause());
                }));
    }
}
