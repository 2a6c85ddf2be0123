package anabion.core.simulation.dc;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.circuit.Element;
import anabion.core.circuit.Solution;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.simulation.fault.Sockets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * A part that turns more power into heat than it can bear: a screen that took over the cathode current, a resistor behind a shorted
 * capacitor.
 *
 * @param watts that it takes
 * @param limit its published rating; for a screen without one, {@link #SCREEN} times what it takes in published operation
 */
public record Overload(String part, Place place, double watts, double limit) {
    /** Where the heat arises. */
    public enum Place {
        PLATE,
        SCREEN,
        BODY;

        /** The code in files. */
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private static final double SCREEN = 3;
    /** Ratings are rounded: nobody minds a twentieth. */
    private static final double ALLOWED = 1.05;

    /** All that are beyond their ratings in a solved set, in the order of its parts. */
    public static List<Overload> of(Chassis chassis, OperatingPoint solved) {
        List<Overload> found = new ArrayList<>();
        Solution direct = solved.direct();
        for (Element e : direct.circuit().elements()) {
            Optional<Part> part = chassis.part(OperatingPoint.reference(e.name()));
            if (part.isEmpty()) continue;
            if (e instanceof Element.Resistor && part.get().component() instanceof Component.Resistor r)
                judge(found, e.name(), Place.BODY, direct.watts(e), r.watts());
            if (e instanceof Element.Device d)
                Sockets.type(part.get()).ifPresent(t -> device(found, part.get(), t, d, direct));
        }
        return found;
    }

    private static void device(List<Overload> found, Part part, DeviceType type, Element.Device d, Solution direct) {
        String ref = part.reference();
        if (type.semiconductor().isPresent()) {
            judge(found, ref, Place.BODY, direct.watts(d), type.limits().getOrDefault("milliwatts", 0.0) / 1000);
            return;
        }
        String name = d.name().equals(ref) ? "" : d.name().substring(ref.length() + 1);
        Optional<Section> section = type.section(name);
        if (section.isEmpty()) return;
        double[] watts = watts(d, direct, section.get().kind());
        int plate = watts.length - 2;
        double limit = type.limits().getOrDefault("plateWatts", 0.0);
        switch (section.get().kind()) {
            case TRIODE -> judge(found, ref, Place.PLATE, watts[plate], limit);
            case PENTODE, HEPTODE -> {
                judge(found, ref, Place.PLATE, watts[plate], limit);
                judge(found, ref, Place.SCREEN, watts[1], screen(type, section.get()));
            }
            case GAS_REGULATOR -> judge(found, ref, Place.PLATE, watts[0], limit);
            case DIODE, RECTIFIER, GAS_RECTIFIER, BARRETTER -> {
                // diodes carry next to nothing
            }
        }
    }

    /** The power of each terminal against the last one, the cathode. */
    private static double[] watts(Element.Device d, Solution direct, Section.Kind kind) {
        double[] amperes = direct.amperes(d);
        int n =
                switch (kind) {
                    case TRIODE -> 3;
                    case PENTODE -> 4;
                    case HEPTODE -> 5;
                    case DIODE, RECTIFIER, GAS_RECTIFIER, GAS_REGULATOR, BARRETTER -> 2;
                };
        double[] watts = new double[n];
        if (amperes.length < n) return watts;
        double cathode = direct.at(d.nodes().get(n - 1));
        for (int k = 0; k < n; k++) watts[k] = amperes[k] * (direct.at(d.nodes().get(k)) - cathode);
        return watts;
    }

    private static double screen(DeviceType type, Section section) {
        Double stated = type.limits().get("screenWatts");
        if (stated != null) return stated;
        double most = 0;
        for (Section.Point p : section.points()) most = Math.max(most, p.screen() * p.screenMilliamps() / 1000);
        return SCREEN * most;
    }

    private static void judge(List<Overload> found, String part, Place place, double watts, double limit) {
        if (limit > 0 && watts > ALLOWED * limit) found.add(new Overload(part, place, watts, limit));
    }
}
