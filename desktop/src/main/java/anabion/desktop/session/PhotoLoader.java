package anabion.desktop.session;

import anabion.core.numeric.LruCache;
import anabion.workshop.storage.ForcedFiles;
import anabion.workshop.storage.PhotoFiles;
import anabion.workshop.storage.PhotoFiles.Stored;
import anabion.workshop.storage.Pictures;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Deque;
import java.util.Optional;
import java.util.concurrent.ConcurrentLinkedDeque;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.StackPane;
import javax.imageio.ImageIO;

/**
 * Photos as they are shown: upright, small, decoded on a thread of their own. Small copies are kept beside the workshop's photos; where one cannot be written the
 * picture is decoded again the next time.
 */
public final class PhotoLoader implements AutoCloseable {
    /** Pixels across of a tile, and of a picture that fills a sheet. */
    public static final int TILE = 300;

    public static final int LARGE = 1400;
    private static final int KEPT = 80;

    private final Path folder;
    private final PhotoFiles files;
    private final Path thumbnails;
    private final LruCache<String, Optional<Image>> shown = new LruCache<>(KEPT);
    /** What was asked for last is in sight, and comes first. */
    private final Deque<Runnable> waiting = new ConcurrentLinkedDeque<>();

    private final ExecutorService worker =
            new ThreadPoolExecutor(0, 1, 5, TimeUnit.SECONDS, new LinkedBlockingQueue<>(), work -> {
                Thread thread = new Thread(work, "photos");
                thread.setDaemon(true);
                return thread;
            });

    /** @param folder of the workshop */
    PhotoLoader(Path folder, Path thumbnails) {
        this.folder = folder;
        this.files = new PhotoFiles(folder);
        this.thumbnails = thumbnails;
    }

    /**
     * @param width {@link #TILE} or {@link #LARGE}
     * @param then told on the interface's thread; empty where it cannot be read
     */
    public void load(Stored photo, int width, Consumer<Optional<Image>> then) {
        String key = photo.hash() + "-" + width;
        Optional<Optional<Image>> known = shown.known(key);
        if (known.isPresent()) {
            then.accept(known.get());
            return;
        }
        waiting.addFirst(() -> {
            Optional<Image> image = read(photo, width, thumbnails.resolve(key + ".jpg"));
            Platform.runLater(() -> {
                shown.get(key, () -> image);
                then.accept(image);
            });
        });
        worker.execute(() -> waiting.pollFirst().run());
    }

    /** A frame of a size, in which a photo appears once it is loaded; it stays empty without one. */
    public StackPane framed(Optional<Stored> photo, double width, double height) {
        StackPane frame = new StackPane();
        frame.setMinSize(width, height);
        frame.setMaxSize(width, height);
        photo.ifPresent(p -> load(
                p,
                TILE,
                image -> image.ifPresent(i -> {
                    ImageView view = new ImageView(i);
                    view.setPreserveRatio(true);
                    view.setFitWidth(width);
                    view.setFitHeight(height);
                    frame.getChildren().setAll(view);
                })));
        return frame;
    }

    private Optional<Image> read(Stored photo, int width, Path small) {
        try {
            if (!Files.exists(small))
                write(small, Pictures.upright(Files.readAllBytes(files.path(photo)), width), width);
            byte[] bytes = Files.readAllBytes(small);
            Image image = new Image(new ByteArrayInputStream(bytes));
            return image.isError() ? Optional.empty() : Optional.of(image);
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    private void write(Path small, BufferedImage image, int width) throws IOException {
        int w = Math.min(width, image.getWidth());
        int h = Math.max(1, (int) Math.round((double) image.getHeight() * w / image.getWidth()));
        BufferedImage scaled = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = scaled.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.drawImage(image, 0, 0, w, h, null);
        g.dispose();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(scaled, "jpg", bytes);
        ForcedFiles.createFolders(folder, thumbnails);
        ForcedFiles.write(small, out -> out.write(bytes.toByteArray()));
    }

    @Override
    public void close() {
        worker.shutdownNow();
    }
}
