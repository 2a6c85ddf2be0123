package anabion.workshop.archive;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Identity;
import anabion.core.error.InputException;
import anabion.core.format.ChassisCodec;
import anabion.core.format.JobCodec;
import anabion.core.format.ReadingCodec;
import anabion.core.job.Job;
import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import anabion.core.json.TreeWriter;
import anabion.core.reading.Reading;
import anabion.workshop.Op;
import anabion.workshop.Photo;
import anabion.workshop.SetRecord;
import anabion.workshop.Sets;
import anabion.workshop.Summary;
import anabion.workshop.Workshop;
import anabion.workshop.storage.CheckedPicture;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes and reads set archives. */
public final class SetArchive {
    private static final long MOST_BYTES = 8L << 30;
    private static final long MOST_OF_CHASSIS = 32L << 20;

    private SetArchive() {}

    /** A set read from a file; nothing is stored yet. */
    public record Unpacked(SetRecord set, PictureSource pictures) {}

    /** The bytes of an archive's pictures, read when they are asked for. */
    public interface PictureSource {
        /** @throws IOException if the archive cannot be read any more */
        byte[] of(Photo photo) throws IOException;
    }

    /** Writes a set with its pictures. */
    public static void write(SetRecord set, Function<Photo, Path> file, OutputStream out) throws IOException {
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            write(set, "", zip);
            pictures(List.of(set), file, zip);
        }
    }

    /** @param folder within the zip, ending with a slash, or empty */
    static void write(SetRecord set, String folder, ZipOutputStream zip) throws IOException {
        text(zip, folder + "chassis.json", ChassisCodec.text(set.chassis()));
        text(zip, folder + "job.json", JobCodec.text(set.job()));
        text(zip, folder + "readings.json", readings(set));
        StringBuilder csv = new StringBuilder();
        ReadingCodec.csv(set.readings(), csv);
        text(zip, folder + "readings.csv", csv.toString());
        text(zip, folder + "photos.json", photos(set));
    }

    /** The pictures of some sets, each once. */
    static void pictures(List<SetRecord> sets, Function<Photo, Path> file, ZipOutputStream zip) throws IOException {
        Set<String> written = new HashSet<>();
        for (SetRecord set : sets)
            for (Photo p : set.photos())
                if (written.add(name(p))) entry(zip, name(p), Files.readAllBytes(file.apply(p)));
    }

    private static String readings(SetRecord set) {
        return TreeWriter.text(Map.of(
                "readings", set.readings().stream().map(ReadingCodec::tree).toList()));
    }

    private static String photos(SetRecord set) {
        return TreeWriter.text(
                Map.of("photos", set.photos().stream().map(Photo::tree).toList()));
    }

    private static String name(Photo photo) {
        return ZipContents.PICTURES + photo.file().hash() + "." + photo.file().suffix();
    }

    static void text(ZipOutputStream zip, String name, String text) throws IOException {
        entry(zip, name, text.getBytes(StandardCharsets.UTF_8));
    }

    private static void entry(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
        ZipEntry entry = new ZipEntry(name);
        entry.setTime(315_532_800_000L);
        zip.putNextEntry(entry);
        zip.write(bytes);
        zip.closeEntry();
    }

    /**
     * Reads a chassis file or a set archive, told apart by their first bytes.
     *
     * @throws InputException with the file's name, if it is neither or unsound
     */
    public static Unpacked open(Path file) throws IOException {
        if (!Files.isRegularFile(file))
            throw InputException.at(file.toString())
                    .because("there is no such file")
                    .so("check the name");
        if (Files.size(file) > MOST_BYTES)
            throw InputException.at(file.getFileName().toString())
                    .because("no set is larger than " + (MOST_BYTES >> 30) + " GB")
                    .so("choose a chassis file or a set archive");
        try (InputStream in = Files.newInputStream(file)) {
            byte[] first = in.readNBytes(2);
            boolean zip = first.length == 2 && first[0] == 'P' && first[1] == 'K';
            if (!zip && Files.size(file) > MOST_OF_CHASSIS)
                throw InputException.at("")
                        .because("no chassis is larger than " + (MOST_OF_CHASSIS >> 20) + " MB")
                        .so("choose a chassis file");
            if (zip) return read(ZipContents.of(file, ZipContents.OF_A_SET), "", Op.Place.SHELF);
            try (InputStream again = Files.newInputStream(file)) {
                return new Unpacked(Sets.fresh(ChassisCodec.read(again)), SetArchive::none);
            }
        } catch (InputException e) {
            throw e.inside(file.getFileName().toString());
        }
    }

    private static byte[] none(Photo photo) {
        throw new IllegalStateException("a chassis file has no photos");
    }

    /**
     * A set in a zip.
     *
     * @param folder within it, ending with a slash, or empty
     */
    static Unpacked read(ZipContents zip, String folder, Op.Place place) throws IOException {
        String name = folder + "chassis.json";
        Chassis chassis = inside(name, () -> ChassisCodec.read(stream(zip.need(name))));
        String its = folder + "job.json";
        Job job = zip.find(its).isPresent() ? inside(its, () -> JobCodec.read(stream(zip.need(its)))) : Job.NEW;
        List<Reading> readings = list(zip, folder, "readings", ReadingCodec::read);
        List<Photo> photos = list(zip, folder, "photos", Photo::read);
        for (Photo p : photos)
            if (!zip.hash(name(p)).equals(p.file().hash()))
                throw InputException.at("file " + name(p) + " in the archive")
                        .because("the picture is not the one its name says")
                        .so("get the archive again");
        return new Unpacked(new SetRecord(chassis, job, readings, photos, place), photo -> zip.picture(name(photo)));
    }

    private interface Reader<T> {
        T read() throws IOException;
    }

    private static <T> T inside(String name, Reader<T> reader) throws IOException {
        try {
            return reader.read();
        } catch (InputException e) {
            throw e.inside(name);
        }
    }

    static <T> List<T> list(ZipContents zip, String folder, String name, Function<Fields, T> read) throws IOException {
        String file = folder + name + ".json";
        if (zip.find(file).isEmpty()) return List.of();
        return inside(
                file,
                () -> new ArrayList<>(
                        Fields.of(TreeReader.read(stream(zip.need(file))), "").list(name, read)));
    }

    private static InputStream stream(byte[] bytes) {
        return new ByteArrayInputStream(bytes);
    }

    /**
     * A set that was added.
     *
     * @param beside whether the workshop had another record of it, so that this one got an id and a name of its own
     */
    public record Added(SetRecord set, boolean beside) {}

    /**
     * Adds an unpacked set to a workshop: pictures first, then all rows in one transaction. Where the workshop has a record of it that says
     * something else, both are kept.
     *
     * @param label what was done, for "undo …"
     * @throws InputException if the same is there already, or a picture is none
     */
    public static Added addTo(Workshop workshop, Unpacked unpacked, String label) {
        return addUnlessThere(workshop, unpacked, label)
                .orElseThrow(() -> InputException.at(unpacked.set().chassis().name())
                        .because("this set is in the workshop already")
                        .so("look on the Shelf, in the archive and in the trash"));
    }

    /** As {@link #addTo}; empty where the same is there already. */
    static Optional<Added> addUnlessThere(Workshop workshop, Unpacked unpacked, String label) {
        Sets sets = workshop.sets();
        SetRecord read = unpacked.set();
        boolean beside = sets.has(read.id()) && !isSame(sets.get(read.id()), read);
        SetRecord set = beside ? another(read, sets) : read;
        if (sets.has(set.id())) return Optional.empty();
        List<Photo> photos = new ArrayList<>();
        for (Photo p : set.photos()) photos.add(stored(workshop, p, unpacked.pictures()));
        SetRecord added = new SetRecord(set.chassis(), set.job(), set.readings(), photos, set.place());
        sets.make(added, label);
        return Optional.of(new Added(added, beside));
    }

    private static Photo stored(Workshop workshop, Photo photo, PictureSource pictures) {
        try {
            return photo.in(workshop.storePhoto(
                            photo.id(), CheckedPicture.of(pictures.of(photo), name(photo)), photo.caption(), photo.at())
                    .file());
        } catch (IOException e) {
            throw InputException.at(name(photo))
                    .because("the archive cannot be read any more (" + e.getMessage() + ")")
                    .so("open it again");
        }
    }

    private static boolean isSame(SetRecord here, SetRecord there) {
        return here.chassis().equals(there.chassis())
                && here.job().equals(there.job())
                && Set.copyOf(here.readings()).equals(Set.copyOf(there.readings()))
                && Set.copyOf(here.photos()).equals(Set.copyOf(there.photos()));
    }

    /** A record under an id that follows from what it says, so that it comes in once, and under a name that no set here has. */
    private static SetRecord another(SetRecord set, Sets sets) {
        Chassis chassis = set.chassis();
        String said = ChassisCodec.text(chassis) + JobCodec.text(set.job()) + readings(set) + photos(set);
        Set<String> names = sets.summaries().stream().map(Summary::name).collect(Collectors.toSet());
        int number = 2;
        while (names.contains(chassis.name() + " (" + number + ")")) number++;
        Identity was = chassis.identity();
        Identity identity = was.withModel(was.model() + " (" + number + ")");
        return new SetRecord(
                chassis.withId(UUID.nameUUIDFromBytes(said.getBytes(StandardCharsets.UTF_8)))
                        .withIdentity(identity),
                set.job(),
                set.readings(),
                set.photos(),
                set.place());
    }
}
