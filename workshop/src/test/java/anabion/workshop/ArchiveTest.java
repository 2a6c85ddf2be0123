package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import anabion.core.error.InputException;
import anabion.core.format.ChassisCodec;
import anabion.workshop.archive.SetArchive;
import anabion.workshop.storage.CheckedPicture;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;

@ExtendWith(MockitoExtension.class)
class ArchiveTest {
    @TempDir
    Path folder;

    private byte[] archive(Path workshop) throws IOException {
        try (Workshop w = Temp.open(workshop)) {
            w.sets().add(Temp.halcyon());
            w.addPhoto(Temp.halcyon().id(), CheckedPicture.of(Temp.picture(1), "a.png"), "underside");
            w.addPhoto(Temp.halcyon().id(), CheckedPicture.of(Temp.picture(2), "b.png"), "top");
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            SetArchive.write(w.sets().get(Temp.halcyon().id()), w::file, out);
            return out.toByteArray();
        }
    }

    private static Map<String, byte[]> unzip(byte[] zip) throws IOException {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry())
                entries.put(e.getName(), in.readAllBytes());
        }
        return entries;
    }

    private static byte[] zip(Map<String, byte[]> entries) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> e : entries.entrySet()) {
                zip.putNextEntry(new ZipEntry(e.getKey()));
                zip.write(e.getValue());
            }
        }
        return out.toByteArray();
    }

    private SetArchive.Unpacked opened(byte[] bytes) throws IOException {
        Path file = Files.createTempFile(folder, "set", ".zip");
        Files.write(file, bytes);
        return SetArchive.open(file);
    }

    private static byte[] utf8(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    private void refused(Map<String, byte[]> entries, String what) throws IOException {
        byte[] bytes = zip(entries);
        Path file = folder.resolve("bad.zip");
        Files.write(file, bytes);
        try (Workshop w = Temp.open(folder.resolve("target"))) {
            assertThatThrownBy(() -> SetArchive.addTo(w, SetArchive.open(file), "opened"))
                    .isInstanceOf(InputException.class)
                    .hasMessageContaining(what);
            assertThat(w.sets().summaries()).isEmpty();
        }
    }

    @Test
    void aSetTravelsWholeWithItsIds() throws IOException {
        byte[] zip = archive(folder.resolve("one"));
        try (Workshop w = Temp.open(folder.resolve("two"))) {
            SetArchive.addTo(w, opened(zip), "opened").set();
            SetRecord arrived = w.sets().get(Temp.halcyon().id());
            assertThat(arrived.chassis()).isEqualTo(Temp.halcyon().chassis());
            assertThat(arrived.job()).isEqualTo(Temp.halcyon().job());
            assertThat(arrived.readings()).isEqualTo(Temp.halcyon().readings());
            assertThat(arrived.photos()).hasSize(2);
            assertThat(Files.readAllBytes(w.file(arrived.photos().get(0)))).isEqualTo(Temp.picture(1));
            ByteArrayOutputStream again = new ByteArrayOutputStream();
            SetArchive.write(arrived, w::file, again);
            assertThat(unzip(again.toByteArray())).usingRecursiveComparison().isEqualTo(unzip(zip));
        }
    }

    @Test
    void unknownFieldsTravelAndSurviveUndo() throws IOException {
        Map<String, byte[]> entries = unzip(archive(folder.resolve("one")));
        String salted = new String(entries.get("chassis.json"), StandardCharsets.UTF_8)
                .replaceFirst("\\{", "{\"x-shelf\":{\"deep\":[1,2]},");
        String reading = new String(entries.get("readings.json"), StandardCharsets.UTF_8)
                .replaceFirst("\"point\"", "\"x-mood\":\"good\",\"point\"");
        entries.put("chassis.json", utf8(salted));
        entries.put("readings.json", utf8(reading));
        try (Workshop w = Temp.open(folder.resolve("two"))) {
            SetRecord set = SetArchive.addTo(w, opened(zip(entries)), "opened").set();
            Temp.take(w, set, "V3.7", 85);
            w.sets()
                    .change(
                            set.id(),
                            "x",
                            java.util.List.of(
                                    new Op.DropReading(set.readings().get(0).id())));
            w.sets().undo(set.id());
            w.sets().undo(set.id());
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            SetArchive.write(w.sets().get(set.id()), w::file, out);
            assertThat(new String(unzip(out.toByteArray()).get("chassis.json"), StandardCharsets.UTF_8))
                    .contains("x-shelf")
                    .contains("deep");
            assertThat(new String(unzip(out.toByteArray()).get("readings.json"), StandardCharsets.UTF_8))
                    .contains("x-mood");
        }
    }

    @Test
    void theSameSetIsNotAddedTwice() throws IOException {
        byte[] zip = archive(folder.resolve("one"));
        try (Workshop w = Temp.open(folder.resolve("one"))) {
            assertThatThrownBy(() -> SetArchive.addTo(w, opened(zip), "opened"))
                    .hasMessageContaining("in the workshop already");
            assertThat(w.sets().summaries()).hasSize(1);
        }
    }

    /** A record of the same set that says something else: both are kept, and it comes in once. */
    @Test
    void anotherRecordOfTheSameSetStandsBeside() throws IOException {
        byte[] zip = archive(folder.resolve("one"));
        try (Workshop w = Temp.open(folder.resolve("one"))) {
            SetRecord mine = Temp.take(w, w.sets().get(Temp.halcyon().id()), "V3.7", 85);
            SetArchive.Added added = SetArchive.addTo(w, opened(zip), "opened");
            assertThat(added.beside()).isTrue();
            assertThat(added.set().chassis().name()).isEqualTo("Vessmark Halcyon (2)");
            assertThat(w.sets().get(mine.id())).as("nothing of mine is touched").isEqualTo(mine);
            SetRecord theirs = w.sets().get(added.set().id());
            assertThat(theirs.readings())
                    .as("under their own ids")
                    .isEqualTo(Temp.halcyon().readings());
            assertThat(theirs.photos()).hasSize(2);
            assertThatThrownBy(() -> SetArchive.addTo(w, opened(zip), "opened"))
                    .hasMessageContaining("in the workshop already");
            assertThat(w.sets().summaries()).hasSize(2);
            w.sets().undo(theirs.id());
            assertThat(w.sets().get(theirs.id()).place()).isEqualTo(Op.Place.TRASH);
            assertThat(w.sets().get(mine.id())).isEqualTo(mine);
        }
    }

    @Test
    void aChassisFileOpensToo() throws IOException {
        Path file = folder.resolve("set.json");
        Files.writeString(file, ChassisCodec.text(Temp.halcyon().chassis()));
        assertThat(SetArchive.open(file).set().chassis())
                .isEqualTo(Temp.halcyon().chassis());
        assertThatThrownBy(() -> SetArchive.open(folder.resolve("none.json")))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("no such file");
    }

    @Test
    void namesThatLeaveTheArchiveAreRefused() throws IOException {
        Map<String, byte[]> entries = unzip(archive(folder.resolve("one")));
        for (String name : new String[] {
            "../evil.json", "/etc/evil", "photos/../../evil", "C:evil", "a\\b", "photos//x.png", "./x", "a\nb"
        }) {
            Map<String, byte[]> bad = new LinkedHashMap<>(entries);
            bad.put(name, utf8("x"));
            refused(bad, "leads out of the archive");
        }
        assertThat(folder.resolve("evil.json")).doesNotExist();
    }

    @Test
    void anArchiveThatExplodesIsRefused() throws IOException {
        Map<String, byte[]> entries = unzip(archive(folder.resolve("one")));
        entries.put("photos/bomb.png", new byte[70 << 20]);
        assertThat(zip(entries).length).as("small on disk").isLessThan(1 << 20);
        refused(entries, "too large");
    }

    /** What is called a folder is counted and looked into like a file. */
    @Test
    void whatHidesInAFolderIsRefused() throws IOException {
        Map<String, byte[]> entries = unzip(archive(folder.resolve("one")));
        entries.put("photos/", new byte[0]);
        assertThat(opened(zip(entries)).set().photos())
                .as("an empty one is usual")
                .hasSize(2);
        entries.put("photos/", new byte[40 << 20]);
        refused(entries, "too large");
        entries.put("photos/", new byte[1]);
        refused(entries, "folder with content");
        entries.remove("photos/");
        for (int i = 0; i < 5001; i++) entries.put(i + "/", new byte[0]);
        refused(entries, "too large");
    }

    @Test
    void tooManyFilesAreRefused() throws IOException {
        Map<String, byte[]> entries = unzip(archive(folder.resolve("one")));
        for (int i = 0; i < 5001; i++) entries.put("photos/" + i, new byte[0]);
        refused(entries, "too large");
    }

    @Test
    void aDiskThatFillsUnderAnArchiveIsSaid(@Mock OutputStream disk) throws IOException {
        doAnswer(call -> {
                    throw new IOException("No space left on device");
                })
                .when(disk)
                .write(anyInt());
        assertThatThrownBy(() -> SetArchive.write(Temp.halcyon(), p -> folder, disk))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("No space left");
    }

    /** A picture that stands twice in a set travels once, and is asked for once. */
    @Test
    void aPictureIsFetchedOnce(@Mock Function<Photo, Path> photos) throws IOException {
        try (Workshop w = Temp.open(folder.resolve("twice"))) {
            w.sets().add(Temp.halcyon());
            w.addPhoto(Temp.halcyon().id(), CheckedPicture.of(Temp.picture(1), "a.png"), "underside");
            SetRecord set = w.addPhoto(Temp.halcyon().id(), CheckedPicture.of(Temp.picture(1), "b.png"), "the same");
            when(photos.apply(any())).thenAnswer(call -> w.file(call.getArgument(0)));
            SetArchive.write(set, photos, OutputStream.nullOutputStream());
            verify(photos, times(1)).apply(any());
        }
    }

    @Test
    void aPictureThatIsNoneIsRefused() throws Exception {
        Map<String, byte[]> entries = unzip(archive(folder.resolve("one")));
        String picture = pictures(entries).get(0);
        String hash = picture.replaceAll("photos/|\\.png", "");
        byte[] text = utf8("not a picture");
        String named =
                HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(text));
        entries.remove(picture);
        entries.put("photos/" + named + ".png", text);
        renamed(entries, hash, named);
        refused(entries, "not a picture");
    }

    private static List<String> pictures(Map<String, byte[]> entries) {
        return entries.keySet().stream().filter(n -> n.startsWith("photos/")).toList();
    }

    private static void renamed(Map<String, byte[]> entries, String from, String to) {
        String rows = new String(entries.get("photos.json"), StandardCharsets.UTF_8);
        assertThat(rows).contains(from);
        entries.put("photos.json", utf8(rows.replace(from, to)));
    }

    /** A picture's name is part of a path: what is none is refused before a file is thought of. */
    @Test
    void aNameOfAPictureThatIsAPathIsRefused() throws IOException {
        Map<String, byte[]> entries = unzip(archive(folder.resolve("one")));
        String picture = pictures(entries).get(0);
        String hash = picture.replaceAll("photos/|\\.png", "");
        for (String bad : List.of("/../../../evil", "../" + hash, hash.toUpperCase(Locale.ROOT), hash + "0", "")) {
            Map<String, byte[]> forged = new LinkedHashMap<>(entries);
            forged.put("photos/" + bad + ".png", forged.remove(picture));
            renamed(forged, hash, bad);
            assertThatThrownBy(() -> opened(zip(forged))).as(bad).isInstanceOf(InputException.class);
        }
        for (String bad : List.of("sh", "/../x.png", "PNG", "")) {
            Map<String, byte[]> forged = new LinkedHashMap<>(entries);
            forged.put("photos/" + hash + "." + bad, forged.get(picture));
            renamed(forged, "\"png\"", "\"" + bad + "\"");
            assertThatThrownBy(() -> opened(zip(forged))).as(bad).isInstanceOf(InputException.class);
        }
    }

    @Test
    void aPictureUnderAForeignNameIsRefused() throws IOException {
        Map<String, byte[]> entries = unzip(archive(folder.resolve("one")));
        String name = entries.keySet().stream()
                .filter(n -> n.startsWith("photos/"))
                .findFirst()
                .orElseThrow();
        entries.put(name, Temp.picture(9));
        refused(entries, "not the one its name says");
    }

    @Test
    void missingAndDamagedPartsAreNamed() throws IOException {
        Map<String, byte[]> whole = unzip(archive(folder.resolve("one")));
        Map<String, byte[]> entries = new LinkedHashMap<>(whole);
        entries.remove("chassis.json");
        refused(entries, "no chassis.json");
        entries = new LinkedHashMap<>(whole);
        entries.put("chassis.json", Arrays.copyOf(whole.get("chassis.json"), 500));
        refused(entries, "chassis.json");
        entries = new LinkedHashMap<>(whole);
        entries.put("readings.json", utf8("{\"readings\":[{\"point\":\"V1.1\"}]}"));
        refused(entries, "readings.json");
        entries = new LinkedHashMap<>(whole);
        entries.keySet().removeIf(n -> n.startsWith("photos/"));
        refused(entries, "the archive has no photos/");
    }

    /** Pictures are read when they are asked for: what was changed meanwhile is not taken for what was looked through. */
    @Test
    void anArchiveThatChangesMeanwhileIsRefused() throws IOException {
        Map<String, byte[]> entries = unzip(archive(folder.resolve("one")));
        Path file = folder.resolve("set.zip");
        Files.write(file, zip(entries));
        SetArchive.Unpacked unpacked = SetArchive.open(file);
        entries.put(pictures(entries).get(0), Temp.picture(9));
        Files.write(file, zip(entries));
        try (Workshop w = Temp.open(folder.resolve("two"))) {
            assertThatThrownBy(() -> SetArchive.addTo(w, unpacked, "opened"))
                    .isInstanceOf(InputException.class)
                    .hasMessageContaining("has changed");
            assertThat(w.sets().summaries()).isEmpty();
        }
    }

    @Test
    void aCutArchiveIsRefused() throws IOException {
        byte[] whole = archive(folder.resolve("one"));
        for (int part = 1; part < 10; part++) {
            byte[] cut = Arrays.copyOf(whole, whole.length * part / 12);
            assertThatThrownBy(() -> opened(cut)).isInstanceOf(InputException.class);
        }
    }
}
