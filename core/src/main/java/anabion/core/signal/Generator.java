package anabion.core.signal;

import anabion.core.numeric.Phasor;

/**
 * A signal generator with the capacitor at its lead.
 *
 * @param ohms of its output
 */
record Generator(double ohms, double farads) {
    static final Generator SOUND = new Generator(600, 1e-7);
    static final Generator RADIO = new Generator(50, 1e-8);
    /** Through a dummy aerial of the usual kind, without its coil, which hardly counts on these bands. */
    static final Generator AERIAL = new Generator(25, 2e-10);

    Phasor impedance(double hertz) {
        return new Phasor(ohms, -1 / (2 * Math.PI * hertz * farads));
    }

    /**
     * What it must give at a point.
     *
     * @param own volts at the point per ampere into it
     * @param through volts at the end of the path per ampere into the point
     * @param wanted volts at the end
     */
    Gains.Level level(
            String stage, String point, Domain domain, double hertz, Phasor own, Phasor through, double wanted) {
        double amperes = wanted / through.size();
        double volts = amperes * impedance(hertz).plus(own).size();
        return new Gains.Level(stage, point, domain, hertz, volts, amperes * own.size(), ohms, farads);
    }
}
