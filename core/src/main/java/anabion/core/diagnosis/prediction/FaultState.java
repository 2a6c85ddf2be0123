package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.signal.Loudness;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.cold.ColdOhms;
import anabion.core.simulation.cold.ColdSet;
import anabion.core.simulation.dc.Fuses;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.setting.Setting;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.stream.Stream;

/** One state of a set's faults, and all that has been computed of it. */
public final class FaultState {
    private static final double[] INSULATION = {1, ColdOhms.WORN, Math.sqrt(ColdOhms.WORN)};

    /** Ways of failing that may draw many times what a sound set takes. */
    private static final Set<FaultMode> OVERLOADS =
            EnumSet.of(FaultMode.SHORT, FaultMode.HEATER_CATHODE, FaultMode.EARTHED);

    private final Chassis chassis;
    private final List<Fault> faults;
    private final Faults known;
    private final IdentityHashMap<Setting, Optional<FaultResponse>> shown = new IdentityHashMap<>();
    private final Map<String, Optional<Loudness>> heard = new HashMap<>();
    private final Optional<FaultState> sound;
    private final Map<List<Fault>, ColdSet[]> cold = new HashMap<>();
    private final Map<Measurement.Ohms, ColdResistanceModel.At> unplugged = new HashMap<>();

    /** @param sound the state without a fault, from which others start; empty for itself */
    public FaultState(Chassis chassis, List<Fault> faults, Optional<FaultState> sound) {
        this.chassis = chassis;
        this.faults = faults;
        this.known = new Faults(chassis, faults);
        this.sound = sound;
    }

    /**
     * What a sound set shows under the same setting is taken over where it was computed before.
     *
     * @param setting one of the few kept, with what was lifted; empty where the circuit does not settle
     */
    public Optional<FaultResponse> shown(Simulator engine, Setting setting) {
        goOn();
        return shown.computeIfAbsent(setting, s -> {
            Optional<FaultResponse> well = sound.flatMap(o -> o.shown.getOrDefault(s, Optional.empty()));
            Optional<FaultResponse> found = response(engine, with(s), well);
            List<Fault> blown = found.map(r -> blown(r.atRest())).orElse(List.of());
            return blown.isEmpty() ? found : response(engine, with(with(s), blown), Optional.empty());
        });
    }

    private Optional<FaultResponse> response(Simulator engine, Setting faulty, Optional<FaultResponse> well) {
        return FaultResponse.of(engine, chassis, faulty, well, this::decides);
    }

    /** The fuses that the faults blow: nobody reads or hears anything else for long. */
    private List<Fault> blown(OperatingPoint solved) {
        return overloads() ? Fuses.blown(chassis, solved) : List.of();
    }

    private boolean overloads() {
        return faults.stream().anyMatch(f -> OVERLOADS.contains(f.mode()));
    }

    private static Setting with(Setting faulty, List<Fault> more) {
        return faulty.withFaults(
                Stream.concat(faulty.faults().stream(), more.stream()).toList());
    }

    /** Whether its volts were computed under a setting. */
    public boolean knows(Setting setting) {
        return shown.containsKey(setting);
    }

    /** Takes what a state shows under a setting that shows the same. */
    void showsLike(FaultState other, Setting setting) {
        shown.putIfAbsent(setting, other.shown.get(setting));
    }

    /** Takes what a band of a state lets through that sounds the same. */
    void soundsLike(FaultState other, Measurement.Listen listened) {
        heard.putIfAbsent(listened.key(), other.heard.get(listened.key()));
    }

    /** Whether its volts, computed under a setting, are those of another state, and what its nets ask of a meter. */
    boolean showsAlike(FaultState other, Setting setting) {
        Optional<FaultResponse> one = shown.get(setting);
        Optional<FaultResponse> two = other.shown.get(setting);
        return one.isPresent() && two.isPresent() && one.get().alike(two.get());
    }

