package anabion.workshop.storage;

import anabion.core.input.BadInput;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/** Holds a workshop for one running program, by an operating system lock that dies with the process. */
public final class WorkshopLock implements AutoCloseable {
    private final FileChannel channel;

    private WorkshopLock(FileChannel channel) {
        this.channel = channel;
    }

    /**
     * @throws BadInput if another program holds the workshop
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
        throw BadInput.at(folder.toString())
                .because("this workshop is open in another window or program")
                .so("close it there first, or open another workshop");
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
