package anabion.workshop.storage;

import anabion.core.error.InputException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/**
 * Holds a workshop for one running program, by an operating system lock that dies with the process. Its file says whether the database was
 * left open: then its log belongs to it.
 */
public final class WorkshopLock implements AutoCloseable {
    private final FileChannel channel;

    private WorkshopLock(FileChannel channel) {
        this.channel = channel;
    }

    /**
     * Takes the lock.
     *
     * @throws InputException if another program holds the workshop
     * @throws IOException if the lock file cannot be made
     */
    public static WorkshopLock take(Path folder) throws IOException {
        FileChannel channel =
                FileChannel.open(folder.resolve("workshop.lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        try {
            FileLock lock = channel.tryLock();
            if (lock != null) return new WorkshopLock(channel);
        } catch (OverlappingFileLockException e) {
            // held by this very program: refused like any other
        }
        channel.close();
        throw InputException.at(folder.toString())
                .because("this workshop is open in another window or program")
                .so("close it there first, or open another workshop");
    }

    /** Whether the program that held it before ended without {@link #markClosed}. */
    public boolean wasLeftOpen() throws IOException {
        return channel.size() > 0;
    }

    /** Says that the database has a log now. */
    public void markOpen() throws IOException {
        channel.write(ByteBuffer.wrap(new byte[] {'o', 'p', 'e', 'n'}), 0);
        channel.force(true);
    }

    /** Says that all that was in the log is in the database. */
    public void markClosed() throws IOException {
        channel.truncate(0);
        channel.force(true);
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
