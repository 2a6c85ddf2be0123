package anabion.core.error;

/** Input that cannot be used: where it stands, what is wrong with it, and what the user can do about it. */
public final class InputException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final String where;
    private final String what;
    private final String remedy;

    private InputException(String where, String what, String remedy) {
        super((where.isEmpty() ? "" : where + ": ")
                + what
                + (remedy.isEmpty() ? "" : ". " + capitalised(remedy) + "."));
        this.where = where;
        this.what = what;
        this.remedy = remedy;
    }

    /** Starts an error at a place, such as {@code "line 3, field ohms"}; empty when the whole input is meant. */
    public static Place at(String where) {
        return new Place(where);
    }

    /** A text with a fault at one character; the place shows the text with a mark behind the good part. */
    public static Place in(String text, int position) {
        int at = Math.max(0, Math.min(position, text.length()));
        return new Place("\"" + text + "\", character " + (at + 1));
    }

    /** The place, for the reader; empty where the whole input is meant. */
    public String where() {
        return where;
    }

    /** What is wrong there. */
    public String what() {
        return what;
    }

    /** What to do about it. */
    public String remedy() {
        return remedy;
    }

    /** This error as seen from outside, with the file or field that contained it. */
    public InputException inside(String outer) {
        InputException wrapped = new InputException(where.isEmpty() ? outer : outer + ", " + where, what, remedy);
        wrapped.initCause(this);
        return wrapped;
    }

    private static String capitalised(String text) {
        return text.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + text.substring(1);
    }

    /** First half of an error: the place. */
    public record Place(String where) {
        /** With what is wrong there. */
        public Cause because(String what) {
            return new Cause(where, what);
        }
    }

    /** Second half of an error: the place and what is wrong there. */
    public record Cause(String where, String what) {
        /** Completes the error with what the user can do. */
        public InputException so(String remedy) {
            return new InputException(where, what, remedy);
        }
    }
}
