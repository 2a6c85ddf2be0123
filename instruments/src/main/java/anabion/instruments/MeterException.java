package anabion.instruments;

/** A meter gave no reading: why, and what to do. The entry line stays as it was. */
public final class MeterException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    /**
     * @param what went wrong
     * @param remedy what to do about it
     */
    public MeterException(String what, String remedy) {
        super(what + ". " + remedy + ".");
    }

    /**
     * @param what went wrong
     * @param remedy what to do about it
     * @param cause the failure beneath
     */
    public MeterException(String what, String remedy, Throwable cause) {
        super(what + ". " + remedy + ".", cause);
    }
}
