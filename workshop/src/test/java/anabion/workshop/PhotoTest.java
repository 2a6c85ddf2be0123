package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.error.InputException;
import anabion.core.job.Step;
import anabion.workshop.archive.SetArchive;
import anabion.workshop.storage.CheckedPicture;
import anabion.workshop.storage.Pictures;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PhotoTest {
    @TempDir
    Path folder;

    private Workshop w;
    private SetRecord set;

    @BeforeEach
    void open() {
        w = Temp.open(folder);
        w.sets().add(Temp.halcyon());
        set = w.sets().get(Temp.halcyon().id());
    }

    @AfterEach
    void close() {
        w.close();
    }

    private long files() throws IOException {
        if (!Files.exists(folder.resolve("photos"))) return 0;
        try (Stream<Path> all = Files.walk(folder.resolve("photos"))) {
            return all.filter(Files::isRegularFile).count();
        }
    }

    @Test
    void aPhotoIsStoredByItsContent() throws IOException {
        SetRecord after = w.addPhoto(set.id(), CheckedPicture.of(Temp.picture(1), "under.png"), "underside");
        assertThat(after.photos()).singleElement().satisfies(p -> {
            assertThat(p.caption()).isEqualTo("underside");
            assertThat(Files.readAllBytes(w.file(p))).isEqualTo(Temp.picture(1));
        });
        w.addPhoto(set.id(), CheckedPicture.of(Temp.picture(1), "again.png"), "the same");
        assertThat(files()).as("one file for the same content").isEqualTo(1);
    }

    @Test
    void undoTakesTheRowAndKeepsTheFileForRedo() throws IOException {
        w.addPhoto(set.id(), CheckedPicture.of(Temp.picture(1), "a.png"), "a");
        w.sets().undo(set.id());
        assertThat(w.sets().get(set.id()).photos()).isEmpty();
        assertThat(files()).isEqualTo(1);
        assertThat(w.sets().redo(set.id()).orElseThrow().photos()).hasSize(1);
    }

    @Test
    void whatIsNoPictureIsRefusedAndLeavesNothing() throws IOException {
        byte[] text = "GIF89a, said the spider".getBytes(StandardCharsets.UTF_8);
        assertThatThrownBy(() -> w.addPhoto(set.id(), CheckedPicture.of(text, "a.gif"), "a"))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("a.gif");
        assertThatThrownBy(() ->
                        w.addPhoto(set.id(), CheckedPicture.of("hello".getBytes(StandardCharsets.UTF_8), "a.png"), "a"))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("not a picture");
        int whole = Temp.picture(1).length;
        for (int length : new int[] {20, 40, 60, whole - 40}) { // a header, a header and no body, half of one
            byte[] cut = Arrays.copyOf(Temp.picture(1), length);
            assertThatThrownBy(() -> w.addPhoto(set.id(), CheckedPicture.of(cut, "cut.png"), "a"))
                    .as("%d of %d bytes", length, whole)
                    .isInstanceOf(InputException.class)
                    .hasMessageContaining("cut.png");
        }
        assertThat(files()).isZero();
        assertThat(w.sets().get(set.id())).isEqualTo(set);
    }

    /** A picture with a red left half, in a JPEG that says how the camera was held (Exif, APP1). */
    private static byte[] held(int orientation, String taken) throws IOException {
        BufferedImage image = new BufferedImage(80, 40, BufferedImage.TYPE_INT_RGB);
        for (int x = 0; x < 40; x++) for (int y = 0; y < 40; y++) image.setRGB(x, y, 0xFF0000);
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        ImageIO.write(image, "jpg", jpeg);
        byte[] plain = jpeg.toByteArray();
        ByteBuffer exif = ByteBuffer.allocate(200); // big-endian, as "MM" says
        exif.put("Exif\0\0MM\0*".getBytes(StandardCharsets.ISO_8859_1)).putInt(8);
        exif.putShort((short) 2);
        exif.putShort((short) 0x0112)
                .putShort((short) 3)
                .putInt(1)
                .putShort((short) orientation)
                .putShort((short) 0);
        exif.putShort((short) 0x8769).putShort((short) 4).putInt(1).putInt(38);
        exif.putInt(0);
        exif.putShort((short) 1);
        exif.putShort((short) 0x9003).putShort((short) 2).putInt(20).putInt(56);
        exif.putInt(0);
        exif.put((taken + "\0").getBytes(StandardCharsets.ISO_8859_1));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(plain, 0, 2);
        out.write(0xFF);
        out.write(0xE1);
        out.write((exif.position() + 2) >> 8);
        out.write((exif.position() + 2) & 255);
        out.write(exif.array(), 0, exif.position());
        out.write(plain, 2, plain.length - 2);
        return out.toByteArray();
    }

    /** Red is at the left of the picture as it was stored: on its side it is above, on its other side below. */
    @Test
    void aPictureIsTurnedAsTheCameraWasHeldAndKnowsItsTime() throws IOException {
        String taken = "2026:10:03 14:05:06";
        assertThat((Pictures.upright(held(1, taken), 80).getRGB(5, 20) >> 16) & 255)
                .isGreaterThan(200);
        BufferedImage aside = Pictures.upright(held(6, taken), 80);
        assertThat(aside.getWidth()).isEqualTo(40);
        assertThat((aside.getRGB(20, 5) >> 16) & 255)
                .as("turned to the right: left is above")
                .isGreaterThan(200);
        assertThat((aside.getRGB(20, 75) >> 16) & 255).isLessThan(50);
        BufferedImage other = Pictures.upright(held(8, taken), 80);
        assertThat((other.getRGB(20, 75) >> 16) & 255).isGreaterThan(200);
        assertThat((Pictures.upright(held(3, taken), 80).getRGB(75, 20) >> 16) & 255)
                .isGreaterThan(200);
        assertThat(Pictures.taken(held(6, taken), ZoneOffset.UTC)).contains(Instant.parse("2026-10-03T14:05:06Z"));
        assertThat(Pictures.taken(Temp.picture(1), ZoneOffset.UTC)).isEmpty();
    }

    @Test
    void whatIsDrawnOnAPhotoIsKeptTakenBackAndTravels() throws IOException {
        SetRecord with = w.addPhoto(
                set.id(),
                CheckedPicture.of(held(1, "2020:01:02 03:04:05"), "a.jpg"),
                "underside",
                Optional.of(Step.STUDY));
        Photo photo = with.photos().get(0);
        assertThat(photo.at()).as("when it was taken").isBefore(Temp.NOW);
        PhotoMark pin = new PhotoMark(UUID.randomUUID(), PhotoMark.Kind.PIN, 0.4, 0.6, 0.4, 0.6, "C13 dried out", "");
        PhotoMark wire =
                new PhotoMark(UUID.randomUUID(), PhotoMark.Kind.WIRE, 0.1, 0.2, 0.5, 0.9, "rod 3 → hole 14", "red");
        SetRecord drawn =
                w.sets().change(set.id(), "pin", List.of(new Op.PutPhoto(photo.withMarks(List.of(pin, wire)))));
        assertThat(drawn.photos()).hasSize(1);
        assertThat(drawn.photos().get(0).marks()).containsExactly(pin, wire);
        assertThat(drawn.photos().get(0).step()).contains(Step.STUDY);
        Path file = folder.resolve("set.anabion.zip");
        try (OutputStream out = Files.newOutputStream(file)) {
            SetArchive.write(drawn, w::file, out);
        }
        assertThat(SetArchive.open(file).set().photos()).isEqualTo(drawn.photos());
        assertThat(w.sets().undo(set.id()).orElseThrow().photos().get(0).marks())
                .isEmpty();
    }

    /** As printers want them, and as they come over slow lines: both are read. */
    @Test
    void picturesInFourInksAndInPassesAreRead() throws IOException {
        byte[] inks;
        try (InputStream in = PhotoTest.class.getResourceAsStream("four-inks.jpg")) {
            inks = in.readAllBytes();
        }
        int corner = Pictures.upright(inks, 48).getRGB(2, 2);
        assertThat((corner >> 16) & 255).as("red").isGreaterThan(180);
        assertThat(corner & 255).as("blue").isLessThan(90);
        ByteArrayOutputStream passes = new ByteArrayOutputStream();
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ImageWriteParam how = writer.getDefaultWriteParam();
        how.setProgressiveMode(ImageWriteParam.MODE_DEFAULT);
        writer.setOutput(ImageIO.createImageOutputStream(passes));
        writer.write(null, new IIOImage(Pictures.upright(inks, 48), null, null), how);
        writer.dispose();
        SetRecord with = w.addPhoto(set.id(), CheckedPicture.of(passes.toByteArray(), "b.jpg"), "in passes");
        assertThat(w.addPhoto(set.id(), CheckedPicture.of(inks, "a.jpg"), "in inks")
                        .photos())
                .hasSize(with.photos().size() + 1);
    }

    @Test
    void aPhonesOwnFormatIsRefusedWithTheRemedy() {
        byte[] heic = new byte[64];
        System.arraycopy("\0\0\0\u0018ftypheic".getBytes(StandardCharsets.ISO_8859_1), 0, heic, 0, 12);
        assertThatThrownBy(() -> w.addPhoto(set.id(), CheckedPicture.of(heic, "IMG_1.HEIC"), "a"))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("HEIC")
                .hasMessageContaining("JPEG");
    }
}
