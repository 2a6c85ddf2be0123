package anabion.core.recap;

import anabion.core.chassis.Dielectric;
import anabion.core.chassis.PartRole;
import anabion.core.isolation.Barrier;
import anabion.core.isolation.MainsReach;
import anabion.core.quantity.Figures;
import anabion.core.recap.NetClassifier.Electrode;
import anabion.core.text.Phrase;
import java.util.Optional;

/** Finds what each capacitor does from the nets that it joins and what else is on them. */
public final class Roles {
    /** Above this a capacitor on a rail smooths hum, below it keeps signals apart. */
    private static final double SMOOTHS = 2e-6;

    private static final double SMALL = 1.05e-9;
    private static final double DETECTS = 2.5e-9;
    /** Farads of a detector's bypass in a transistor set, whose detector works into a few kilohms. */
    private static final double LOW_OHMS = 5e-8;

    /** Direct volts below which a net is a grid's return or a detector's load rather than a rail. */
    private static final double QUIET = 8;

    private final NetClassifier around;

    Roles(NetClassifier around) {
        this.around = around;
    }

    /** A role and the reason for it. */
    public record Found(Role role, Phrase why) {}

    Found of(CapacitorSection c) {
        String a = around.isReference(c.plus()) ? c.minus() : c.plus();
        String b = a.equals(c.plus()) ? c.minus() : c.plus();
        return tuned(c, a, b)
                .or(() -> mains(c, a, b))
                .or(() -> rectifier(c, a, b))
                .or(() -> cathode(a, b))
                .or(() -> screen(c, a, b))
                .or(() -> ratio(c, a, b))
                .or(() -> rail(c, a, b))
                .or(() -> coupling(c, a, b))
                .or(() -> plate(c, a, b))
                .or(() -> quiet(c, a, b))
                .orElseGet(() -> found(Role.UNKNOWN, a, b, c.key()));
    }

    private static Found found(Role role, Object... fillings) {
        return new Found(role, Phrase.of("recap.why." + role.code(), fillings));
    }

    private static Optional<Found> is(Role role, Object... fillings) {
        return Optional.of(found(role, fillings));
    }

    private Optional<Found> tuned(CapacitorSection c, String a, String b) {
        Optional<PartRole> role = c.part().role();
        boolean tunes = c.part().is(PartRole.TUNING_GANG)
                || c.part().is(PartRole.PADDER)
                || role.filter(PartRole::isTrimmer).isPresent();
        if (c.dielectric() == Dielectric.AIR || tunes) return is(Role.TUNING, a, b);
        if (c.farads() > SMALL) return Optional.empty();
        if (around.winding(a, b) || c.part().is(PartRole.IF_TUNING)) return is(Role.IF_TUNING, a, b);
        if (role.filter(PartRole::isOfOscillator).isPresent()
                && !around.on(a, "g1", "g3").isPresent()
                && !around.on(b, "g1", "g3").isPresent()) return is(Role.TUNING, a, b);
        return Optional.empty();
    }

    /** Between the sides of the mains, or between the mains and what can be touched. */
    private Optional<Found> mains(CapacitorSection c, String a, String b) {
        Optional<MainsReach.Exposure> across = around.reach().worst(c.part(), a, b);
        if (across.isPresent()) return Optional.of(new Found(Role.ACROSS_LINE, across(across.get(), a, b)));
        return around.reach().barrier(a, b).map(barrier -> {
            boolean aLive = around.reach().live(a);
            return found(role(barrier.touched()), aLive ? a : b, aLive ? b : a);
        });
    }

    private static Phrase across(MainsReach.Exposure e, String a, String b) {
        String share = Figures.fixed(100 * Math.min(1, e.share()), 0);
        MainsReach.State state = e.state();
        if (state.what().isEmpty()) return Phrase.of("recap.why.across-line", a, b, share);
        return state.position().isEmpty()
                ? Phrase.of("recap.why.across-line.open", a, b, share, state.what())
                : Phrase.of("recap.why.across-line.switch", a, b, share, state.what(), state.position());
    }

    private static Role role(Barrier.Touched touched) {
        return switch (touched) {
            case METAL -> Role.LINE_TO_CHASSIS;
            case AERIAL -> Role.AERIAL_ISOLATOR;
            case EARTH_LEAD, SOCKET -> Role.SOCKET_ISOLATOR;
        };
    }

