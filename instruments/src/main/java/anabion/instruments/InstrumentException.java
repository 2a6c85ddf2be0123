package anabion.instruments;

/** An instrument gave no reading, or did not do as it was told: why, and what to do. The entry line stays as it was. */
public final class InstrumentException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    /** What failed. */
    public enum Kind {
        /** Nothing answers, or the connection broke. */
        GONE,
        /** It did not answer in time. */
        LATE,
        /** It is over its range. */
        OVERLOAD,
        /** Its answer makes no sense, or it refused. */
        NONSENSE
    }

    private final Kind kind;
    private final String what;
    private final String remedy;

    /**
     * @param what went wrong
     * @param remedy what to do about it
     */
    public InstrumentException(Kind kind, String what, String remedy) {
        this(kind, what, remedy, null);
    }

    /**
     * @param what went wrong
     * @param remedy what to do about it
     * @param cause the failure beneath; null where there is none
     */
    public InstrumentException(Kind kind, String what, String remedy, Throwable cause) {
        super(what + ". " + remedy + ".", cause);
        this.kind = kind;
        this.what = what;
        this.remedy = remedy;
    }

    /** What went wrong. */
    public String what() {
        return what;
    }

    /** What to do about it. */
    public String remedy() {
        return remedy;
    }

    /** Which kind of failure it is. */
    public Kind kind() {
        return kind;
    }
}
