package anabion.workshop.report;

import anabion.core.chassis.Component;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Part;

/** What sort of part something is, for who does not know: its kind alone, since that is what a layman sees. */
final class PartMeaning {
    private PartMeaning() {}

    /** Ends of the keys {@code report.means.*}. */
    static String key(Part part) {
        Component c = part.component();
        if (c instanceof Component.Capacitor x) return x.is(Dielectric.ELECTROLYTIC) ? "electrolytic" : "capacitor";
        if (c instanceof Component.Resistor) return "resistor";
        if (c instanceof Component.Potentiometer) return "control";
        if (c instanceof Component.Windings) return "coil";
        if (c instanceof Component.Device d)
            return switch (d.deviceKind()) {
                case TUBE -> "tube";
                case TRANSISTOR -> "transistor";
                case DIODE -> "rectifier";
            };
        return "other";
    }
}
