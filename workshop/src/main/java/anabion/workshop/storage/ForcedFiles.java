package anabion.workshop.storage;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;

/** Files that are whole on the disk, or not there: written beside, forced, renamed, and the folder forced. */
public final class ForcedFiles {
    private static final int BLOCK = 1 << 16;

    private ForcedFiles() {}

    /** Writes a file, replacing one that is there. */
    public static void write(Path target, InputStream content) throws IOException {
        Path half = Files.createTempFile(target.getParent(), "half-", ".tmp");
        try {
            try (FileChannel channel = FileChannel.open(half, StandardOpenOption.WRITE)) {
                for (byte[] block = content.readNBytes(BLOCK); block.length > 0; block = content.readNBytes(BLOCK))
                    for (ByteBuffer all = ByteBuffer.wrap(block); all.hasRemaining(); ) channel.write(all);
                channel.force(true);
            }
            Files.move(half, target, StandardCopyOption.ATOMIC_MOVE);
            forceFolder(target.getParent());
        } finally {
            Files.deleteIfExists(half);
        }
    }

    /** Copies a file, replacing one that is there. */
    public static void copy(Path from, Path target) throws IOException {
        try (InputStream in = Files.newInputStream(from)) {
            write(target, in);
        }
    }

    /** Makes a folder and those above it, as far as they are missing. */
    public static void createFolders(Path folder) throws IOException {
        if (Files.isDirectory(folder)) return;
        Path above = folder.toAbsolutePath().getParent();
        createFolders(above);
        try {
            Files.createDirectory(folder);
        } catch (FileAlreadyExistsException e) {
            if (!Files.isDirectory(folder)) throw e;
        }
        forceFolder(above);
    }

    /** Makes a file's content last that something else wrote. */
    public static void force(Path file) throws IOException {
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
            channel.force(true);
        }
    }

    /** Makes the names in a folder last. */
    public static void forceFolder(Path folder) throws IOException {
        try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
        }
    }
}
