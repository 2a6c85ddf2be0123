package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import anabion.core.chassis.Spot;
import anabion.core.job.Step;
import anabion.core.testing.LeftToDeep;
import anabion.desktop.control.PhotoView;
import anabion.desktop.shell.Shell;
import anabion.workshop.Photo;
import anabion.workshop.PhotoMark;
import anabion.workshop.demo.DemoWorkshop;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

/** Photos are chosen, drawn on, compared, and lie behind the plan of adjusters. */
class PhotosTest extends WindowCase {
    private static final int PHOTOS = 500;
    private static final int READINGS = 10;

    private void take(int colour) throws IOException {
        BufferedImage image = new BufferedImage(400, 300, BufferedImage.TYPE_INT_RGB);
        for (int x = 0; x < 400; x++) for (int y = 0; y < 300; y++) image.setRGB(x, y, colour);
        Path file = folder.resolve("IMG_" + colour + ".png");
        ImageIO.write(image, "png", file.toFile());
        when(files.toOpen(any(), any())).thenReturn(Optional.of(file));
        int before = session.need().photos().size();
        key(KeyCode.CONTROL, KeyCode.P);
        until("a photo", () -> session.need().photos().size() == before + 1);
    }

    private void strip() {
        interact(() -> session.open(DemoWorkshop.chassis("halcyon").id(), () -> {
            session.step().set(Step.STRIP_DOWN);
            shell.go(Shell.Where.BENCH);
        }));
        until("the sheet", () -> shows("Nothing came off yet."));
    }

    private List<PhotoMark> marks(int photo) {
        return session.need().photos().get(photo).marks();
    }

    private boolean pictured() {
        return lookup(".image-view").queryAll().stream()
                .anyMatch(n -> n instanceof ImageView v && v.getImage() != null && v.getParent() instanceof PhotoView);
    }

    @Test
    void whatIsDrawnOnAPhotoIsFoundAgain() throws IOException {
        strip();
        take(0x6B5A3C);
        until("it is shown", () -> shows("Nothing yet: click a place") && pictured());
        assertThat(session.need().photos().get(0).step()).contains(Step.STRIP_DOWN);
        enter("pin C13 dried out");
        until("asked where", () -> shows("no place is marked on the photo"));
        clickOn(lookup(n -> n instanceof PhotoView).<javafx.scene.Node>query());
        enter("pin C13 dried out");
        until("pinned where it was clicked", () -> marks(0).size() == 1 && shows("1  C13 dried out"));
        assertThat(marks(0).get(0).x()).isBetween(0.45, 0.55);
        enter("circle at 10 10 20 20");
        until("drawn", () -> marks(0).size() == 2);
        enter("unmark 2");
        until("gone", () -> marks(0).size() == 1);
        take(0x334455);
        enter("compare 1");
        until(
                "one over the other",
                () -> lookup(".slider").tryQuery().filter(s -> s.isVisible()).isPresent());
        enter("photo 7");
        until("refused", () -> shows("there is no such photo"));
        enter("photo 1");
        enter("caption underside");
        until("said", () -> session.need().photos().get(0).caption().equals("underside"));
        try (Stream<Path> small = Files.list(folder.resolve("thumbnails"))) {
            assertThat(small).as("small copies are kept").isNotEmpty();
        }
    }

    @Test
    void aPhotoLiesBehindThePlan() throws IOException {
        strip();
        take(0x6B5A3C);
        interact(() -> session.step().set(Step.ALIGN));
        until("its lines", () -> shows("A1 A2"));
        enter("plan above 1");
        until(
                "behind the plan",
                () -> session.need().photos().stream().map(Photo::plan).anyMatch(Optional.of(Spot.Face.ABOVE)::equals));
        enter("plan above off");
        until("no longer", () -> session.need().photos().get(0).plan().isEmpty());
    }

    /** Five hundred of twelve megapixels come from a phone's folder while readings are typed: neither waits for the other. To write and read them takes minutes. */
    @Test
    @LeftToDeep
    void hundredsOfLargePhotosHoldNeitherWindowNorReadings() throws IOException {
        strip();
        Path phone = Files.createDirectory(folder.resolve("phone"));
        when(files.folder(any())).thenReturn(Optional.of(phone));
        key(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.P);
        until("watched", () -> shows("phone"));
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(structured(4000, 3000), "jpg", bytes);
        int before = session.need().photos().size();
        for (int n = 0; n < PHOTOS; n++) {
            // what stands behind the picture's end makes it another file
            byte[] own = Arrays.copyOf(bytes.toByteArray(), bytes.size() + 4);
            own[own.length - 1] = (byte) n;
            own[own.length - 2] = (byte) (n >> 8);
            Files.write(phone.resolve(String.format("IMG_%03d.jpg", n)), own);
        }
        Beat coming = new Beat();
        coming.start();
        interact(() -> session.step().set(Step.VOLTAGES));
        until("the first", () -> session.need().photos().size() > before);
        int readings = session.need().readings().size();
        List<Double> acknowledged = new ArrayList<>();
        for (int n = 0; n < READINGS; n++) {
            int there = readings + n + 1;
            enter("V3.7 " + (80 + n));
            long start = System.nanoTime();
            until("on disk", () -> session.need().readings().size() == there);
            acknowledged.add((System.nanoTime() - start) / 1e6);
        }
        assertThat(session.need().photos().size() - before).as("photos by then").isLessThan(PHOTOS);
        for (int n = 1; n <= 5; n++) {
            int there = before + n * PHOTOS / 5;
            until("its share of the photos", () -> session.need().photos().size() >= there);
        }
        List<Double> whileComing = coming.longest();
        Beat looking = new Beat();
        looking.start();
        interact(() -> session.step().set(Step.STRIP_DOWN));
        until("the last, large", () -> shows(PHOTOS + before + " of " + (PHOTOS + before)) && pictured());
        key(KeyCode.CONTROL, KeyCode.L);
        until(
                "the timeline with pictures",
                () -> shows("IMG_499") && lookup(".image-view").queryAll().size() > 6);
        List<Double> whileLooking = looking.longest();
        System.err.printf(
                "500 photos: readings on disk after %.0f ms at most; longest wait while they come %.0f ms, one in a hundred %.0f ms; when they are looked at %.0f and %.0f ms%n",
                Collections.max(acknowledged),
                whileComing.get(0),
                whileComing.get(whileComing.size() / 100),
                whileLooking.get(0),
                whileLooking.get(whileLooking.size() / 100));
        // bounds for a machine that does much else beside
        assertThat(Collections.max(acknowledged)).as("milliseconds").isLessThan(3_000);
        assertThat(whileComing.get(whileComing.size() / 100)).as("milliseconds").isLessThan(500);
        assertThat(whileLooking.get(whileLooking.size() / 100))
                .as("milliseconds")
                .isLessThan(500);
    }

    /** A picture with as much in it as a photo of a chassis. */
    private static BufferedImage structured(int width, int height) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < height; y++)
            for (int x = 0; x < width; x++)
                image.setRGB(x, y, ((int) (127 * (1 + Math.sin(x / 9.0) * Math.cos(y / 13.0)))) * 0x010101);
        return image;
    }
}
