package anabion.workshop.storage;

import anabion.core.error.InputException;
import java.io.IOException;
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

    /** Stores a picture. */
    public Stored store(CheckedPicture picture) throws IOException {
        Path target = path(picture.stored());
        if (Files.exists(target)) return picture.stored();
        ForcedFiles.createFolders(folder.getParent(), target.getParent());
        ForcedFiles.write(target, out -> out.write(picture.bytes()));
        return picture.stored();
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

    /** By which a picture is named. */
    public static String sha256(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }
}
