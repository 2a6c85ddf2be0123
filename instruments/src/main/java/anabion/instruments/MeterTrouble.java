package anabion.instruments;

/** A meter gave no reading: why, and what to do. The entry line stays as it was. */
public final class MeterTrouble extends RuntimeException {
    private static final long serialVersionUID = 1L;

    MeterTrouble(String what, String remedy) {
        super(what + ". " + remedy + ".");
    }

    MeterTrouble(String what, String remedy, Throwable cause) {
        super(what + ". " + remedy + ".", cause);
    }
}
