package anabion.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.when;

import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.Op;
import anabion.workshop.Photo;
import anabion.workshop.SetRecord;
import anabion.workshop.archive.SetArchive;
import anabion.workshop.demo.DemoWorkshop;
import anabion.workshop.storage.CheckedPicture;
import anabion.workshop.storage.PhotoFiles;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.function.Function;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

@ExtendWith(MockitoExtension.class)
class ExportTest {
    private static final Words WORDS = new Words(Vocabulary.STANDARD);

    @TempDir
    Path folder;

    @Mock
    private Function<Photo, Path> photos;

    private PhotoFiles stored;
    private SetRecord set;

    @BeforeEach
    void aSetWithPhotos() throws Exception {
        stored = new PhotoFiles(folder);
        SetRecord demo = DemoWorkshop.set("halcyon");
        List<Photo> photos = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            ByteArrayOutputStream png = new ByteArrayOutputStream();
            ImageIO.write(new BufferedImage(40, 30 + i, BufferedImage.TYPE_INT_RGB), "png", png);
            photos.add(new Photo(
                    UUID.randomUUID(),
                    stored.store(CheckedPicture.of(png.toByteArray(), "p.png")),
                    "photo " + i,
                    Instant.EPOCH));
        }
        set = new SetRecord(demo.chassis(), demo.job(), demo.readings(), photos, Op.Place.SHELF);
    }

    @ParameterizedTest
    @ValueSource(strings = {"pdf", "html", "zip"})
    void whatIsStoppedHalfWayLeavesTheOldFileAndNoHalfOne(String kind) throws Exception {
        Path file = folder.resolve("record." + kind);
        Files.writeString(file, "the old one");
        Export export = Export.of(set, WORDS, Export.Kind.valueOf(kind.toUpperCase(Locale.ROOT)), file);
        CountDownLatch asked = new CountDownLatch(1);
        CompletableFuture<Path> done = export.run(
                p -> {
                    export.stop();
                    asked.countDown();
                    return stored.path(p.file());
                },
                share -> {});
        asked.await();
        assertThatThrownBy(done::join).isInstanceOf(CancellationException.class);
        assertThat(file).hasContent("the old one");
        assertThat(folder.resolve("record." + kind + ".part")).doesNotExist();
    }

    /** A photo that cannot be read ends the export in words, and the old file stays. */
    @ParameterizedTest
    @ValueSource(strings = {"pdf", "html", "zip"})
    void aDiskThatFailsUnderAPhotoLeavesTheOldFile(String kind) throws Exception {
        when(photos.apply(any())).thenThrow(new UncheckedIOException(new IOException("Input/output error")));
        Path file = folder.resolve("record." + kind);
        Files.writeString(file, "the old one");
        assertThatThrownBy(Export.of(set, WORDS, Export.Kind.valueOf(kind.toUpperCase(Locale.ROOT)), file)
                        .run(photos, share -> {})::join)
                .hasRootCauseMessage("Input/output error");
        assertThat(file).hasContent("the old one");
        assertThat(folder.resolve("record." + kind + ".part")).doesNotExist();
    }

    @Test
    void theShareDoneGrowsAndTheFileIsWhole() throws Exception {
        List<Double> shares = new ArrayList<>();
        Path file = folder.resolve("set.zip");
        Path written = Export.of(set, WORDS, Export.Kind.ZIP, file)
                .run(p -> stored.path(p.file()), shares::add)
                .join();
        assertThat(written).isEqualTo(file);
        assertThat(SetArchive.open(file).set().photos()).hasSize(4);
        assertThat(shares).isSorted().hasSize(5).allMatch(s -> s > 0 && s <= 1);
    }
}