    /** Whether a band, computed, lets through what another state's does. */
    boolean soundsAlike(FaultState other, Measurement.Listen listened) {
        Optional<Loudness> one = heard.get(listened.key());
        Optional<Loudness> two = other.heard.get(listened.key());
        return one.isPresent() && two.isPresent() && one.get().alike(two.get());
    }

    /** Whether what it changes is seen in volts, if at all: what changes farads alone may hide in the ripple. */
    boolean seenInVolts() {
        return faults.stream()
                .noneMatch(f -> f.mode() == FaultMode.DRIED
                        || f.mode() == FaultMode.HEATER_CATHODE
                        || (f.mode() == FaultMode.WRONG
                                && chassis.part(f.part()).orElseThrow().component() instanceof Component.Capacitor));
    }

    /** All long work passes here: somebody who no longer wants the answer interrupts the thread. */
    private static void goOn() {
        if (Thread.currentThread().isInterrupted())
            throw new CancellationException("the diagnosis is no longer wanted");
    }

    private Setting with(Setting s) {
        return with(s, faults);
    }

    /** Whether one of its faults is in a part. */
    public boolean faulty(String part) {
        return faults.stream().anyMatch(f -> f.part().equals(part));
    }

    /** What is wrong. */
    List<Fault> faults() {
        return faults;
    }

    /** The nets of each part that is faulty. */
    public List<Collection<String>> nets() {
        return faults.stream()
                .map(f -> chassis.part(f.part()).orElseThrow().nets().values())
                .toList();
    }

    /** Whether a fault says what a resistor has: then no tolerance moves it. */
    public boolean decides(String part) {
        return known.decides(part);
    }

    /** Ohms of a resistor by itself. */
    public double ohms(Part part, Component.Resistor r, Setting setting) {
        return known.ohms(part.reference(), r.ohms() * setting.trim(part.reference()));
    }

    /** What {@link ColdResistanceModel} has computed of it. */
    public Map<Measurement.Ohms, ColdResistanceModel.At> unplugged() {
        return unplugged;
    }

    /**
     * With electrolytics in usual state.
     *
     * @param setting of which only the faults, for parts that are off, may differ from one call to the next
     */
    public ColdSet cold(Setting setting) {
        return cold(setting, 0);
    }

    /** With electrolytics that have lain for decades. */
    public ColdSet worn(Setting setting) {
        return cold(setting, 1);
    }

    /** Half way between, by ratio. */
    public ColdSet halfWorn(Setting setting) {
        return cold(setting, 2);
    }

    private ColdSet cold(Setting setting, int which) {
        goOn();
        ColdSet[] kept = cold.computeIfAbsent(setting.faults(), k -> new ColdSet[INSULATION.length]);
        if (kept[which] == null)
            kept[which] = ColdSet.of(chassis, with(setting), INSULATION[which], sound.map(s -> s.cold(setting, which)));
        return kept[which];
    }

    /** What bands let through, by {@link Measurement.Listen#key}, as far as that was computed. */
    Map<String, Optional<Loudness>> heard() {
        return heard;
    }

    /** Whether it was computed what a band lets through with its controls somewhere. */
    public boolean heard(Measurement.Listen listened) {
        return heard.containsKey(listened.key());
    }

    /** What a band lets through; empty where that is not known. */
    public Optional<Loudness> heard(Simulator engine, Setting setting, Measurement.Listen listened) {
        goOn();
        Optional<Loudness> known = heard.get(listened.key());
        if (known != null) return known;
        Map<String, Double> pots = new HashMap<>(setting.controls());
        pots.putAll(listened.controls());
        Setting faulty = with(setting.withControls(pots));
        Setting standing =
                overloads() ? with(faulty, blown(engine.solve(chassis, faulty.withBand(listened.band())))) : faulty;
        Optional<Loudness> found =
                chassis.band(listened.band()).flatMap(b -> Loudness.of(engine, chassis, standing, b));
        heard.put(listened.key(), found);
        return found;
    }
}
