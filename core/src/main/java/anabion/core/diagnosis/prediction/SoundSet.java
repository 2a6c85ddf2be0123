package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Chassis;
import anabion.core.recap.CapacitorSection;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.dc.Overload;
import anabion.core.simulation.setting.Setting;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/** A sound set at work: where which meter is put, and in which states it may be switched on. */
public final class SoundSet {
    /** Effective alternating volts from which a net is one of the mains' side. */
    private static final double OF_MAINS = 20;
    /** By which factor more than usual a capacitor bears that has no rating printed on it, and by how many volts. */
    private static final double UNRATED = 1.1;

    private static final double LITTLE = 2;

    private final Chassis chassis;
    private final Setting usual;
    private final Function<Setting, Optional<OperatingPoint>> solved;
    private final Set<String> steady;
    private final Set<String> alternating;
    private final Set<String> reservoirs;

    /** @param solved the sound set near a setting; there is an answer for the usual one */
    SoundSet(Chassis chassis, Setting usual, Function<Setting, Optional<OperatingPoint>> solved) {
        this.chassis = chassis;
        this.usual = usual;
        this.solved = solved;
        OperatingPoint sound = solved.apply(usual).orElseThrow();
        this.steady = Simulator.nets(chassis).stream()
                .filter(n -> sound.alternating(n).orElse(0) < OF_MAINS)
                .collect(Collectors.toUnmodifiableSet());
        this.alternating = Measurements.alternating(chassis, sound);
        this.reservoirs = Set.copyOf(sound.ripples().keySet());
    }

    /** Whether a meter on direct volts is put there at all: beside the volts of the mains, which a probe must not slip on, they tell little. */
    public boolean steady(String net) {
        return steady.contains(net);
    }

    /** Nets where a meter on alternating volts is put. */
    public Set<String> alternating() {
        return alternating;
    }

    /** Nets of its reservoirs. */
    public Set<String> reservoirs() {
        return reservoirs;
    }

    /**
     * Whether it may be switched on like this, such as with its load off, when its rails rise: every capacitor whose volts rise stays within what is printed on
     * it, and nothing burns that does not burn anyway. A capacitor without a printed rating may see a tenth more than usual. False where that does not settle.
     */
    public boolean bears(Setting setting) {
        Optional<OperatingPoint> then = solved.apply(setting);
        Optional<OperatingPoint> usually = solved.apply(usual.withLine(setting.line()));
        if (then.isEmpty() || usually.isEmpty()) return false;
        return burning(usually.get()).containsAll(burning(then.get()))
                && CapacitorSection.of(chassis).stream().allMatch(c -> holds(c, then.get(), usually.get()));
    }

    private List<String> burning(OperatingPoint o) {
        return Overload.of(chassis, o).stream().map(Overload::part).toList();
    }

    private static boolean holds(CapacitorSection c, OperatingPoint then, OperatingPoint usually) {
        double most = c.rating() > 0 ? c.rating() : UNRATED * across(c, usually) + LITTLE;
        return across(c, then) <= Math.max(most, across(c, usually));
    }

    private static double across(CapacitorSection c, OperatingPoint o) {
        return Math.abs(o.volts(c.plus()).orElse(0) - o.volts(c.minus()).orElse(0));
    }
}
