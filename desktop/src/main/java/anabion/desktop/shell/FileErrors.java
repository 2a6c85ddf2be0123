package anabion.desktop.shell;

import anabion.core.error.InputException;
import anabion.workshop.StorageException;
import java.io.IOException;
import java.nio.charset.CharacterCodingException;

/** File work that the user asked for, with its failures in words. */
final class FileErrors {
    private FileErrors() {}

    interface Work<T> {
        T run() throws IOException;
    }

    static <T> T saying(Work<T> work) {
        try {
            return work.run();
        } catch (IOException e) {
            throw of(e);
        }
    }

    /** What lies behind a failure, in the system's words. */
    static String cause(Throwable e) {
        Throwable last = e;
        while (last.getCause() != null) last = last.getCause();
        return String.valueOf(last.getMessage());
    }

    static RuntimeException of(IOException e) {
        if (e instanceof CharacterCodingException)
            return InputException.at("")
                    .because("the file is not text in UTF-8")
                    .so("save it as CSV in UTF-8");
        return new StorageException(
                "The file could not be read or written (" + e.getMessage() + ")",
                "Check the place and the free space",
                e);
    }
}
