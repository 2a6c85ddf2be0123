package anabion.core.recap;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Part;
import java.util.ArrayList;
import java.util.List;

/**
 * One capacitor: a part, or one section of a can.
 *
 * @param section from 1
 */
public record CapacitorSection(Part part, int section) {
    /** From here on a capacitor of no stated kind is an electrolytic, and from the other on it is paper, not mica. */
    private static final double ELECTROLYTIC = 1e-6;

    private static final double PAPER = 9e-10;

    /** All capacitors of a chassis, section by section. */
    public static List<CapacitorSection> of(Chassis chassis) {
        List<CapacitorSection> all = new ArrayList<>();
        for (Part p : chassis.parts())
            if (p.component() instanceof Capacitor c)
                for (int n = 1; n <= c.farads().size(); n++) all.add(new CapacitorSection(p, n));
        return all;
    }

    private Capacitor capacitor() {
        return (Capacitor) part.component();
    }

    /** {@code C14}, or {@code C18.2} for the second section of a can. */
    public String key() {
        return capacitor().farads().size() == 1 ? part.reference() : part.reference() + "." + section;
    }

    /** Whether its can has more than one section. */
    public boolean sectioned() {
        return capacitor().farads().size() > 1;
    }

    /** Of this section. */
    public double farads() {
        return capacitor().farads().get(section - 1);
    }

    /** As printed on it; 0 for not stated. */
    public double rating() {
        return capacitor().volts(section);
    }

    /** The net of its own end; of an electrolytic the positive one. */
    public String plus() {
        return part.nets().getOrDefault(String.valueOf(section), "");
    }

    /** The net of the other, or common, end. */
    public String minus() {
        return part.nets().getOrDefault(String.valueOf(capacitor().farads().size() + 1), "");
    }

    /** Whether one of its ends is on a net. */
    public boolean on(String net) {
        return plus().equals(net) || minus().equals(net);
    }

    /** What it is made of, as stated or else as parts of its size were. */
    public Dielectric dielectric() {
        return capacitor()
                .dielectric()
                .orElse(
                        farads() >= ELECTROLYTIC
                                ? Dielectric.ELECTROLYTIC
                                : farads() >= PAPER ? Dielectric.PAPER : Dielectric.MICA);
    }
}