    private Optional<Found> rectifier(CapacitorSection c, String a, String b) {
        boolean vibrates = around.vibrates();
        if (c.farads() >= SMOOTHS && (around.pumped(a) || around.pumped(b)))
            return is(Role.DOUBLER, around.pumped(a) ? a : b, around.pumped(a) ? b : a);
        Optional<Electrode> plate = around.on(a, "a")
                .filter(Electrode::rectifies)
                .or(() -> around.on(b, "a").filter(Electrode::rectifies));
        if (plate.isPresent() && c.farads() < SMOOTHS)
            return is(
                    vibrates ? Role.VIBRATOR_BUFFER : Role.RECTIFIER_BUFFER,
                    a,
                    b,
                    plate.get().part().reference());
        if (vibrates && c.farads() < SMOOTHS && around.chopped(a, b)) return is(Role.VIBRATOR_BUFFER, a, b, "");
        if (vibrates && around.battered(a, b)) return is(Role.SPARK, a, b);
        if (c.part().is(PartRole.SPARK_FILTER)) return is(Role.SPARK, a, b);
        if (around.reservoir(a) || around.reservoir(b))
            return around.earthy(around.reservoir(a) ? b : a) || c.farads() >= SMOOTHS
                    ? is(Role.RESERVOIR, around.reservoir(a) ? a : b)
                    : Optional.empty();
        return Optional.empty();
    }

    private Optional<Found> cathode(String a, String b) {
        if (!around.earthy(b)) return Optional.empty();
        return around.behindCoil(a, "k", "e", "source")
                .filter(e -> !e.rectifies() && !e.diode() && !around.earthy(a))
                .map(e -> found(
                        e.transistor() ? Role.EMITTER_BYPASS : Role.CATHODE_BYPASS,
                        a,
                        e.part().reference()));
    }

    private Optional<Found> screen(CapacitorSection c, String a, String b) {
        boolean rail =
                c.farads() >= SMOOTHS && around.fed(a) && around.on(a, "g2").isPresent() && many(a);
        if (!around.earthy(b) || rail) return Optional.empty();
        return around.on(a, "g2")
                .filter(e -> !around.reservoir(a) && !many(a))
                .map(e -> found(Role.SCREEN_BYPASS, a, e.part().reference()));
    }

    /** A net that feeds more than one plate or stage is a rail, though a screen sits on it. */
    private boolean many(String net) {
        long fedParts =
                around.behind(net).stream().filter(o -> !around.earthy(o)).count();
        return fedParts > 1;
    }

    private Optional<Found> ratio(CapacitorSection c, String a, String b) {
        if (c.farads() < 1e-6 || Math.abs(around.dc(a)) > QUIET || Math.abs(around.dc(b)) > QUIET)
            return Optional.empty();
        boolean detector = around.on(a, "d").isPresent()
                || (!around.isReference(b) && around.on(b, "d").isPresent());
        return detector ? is(Role.RATIO_STABILISER, a, b) : Optional.empty();
    }

    private Optional<Found> rail(CapacitorSection c, String a, String b) {
        if (!around.earthy(b) && !around.held(b)) return Optional.empty();
        double volts = around.dc(a) - around.dc(b);
        boolean electrode =
                around.electrodes(a).stream().anyMatch(e -> e.is("a", "c", "g1", "b", "d") && !e.rectifies());
        if (electrode || Math.abs(volts) < 0.3) return Optional.empty();
        if (!around.battery(a)
                && !around.reservoir(a)
                && around.behindCoil(a, "g1", "b").isPresent()) return is(ofGrid(c, a), a);
        if (around.battery(a) || (around.fed(a) && (around.high(a) || c.farads() >= SMOOTHS))) {
            boolean smooths =
                    c.farads() >= SMOOTHS && !around.solved().supplies().isEmpty();
            return is(smooths ? Role.SMOOTHING : Role.DECOUPLING, a);
        }
        if (c.dielectric() == Dielectric.ELECTROLYTIC && volts < 0 && around.wound(a)) return is(Role.BACK_BIAS, a);
        return around.high(a) ? is(Role.DECOUPLING, a) : Optional.empty();
    }

