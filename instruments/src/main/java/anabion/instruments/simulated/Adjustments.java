package anabion.instruments.simulated;

import anabion.core.align.AdjusterEffects;
import anabion.core.align.Travel;
import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.signal.FrontEnd;
import anabion.core.signal.FrontEnd.Circuit;
import anabion.core.signal.FrontEnd.Turned;
import anabion.core.signal.TunedSet;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;

/** Where the adjusters of a specimen stand, which nobody sees, and what that does to a carrier. Not for several threads. */
final class Adjustments {
    /** Share of their travel by which adjusters of decades stand off, one standard deviation. */
    private static final double DRIFT = 0.04;

    private final Chassis chassis;
    private final AdjusterEffects effects;
    /** Shares of each adjuster, from the middle of its travel; see {@link Travel#share}. */
    private final Map<String, Double> shares = new HashMap<>();

    private final Map<String, Optional<FrontEnd>> fronts = new HashMap<>();

    Adjustments(Chassis chassis, long seed) {
        this.chassis = chassis;
        this.effects = new AdjusterEffects(chassis);
        Random random = new Random(seed + 1);
        for (Adjuster a : chassis.adjusters())
            Travel.of(chassis, a).ifPresent(t -> shares.put(a.letter(), DRIFT * t.reach() * random.nextGaussian()));
    }

    /**
     * Turns one as far as it goes.
     *
     * @param turns positive inwards
     * @throws InputException if there is no such adjuster, or its part does not tell what it does
     */
    void turn(String letter, double turns) {
        Adjuster a = chassis.adjusters().stream()
                .filter(x -> x.letter().equalsIgnoreCase(letter) && shares.containsKey(x.letter()))
                .findFirst()
                .orElseThrow(() -> InputException.at(letter)
                        .because("the set has no such adjuster")
                        .so("name one of its table"));
        Travel t = Travel.of(chassis, a).orElseThrow();
        double to = shares.get(a.letter()) + t.share(turns);
        shares.put(a.letter(), Math.max(-t.reach(), Math.min(t.reach(), to)));
    }

    /** What they make of the intermediate frequency's coils and capacitors, as factors. */
    Map<String, Double> trims() {
        return effects.trims(shares);
    }

    /** The gang's circuits of a band, as they were meant to be; empty where the set's sheets do not tell. */
    private Optional<FrontEnd> front(Setting setting, Band band) {
        return fronts.computeIfAbsent(band.name(), n -> FrontEnd.of(new Simulator(), chassis, setting, band));
    }

    /**
     * A carrier on its way to the converter.
     *
     * @param shift hertz by which it comes to the intermediate frequency too high
     * @param decibels by which the circuits of the carrier weaken it
     */
    record Arrived(double shift, double decibels) {}

    /**
     * @param specimen factors of its own parts
     * @param line volts
     * @return empty where the oscillator is lost, or nothing is known of the band's circuits
     */
    Optional<Arrived> arrived(Map<String, Double> specimen, double line, Band band, double dial, double hertz) {
        Optional<FrontEnd> found = front(Setting.of(line), band);
        if (found.isEmpty()) return Optional.empty();
        FrontEnd f = found.get();
        List<Turned> all = new ArrayList<>();
        for (Circuit c : f.circuits()) all.add(effects.turned(c, shares, specimen));
        double heard = f.heard(dial, all.get(0));
        if (!Double.isFinite(heard)) return Optional.empty();
        double amount = 1;
        for (int n = 0; n < f.signals(); n++) {
            double resonance = f.tuned(n, dial, all.get(n + 1));
            amount *= Double.isFinite(resonance) ? TunedSet.response(hertz, resonance) : 0;
        }
        return Optional.of(new Arrived(heard - hertz, 20 * Math.log10(amount)));
    }
}
