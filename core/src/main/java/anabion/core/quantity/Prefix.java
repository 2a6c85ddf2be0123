package anabion.core.quantity;

/** A suffix as written behind a number: the unit it implies (or none), its multiplier, and a second meaning if it has one. */
record Prefix(String text, Unit unit, double factor, double otherFactor, String otherReason) {
    static Prefix of(String text, Unit unit, double factor) {
        return new Prefix(text, unit, factor, 0, "");
    }

    static Prefix doubtful(String text, Unit unit, double factor, double otherFactor, String reason) {
        return new Prefix(text, unit, factor, otherFactor, reason);
    }

    boolean hasUnit() {
        return unit != null;
    }

    boolean isDoubtful() {
        return otherFactor != 0;
    }
}