    private Optional<Found> coupling(CapacitorSection c, String a, String b) {
        Optional<Electrode> grid =
                around.on(a, "g1", "g3", "b", "gate").or(() -> around.on(b, "g1", "g3", "b", "gate"));
        if (around.earthy(a) || around.earthy(b)) return Optional.empty();
        if (around.outside(a) || around.outside(b)) return is(Role.COUPLING, a, b, "");
        boolean back = amplifies(a) || amplifies(b);
        if (back && (around.fromOutput(a) || around.fromOutput(b))) return is(Role.FEEDBACK, a, b);
        if (grid.isPresent() && (behindSpeaker(a) || behindSpeaker(b))) return is(Role.FEEDBACK, a, b);
        boolean plateSide =
                around.on(a, "a", "c").isPresent() || around.on(b, "a", "c").isPresent();
        if (grid.isPresent()) {
            String name = grid.get().part().reference();
            boolean oscillator =
                    c.part().role().filter(PartRole::isOfOscillator).isPresent()
                            || (c.farads() <= SMALL && !plateSide && grid.get().is("g1", "g3"));
            if (oscillator) return is(Role.OSCILLATOR_GRID, a, b, name);
            return is(Role.COUPLING, a, b, name);
        }
        if (plateSide && (around.output(a) || around.output(b)))
            return is(collects(a) || collects(b) ? Role.COLLECTOR_TONE : Role.PLATE_TONE, a, b);
        if (plateSide && c.farads() <= SMALL) return is(Role.OSCILLATOR_GRID, a, b, "");
        if (around.near(a, PartRole.TONE_CONTROL) || around.near(b, PartRole.TONE_CONTROL)) return is(Role.TONE, a, b);
        if (plateSide) return is(Role.COUPLING, a, b, "");
        return Optional.empty();
    }

    private boolean behindSpeaker(String net) {
        return around.behind(net).stream().anyMatch(o -> around.speaker(o) && !around.earthy(o));
    }

    /** A grid's return, or the bypass of a base's divider. */
    private Role ofGrid(CapacitorSection c, String net) {
        boolean base = around.behindCoil(net, "b").filter(Electrode::transistor).isPresent();
        return base && !c.part().is(PartRole.AVC_FILTER) ? Role.BASE_BYPASS : Role.AVC_FILTER;
    }

    private boolean collects(String net) {
        return around.on(net, "c").filter(Electrode::transistor).isPresent();
    }

    /** Whether the cathode or emitter of an amplifying device is on a net; that of a rectifier feeds a rail. */
    private boolean amplifies(String net) {
        return around.on(net, "k", "e")
                .filter(e -> !e.rectifies() && !e.diode())
                .isPresent();
    }

    private Optional<Found> plate(CapacitorSection c, String a, String b) {
        Optional<Electrode> plate = around.on(a, "a", "c").filter(e -> !e.rectifies() && !e.diode());
        if (plate.filter(Electrode::transistor).isPresent())
            return is(around.output(a) ? Role.COLLECTOR_TONE : Role.COLLECTOR_BYPASS, a, b);
        if (plate.isPresent()) return is(around.output(a) ? Role.PLATE_TONE : Role.PLATE_BYPASS, a, b);
        if (around.near(a, PartRole.TONE_CONTROL)
                || around.near(b, PartRole.TONE_CONTROL)
                || c.part().is(PartRole.TONE_CAPACITOR)) return is(Role.TONE, a, b);
        return Optional.empty();
    }

    /** Held to the chassis, with hardly any direct volts: a detector's load, a grid's return, a base's divider. */
    private Optional<Found> quiet(CapacitorSection c, String a, String b) {
        boolean diode = around.electrodes(a).stream().anyMatch(e -> e.diode() && !e.rectifies());
        boolean detector = diode
                || around.behindCoil(a, "d").isPresent()
                || around.behind(a).stream()
                        .anyMatch(o -> around.behindCoil(o, "d").isPresent())
                || c.part().is(PartRole.DETECTOR_BYPASS);
        if (c.farads() <= (diode ? LOW_OHMS : DETECTS) && detector) return is(Role.DETECTOR_BYPASS, a, b);
        boolean volts = Math.abs(around.dc(a) - around.dc(b)) > QUIET;
        if (around.earthy(b) && !volts && c.farads() > SMALL)
            return is(around.wound(a) || !around.behind(a).isEmpty() ? ofGrid(c, a) : Role.RF_BYPASS, a);
        return around.earthy(b) ? is(Role.RF_BYPASS, a) : Optional.empty();
    }
}
