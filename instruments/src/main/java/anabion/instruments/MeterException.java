package anabion.instruments;

/** A meter gave no reading: why, and what to do. The entry line stays as it was. */
public final class MeterException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public MeterException(String what, String remedy) {
        super(what + ". " + remedy + ".");
    }

    public MeterException(String what, String remedy, Throwable cause) {
        super(what + ". " + remedy + ".", cause);
    }
}
