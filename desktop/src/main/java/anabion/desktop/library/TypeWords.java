package anabion.desktop.library;

import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.device.Semiconductor;
import anabion.core.device.SemiconductorKind;
import anabion.core.quantity.Figures;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Figures of a type in a line of print, in units rather than words. */
final class TypeWords {
    private TypeWords() {}

    static String of(Section s, Section.Point p) {
        List<String> said = new ArrayList<>();
        if (p.plate() > 0) said.add("Va " + plain(p.plate()) + " V");
        if (p.screen() > 0) said.add("Vg2 " + plain(p.screen()) + " V");
        if (s.kind().amplifies()) said.add("Vg " + plain(p.grid()) + " V");
        if (p.plateMilliamps() > 0) said.add("Ia " + plain(p.plateMilliamps()) + " mA");
        if (p.screenMilliamps() > 0) said.add("Ig2 " + plain(p.screenMilliamps()) + " mA");
        if (p.millisiemens() > 0)
            said.add((s.kind() == Section.Kind.HEPTODE ? "gc " : "gm ") + plain(p.millisiemens()) + " mS");
        if (s.mu() > 0 && s.kind().amplifies()) said.add("µ " + plain(s.mu()));
        if (s.cutoff().isPresent()) said.add("cut-off " + plain(s.cutoff().getAsDouble()) + " V");
        return String.join("   ", said);
    }

    static String of(Semiconductor s) {
        List<String> said = new ArrayList<>();
        said.add(s.germanium() ? "germanium" : "silicon");
        if (s.kind() == SemiconductorKind.BIPOLAR) {
            said.add(s.pnp() ? "PNP" : "NPN");
            said.add("gain " + plain(s.gain()) + " at " + plain(s.atMilliamps()) + " mA");
        }
        if (s.leakMicroamps() > 0) said.add("leakage " + plain(s.leakMicroamps()) + " µA");
        if (s.fullMilliamps() > 0) said.add("IDSS " + plain(s.fullMilliamps()) + " mA");
        if (s.pinchVolts() > 0) said.add("pinch-off " + plain(s.pinchVolts()) + " V");
        if (s.transitionMegahertz() > 0) said.add("fT " + plain(s.transitionMegahertz()) + " MHz");
        if (s.feedbackPicofarads() > 0) said.add("Cbc " + plain(s.feedbackPicofarads()) + " pF");
        if (s.baseOhms() > 0) said.add("base " + plain(s.baseOhms()) + " Ω");
        return String.join("   ", said);
    }

    /** The names of limits carry their unit behind: {@code plateWatts 12} is said as "plate 12 W". */
    static String limits(DeviceType type) {
        List<String> said = new ArrayList<>();
        for (Map.Entry<String, Double> l : type.limits().entrySet()) {
            String name = l.getKey();
            String unit = "";
            for (String[] u : UNITS)
                if (name.toLowerCase(java.util.Locale.ROOT).endsWith(u[0])) {
                    unit = u[1];
                    name = name.substring(0, name.length() - u[0].length());
                    break;
                }
            String spaced = name.replaceAll("([a-z])([A-Z])", "$1 $2").toLowerCase(java.util.Locale.ROOT);
            said.add((spaced + " " + plain(l.getValue()) + " " + unit).strip());
        }
        return String.join("   ", said);
    }

    private static final String[][] UNITS = {
        {"milliwatts", "mW"},
        {"watts", "W"},
        {"volts", "V"},
        {"milliamperes", "mA"},
        {"milliamps", "mA"},
        {"amperes", "A"},
        {"microfarads", "µF"},
        {"ohms", "Ω"}
    };

    /** As many digits as it needs, three behind the point at most. */
    static String plain(double value) {
        String text = Figures.fixed(value, 3);
        String short_ = text.contains(".") ? text.replaceFirst("\\.?0+$", "") : text;
        return short_.replace('-', '−');
    }
}
