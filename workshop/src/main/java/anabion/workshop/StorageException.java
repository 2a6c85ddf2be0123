package anabion.workshop;

import java.nio.file.AccessDeniedException;
import java.nio.file.Path;

/** The disk would not: what failed, where, and what the user can do. Nothing was changed. */
public final class StorageException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private static final String RESTORE = "Restore one of its backups";

    /** What a window can offer beside the words. */
    public enum Kind {
        /** The database is damaged, missing, or without its log: a backup can be put in its place. */
        RESTORABLE,
        /** The folder is not the one that was opened: what is in memory can be saved elsewhere. */
        MOVED,
        /** Only the words. */
        OTHER
    }

    private final String remedy;
    private final Kind kind;

    private StorageException(Kind kind, String what, String remedy, Throwable cause) {
        super(what + ". " + remedy + ".", cause);
        this.kind = kind;
        this.remedy = remedy;
    }

    /** One that only words can mend. */
    public StorageException(String what, String remedy, Throwable cause) {
        this(Kind.OTHER, what, remedy, cause);
    }

    /** What can be done about it from the window. */
    public Kind kind() {
        return kind;
    }

    static StorageException missing(Path folder) {
        return new StorageException(
                Kind.RESTORABLE,
                "The database in " + folder + " is missing or empty, but its backups are there; nothing was changed",
                RESTORE,
                null);
    }

    static StorageException withoutLog(Path folder) {
        return new StorageException(
                Kind.RESTORABLE,
                "The program ended without closing the database in " + folder
                        + ", and its log workshop.db-wal is gone: the last changes may be missing",
                "Put the log back where you have it; else restore a backup, or workshop.db as it is",
                null);
    }

    static StorageException damaged(Path folder, Throwable cause) {
        return new StorageException(Kind.RESTORABLE, "The database in " + folder + " is damaged", RESTORE, cause);
    }

    static StorageException moved(Path folder) {
        return new StorageException(
                Kind.MOVED,
                "The workshop in " + folder + " was deleted, moved or replaced while it was open; this was not saved",
                "Save what is in memory in another folder",
                null);
    }

    /** What to do about it, as a sentence without its full stop. */
    public String remedy() {
        return remedy;
    }

    /** Says a low-level failure in words; the place is the workshop's folder. */
    static StorageException of(Throwable cause, Path folder) {
        String text = messages(cause);
        if (text.contains("SQLITE_FULL") || text.contains("No space left")) {
            return new StorageException(
                    "The disk under " + folder + " is full; this change was not saved",
                    "Free some space and enter it again",
                    cause);
        }
        if (denied(cause)) {
            return new StorageException(
                    "You have no permission to read or write the workshop in " + folder,
                    "Ask whoever owns the folder, or open another workshop",
                    cause);
        }
        if (text.contains("SQLITE_READONLY")
                || text.contains("Read-only file system")
                || text.contains("SQLITE_CANTOPEN")) {
            return new StorageException(
                    "The workshop in " + folder + " cannot be written",
                    "Check the disk and the folder's permissions",
                    cause);
        }
        if (text.contains("SQLITE_NOTADB") || text.contains("SQLITE_CORRUPT")) {
            return damaged(folder, cause);
        }
        return new StorageException(
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
