package anabion.workshop.storage;

import anabion.core.error.InputException;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;

/**
 * Photos by content hash. A file is written under a temporary name, forced, renamed and its folder forced, before anyone
 * may commit a row that names it; a crash leaves at most an unnamed temporary file.
 */
public final class PhotoFiles {
    /** Pixels across of what is decoded to see whether it can be. */
    private static final int ENOUGH = 100;

    private final Path folder;

    /** @param workshop its folder */
    public PhotoFiles(Path workshop) {
        this.folder = workshop.resolve("photos");
    }

    /**
     * A stored picture.
     *
     * @param hash SHA-256 of its content, 64 hexadecimal digits
     * @param suffix of its file: a format that is read here
     */
    public record Stored(String hash, String suffix) {
        private static final Pattern HASH = Pattern.compile("[0-9a-f]{64}");
        private static final Set<String> SUFFIXES = Set.of("jpg", "png", "gif", "bmp", "wbmp", "tif");

        /** @throws InputException if one of them is none: both are parts of a path */
        public Stored {
            if (!HASH.matcher(hash).matches())
                throw InputException.at("hash")
                        .because("\"" + hash + "\" names no picture")
                        .so("a picture is named by the 64 digits of its SHA-256");
            if (!SUFFIXES.contains(suffix))
                throw InputException.at("suffix")
                        .because("\"" + suffix + "\" is no format of pictures that is read here")
                        .so("use one of " + String.join(", ", new TreeSet<>(SUFFIXES)));
        }
    }

    /**
     * Stores a picture.
     *
     * @param name its file name, for the error
     * @throws InputException if it is no picture
     */
    public Stored store(byte[] bytes, String name) throws IOException {
        String suffix = check(bytes, name);
        Stored stored = new Stored(sha256(bytes), suffix);
        Path target = path(stored);
        if (Files.exists(target)) return stored;
        ForcedFiles.createFolders(folder.getParent(), target.getParent());
        ForcedFiles.write(target, out -> out.write(bytes));
        return stored;
    }

    /**
     * Copies a stored picture's file from elsewhere.
     *
     * @return whether there is such a file
     */
    public boolean copy(Path from, Stored stored) throws IOException {
        if (!Files.isRegularFile(from)) return false;
        Path target = path(stored);
        ForcedFiles.createFolders(folder.getParent(), target.getParent());
        ForcedFiles.copy(from, target);
        return true;
    }

    /** Where a stored picture is. */
    public Path path(Stored stored) {
        return folder.resolve(stored.hash().substring(0, 2)).resolve(stored.hash() + "." + stored.suffix());
    }

    /** The picture's format, if all of it can be read. */
    private static String check(byte[] bytes, String name) {
        try {
            return suffix(
                    Pictures.decode(new ByteArrayInputStream(bytes), ENOUGH).format());
        } catch (IOException e) {
            if (isHeic(bytes))
                throw InputException.at(name)
                        .because("this is a picture in HEIC, which is not read here")
                        .so("set the phone's camera to JPEG (most compatible), or save it as JPEG first");
            throw InputException.at(name)
                    .because("this is not a picture that can be read (" + e.getMessage() + ")")
                    .so("choose a JPEG or PNG file of up to 50 megapixels, or take it from the camera again");
        }
    }

    /** As the container of such files begins: a box of type {@code ftyp} with one of its brands. */
    private static boolean isHeic(byte[] bytes) {
        if (bytes.length < 12) return false;
        String brand = new String(bytes, 4, 8, StandardCharsets.ISO_8859_1);
        return brand.matches("ftyp(heic|heix|hevc|heim|heis|mif1|msf1)");
    }

    private static String suffix(String format) {
        return switch (format) {
            case "jpeg" -> "jpg";
            case "tiff" -> "tif";
            default -> format;
        };
    }

    /** By which a picture is named. */
    public static String sha256(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }
}
