package anabion.core.rectifier;

/** Finds the steady cycle of a rectifier under a load. */
interface Finder {
    /** @param guess reservoir volts to begin the search with */
    Cycle cycle(Load load, double guess);

    static Finder of(Rectifier r) {
        if (r.pump() > 0) return new Doubler(r);
        return r.henries() > 0 ? new ChokeInput(r) : new Steady(r);
    }
}
