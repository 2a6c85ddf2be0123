package anabion.workshop.storage;

import java.io.FilterOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;

/** Files that are whole on the disk, or not there: written beside, forced, renamed, and the folder forced. */
public final class ForcedFiles {
    private ForcedFiles() {}

    /** What writes a file's content. */
    public interface Content {
        void to(OutputStream out) throws IOException;
    }

    /** Writes a file, replacing one that is there; where the content fails, that stays. */
    public static void write(Path file, Content content) throws IOException {
        Path target = file.toAbsolutePath();
        Path half = target.resolveSibling(target.getFileName() + ".part");
        try {
            try (FileChannel channel = FileChannel.open(
                            half,
                            StandardOpenOption.CREATE,
                            StandardOpenOption.TRUNCATE_EXISTING,
                            StandardOpenOption.WRITE);
                    OutputStream out = Channels.newOutputStream(channel)) {
                content.to(new Kept(out));
                channel.force(true);
            }
            Files.move(half, target, StandardCopyOption.ATOMIC_MOVE);
            forceFolder(target.getParent());
        } finally {
            Files.deleteIfExists(half);
        }
    }

    /** Stays open for {@code force} when a writer of archives or pages closes it. */
    private static final class Kept extends FilterOutputStream {
        Kept(OutputStream out) {
            super(out);
        }

        @Override
        public void write(byte[] bytes, int from, int length) throws IOException {
            out.write(bytes, from, length);
        }

        @Override
        public void close() throws IOException {
            out.flush();
        }
    }

    /** Copies a file, replacing one that is there. */
    public static void copy(Path from, Path target) throws IOException {
        write(target, out -> Files.copy(from, out));
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

    /**
     * Makes a folder of a workshop.
     *
     * @throws NoSuchFileException if the workshop's own folder is gone: none is made where it was
     */
    public static void createFolders(Path workshop, Path folder) throws IOException {
        if (!Files.isDirectory(workshop)) throw new NoSuchFileException(workshop.toString());
        createFolders(folder);
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
