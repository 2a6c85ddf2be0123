package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Locale;

/** The classes of parts that fail alike. */
public enum PartClass implements Coded {
    PAPER,
    ELECTROLYTIC,
    /** Mica, ceramic, and any other small one. */
    SMALL_CAPACITOR,
    RESISTOR,
    POTENTIOMETER,
    WINDING,
    TUBE,
    /** Transistors and diodes. */
    SEMICONDUCTOR,
    LAMP,
    SWITCH,
    FUSE,
    SPEAKER,
    BATTERY,
    OTHER;

    /** Farads from which a capacitor of no stated kind is a paper one. */
    private static final double PAPER_FARADS = 9e-10;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The class of a component; every one has one. */
    public static PartClass of(Component c) {
        if (c instanceof Component.Capacitor k) return of(k);
        if (c instanceof Component.Resistor) return RESISTOR;
        if (c instanceof Component.Potentiometer) return POTENTIOMETER;
        if (c instanceof Component.Windings) return WINDING;
        if (c instanceof Component.Device d) return d.deviceKind() == DeviceKind.TUBE ? TUBE : SEMICONDUCTOR;
        if (c instanceof Component.Lamp) return LAMP;
        if (c instanceof Component.Switch) return SWITCH;
        if (c instanceof Component.Fuse) return FUSE;
        if (c instanceof Component.Speaker) return SPEAKER;
        return c instanceof Component.Battery ? BATTERY : OTHER;
    }

    private static PartClass of(Component.Capacitor c) {
        if (c.is(Dielectric.ELECTROLYTIC)) return ELECTROLYTIC;
        boolean large = c.farads().isEmpty() || c.farads().get(0) >= PAPER_FARADS;
        return large && !c.is(Dielectric.MICA) ? PAPER : SMALL_CAPACITOR;
    }
}
