package anabion.core.isolation;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.json.Coded;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.supply.AcSupply;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;

/** What can hurt in an old set besides its volts; each where the set has what it is about. */
public enum Caution implements Coded {
    /** Heat-proof cords and the boards over droppers. */
    ASBESTOS,
    /** A cord that is the heaters' dropper. */
    LINE_CORD,
    /** One switched pole, and a plug that goes in both ways. */
    PLUG,
    /** The breaker of a bench with an isolation transformer. */
    BREAKER,
    SCOPE_CLIP,
    SYNCHRONOUS_VIBRATOR,
    SELENIUM,
    MERCURY,
    /** Oil and wax of paper capacitors and transformers. */
    OIL_AND_WAX,
    LEAD,
    BERYLLIUM,
    LUMINOUS_DIAL;

    /** Watts from which a resistor is a dropper with a heat shield. */
    private static final double HOT = 5;
    /** Milliamperes of its stated gain from which a transistor sits on a washer. */
    private static final double LARGE = 400;

    private static final double PAPER = 9e-10;

    /**
     * Those that a set asks for.
     *
     * @param live whether the mains may be on its chassis
     */
    static List<Caution> of(Chassis chassis, boolean live) {
        return Arrays.stream(values()).filter(c -> c.applies(chassis, live)).toList();
    }

    private boolean applies(Chassis c, boolean live) {
        return switch (this) {
            case ASBESTOS -> has(c, Caution::drops);
            case LINE_CORD -> has(c, p -> drops(p) && (p.touches(AcSupply.L) || p.touches(AcSupply.N)));
            case PLUG -> live && has(c, p -> p.touches(AcSupply.L));
            case BREAKER, SCOPE_CLIP -> live;
            case SYNCHRONOUS_VIBRATOR -> AcSupply.vibrator(c).isPresent();
            case SELENIUM -> has(c, p -> p.is(PartRole.METAL_RECTIFIER));
            case MERCURY -> has(c, Caution::vapour);
            case OIL_AND_WAX -> has(c, Caution::paper);
            case LEAD -> !c.parts().isEmpty();
            case BERYLLIUM -> has(c, Caution::power);
            case LUMINOUS_DIAL -> has(c, p -> p.is(PartRole.TUNING_GANG));
        };
    }

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static boolean has(Chassis chassis, Predicate<Part> part) {
        return chassis.parts().stream().anyMatch(part);
    }

    private static boolean drops(Part p) {
        return p.component() instanceof Component.Resistor r && r.watts() >= HOT;
    }

    private static boolean vapour(Part p) {
        // one without a heater has a rare gas in it
        return Sockets.type(p)
                .filter(t -> t.heaterVolts() > 0
                        && t.section(Section.Kind.GAS_RECTIFIER).isPresent())
                .isPresent();
    }

    private static boolean paper(Part p) {
        return p.component() instanceof Component.Capacitor c
                && (c.is(Dielectric.PAPER)
                        || (c.dielectric().isEmpty() && c.farads().stream().anyMatch(f -> f >= PAPER)));
    }

    private static boolean power(Part p) {
        return Sockets.type(p)
                .flatMap(DeviceType::semiconductor)
                .filter(s -> s.atMilliamps() >= LARGE)
                .isPresent();
    }
}
