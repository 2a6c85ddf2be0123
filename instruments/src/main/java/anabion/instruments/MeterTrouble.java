package anabion.instruments;

/** A meter gave no reading: why, and what to do. The entry line stays as it was. */
public final class MeterTrouble extends RuntimeException {
    private static final long serialVersionUID = 1L;

    public MeterTrouble(String what, String remedy) {
        super(what + ". " + remedy + ".");
    }

    public MeterTrouble(String what, String remedy, Throwable cause) {
        super(what + ". " + remedy + ".", cause);
    }
}
