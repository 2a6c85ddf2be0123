package anabion.workshop.archive;

import anabion.core.error.InputException;
import anabion.workshop.storage.PhotoFiles;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipInputStream;

/**
 * The entries of a zip, read with limits on their names, number and unpacked size. Its pictures are looked through one by one, not held: a set may have
 * hundreds of them.
 */
final class ZipContents {
    static final String PICTURES = "photos/";

    /** Of a set, and … */
    static final int OF_A_SET = 5_000;
    /** … of a workshop. */
    static final int OF_A_WORKSHOP = 200_000;

    /** Of all but pictures. */
    private static final long MOST_BYTES = 256L << 20;

    private static final long MOST_OF_ONE = 32L << 20;
    private static final long MOST_OF_PICTURES = 64L << 30;

    private final Path file;
    private final Map<String, byte[]> entries = new LinkedHashMap<>();
    /** Of each picture. */
    private final Map<String, String> hashes = new LinkedHashMap<>();

    private ZipContents(Path file) {
        this.file = file;
    }

    /** Whether a file is a zip with an entry of this name. */
    static boolean has(Path file, String name) throws IOException {
        try (ZipFile zip = new ZipFile(file.toFile())) {
            return zip.getEntry(name) != null;
        } catch (ZipException e) {
            return false;
        }
    }

    /** @param most entries that it may have */
    static ZipContents of(Path file, int most) throws IOException {
        ZipContents contents = new ZipContents(file);
        long total = 0;
        long pictures = 0;
        int count = 0;
        try (ZipInputStream zip = new ZipInputStream(Files.newInputStream(file))) {
            for (ZipEntry entry = next(zip); entry != null; entry = next(zip)) {
                if (++count > most) throw tooLarge("more than " + most + " entries");
                boolean folder = entry.isDirectory();
                checkName(folder ? entry.getName().replaceFirst("/$", "") : entry.getName());
                boolean picture = !folder && entry.getName().startsWith(PICTURES);
                byte[] bytes = bytes(zip, entry.getName(), picture ? MOST_OF_ONE : MOST_BYTES - total);
                if (picture) pictures += bytes.length;
                else total += bytes.length;
                if (pictures > MOST_OF_PICTURES) throw tooLarge("more pictures than a workshop can hold");
                if (folder && bytes.length > 0)
                    throw at(entry.getName())
                            .because("a folder with content is none")
                            .so("do not trust this archive");
                if (!folder && contents.has(entry.getName()))
                    throw at(entry.getName())
                            .because("this file stands twice in the archive")
                            .so("get the archive again");
                if (picture) contents.hashes.put(entry.getName(), PhotoFiles.sha256(bytes));
                else if (!folder) contents.entries.put(entry.getName(), bytes);
            }
        } catch (ZipException | java.io.EOFException e) {
            throw damaged();
        }
        if (contents.entries.isEmpty())
            throw InputException.at("")
                    .because("this is not a zip archive")
                    .so("choose a set archive that was exported here");
        return contents;
    }

    /** Java says in two ways that a name is not UTF-8, by its release. */
    private static ZipEntry next(ZipInputStream zip) throws IOException {
        try {
            return zip.getNextEntry();
        } catch (IllegalArgumentException e) {
            throw new ZipException("a name that is not UTF-8");
        }
    }

    private static InputException.Place at(String name) {
        return InputException.at("file " + name + " in the archive");
    }

    private static void checkName(String name) {
        boolean escapes =
                name.contains(":") || name.contains("\\") || name.chars().anyMatch(Character::isISOControl);
        for (String part : name.split("/", -1)) escapes |= part.isBlank() || part.equals(".") || part.equals("..");
        if (escapes)
            throw at(name).because("its name leads out of the archive's folder").so("do not trust this archive");
    }

    private static byte[] bytes(InputStream in, String name, long left) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        byte[] buffer = new byte[1 << 16];
        for (int n; (n = in.read(buffer)) > 0; ) {
            out.write(buffer, 0, n);
            if (out.size() > MOST_OF_ONE || out.size() > left)
                throw tooLarge("\"" + name + "\" unpacks to more than a set can hold");
        }
        return out.toByteArray();
    }

    private static InputException tooLarge(String what) {
        return InputException.at("")
                .because("the archive is too large: " + what)
                .so("do not trust this archive");
    }

    private boolean has(String name) {
        return entries.containsKey(name) || hashes.containsKey(name);
    }

    /** SHA-256 of a picture. */
    String hash(String name) {
        return there(Optional.ofNullable(hashes.get(name)), name);
    }

    /** The bytes of a picture that was there when the archive was looked through. */
    byte[] picture(String name) throws IOException {
        try (ZipFile zip = new ZipFile(file.toFile())) {
            ZipEntry entry = there(Optional.ofNullable(zip.getEntry(name)), name);
            try (InputStream in = zip.getInputStream(entry)) {
                byte[] bytes = bytes(in, name, MOST_OF_ONE);
                if (!PhotoFiles.sha256(bytes).equals(hashes.get(name)))
                    throw at(name).because("the archive has changed since it was looked through")
                            .so("open it again");
                return bytes;
            }
        } catch (ZipException e) {
            throw damaged();
        }
    }

    private static InputException damaged() {
        return InputException.at("")
                .because("the archive is damaged or cut short")
                .so("get it again");
    }

    Optional<byte[]> find(String name) {
        return Optional.ofNullable(entries.get(name));
    }

    byte[] need(String name) {
        return there(find(name), name);
    }

    private static <T> T there(Optional<T> entry, String name) {
        return entry.orElseThrow(() -> InputException.at("")
                .because("the archive has no " + name)
                .so("choose a set archive that was exported here"));
    }
}
