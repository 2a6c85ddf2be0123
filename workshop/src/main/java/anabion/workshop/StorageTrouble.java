package anabion.workshop;

import java.nio.file.AccessDeniedException;

/** The disk would not: what failed, where, and what the user can do. Nothing was changed. */
public final class StorageTrouble extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final String remedy;

    public StorageTrouble(String what, String remedy, Throwable cause) {
        super(what + ". " + remedy + ".", cause);
        this.remedy = remedy;
    }

    public String remedy() {
        return remedy;
    }

    /** Says a low-level failure in words; the place is the workshop's folder. */
    static StorageTrouble of(Throwable cause, java.nio.file.Path folder) {
        String text = messages(cause);
        if (text.contains("SQLITE_FULL") || text.contains("No space left")) {
            return new StorageTrouble(
                    "The disk under " + folder + " is full; this change was not saved",
                    "Free some space and enter it again",
                    cause);
        }
        if (denied(cause)) {
            return new StorageTrouble(
                    "You have no permission to read or write the workshop in " + folder,
                    "Ask whoever owns the folder, or open another workshop",
                    cause);
        }
        if (text.contains("SQLITE_READONLY")
                || text.contains("Read-only file system")
                || text.contains("SQLITE_CANTOPEN")) {
            return new StorageTrouble(
                    "The workshop in " + folder + " cannot be written",
                    "Check the disk and the folder's permissions",
                    cause);
        }
        if (text.contains("SQLITE_NOTADB") || text.contains("SQLITE_CORRUPT")) {
            return new StorageTrouble(
                    "The database in " + folder + " is damaged",
                    "Put the newest file from its backups folder in its place",
                    cause);
        }
        return new StorageTrouble(
                "The workshop in " + folder + " could not be read or written (" + first(cause) + ")",
                "Check the disk",
                cause);
    }

    private static boolean denied(Throwable t) {
        for (Throwable c = t; c != null; c = c.getCause())
            if (c instanceof AccessDeniedException
                    || String.valueOf(c.getMessage()).contains("Permission denied")
                    || String.valueOf(c.getMessage()).contains("SQLITE_PERM")) return true;
        return false;
    }

    private static String messages(Throwable t) {
        StringBuilder all = new StringBuilder();
        for (Throwable c = t; c != null; c = c.getCause())
            all.append(c.getMessage()).append('\n');
        return all.toString();
    }

    private static String first(Throwable cause) {
        String message = cause.getMessage();
        return message == null
                ? cause.getClass().getSimpleName()
                : message.lines().findFirst().orElse("");
    }
}
