package anabion.workshop.archive;

import anabion.core.error.InputException;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;

/** The entries of a zip, read with limits on their names, number and unpacked size. */
final class ZipContents {
    private static final int MOST_ENTRIES = 5_000;
    private static final long MOST_BYTES = 256L << 20;
    private static final long MOST_OF_ONE = 32L << 20;

    private final Map<String, byte[]> entries = new LinkedHashMap<>();

    private ZipContents() {}

    static ZipContents read(InputStream in) throws IOException {
        ZipContents contents = new ZipContents();
        long total = 0;
        int count = 0;
        try (ZipInputStream zip = new ZipInputStream(in)) {
            for (ZipEntry entry = next(zip); entry != null; entry = next(zip)) {
                if (++count > MOST_ENTRIES) throw tooLarge("more than " + MOST_ENTRIES + " entries");
                boolean folder = entry.isDirectory();
                checkName(folder ? entry.getName().replaceFirst("/$", "") : entry.getName());
                byte[] bytes = bytes(zip, entry.getName(), MOST_BYTES - total);
                total += bytes.length;
                if (folder && bytes.length > 0)
                    throw at(entry.getName())
                            .because("a folder with content is none")
                            .so("do not trust this archive");
                if (!folder && contents.entries.put(entry.getName(), bytes) != null)
                    throw at(entry.getName())
                            .because("this file stands twice in the archive")
                            .so("get the archive again");
            }
        } catch (ZipException | java.io.EOFException e) {
            throw InputException.at("")
                    .because("the archive is damaged or cut short")
                    .so("get it again");
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

    Optional<byte[]> find(String name) {
        return Optional.ofNullable(entries.get(name));
    }

    byte[] need(String name) {
        return find(name).orElseThrow(() -> InputException.at("")
                .because("the archive has no " + name)
                .so("choose a set archive that was exported here"));
    }
}
