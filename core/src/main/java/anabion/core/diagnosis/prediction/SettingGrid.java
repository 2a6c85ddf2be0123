package anabion.core.diagnosis.prediction;

import anabion.core.simulation.setting.Setting;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.Map;

/** Settings whose lines differ a little share one solution: each is taken at the nearest step of the nominal line. */
final class SettingGrid {
    /** Of the nominal line, as a fraction. */
    private static final double STEP = 0.05;

    private static final int MOST_ASKED = 2000;

    private final Setting usual;
    private final Map<Setting, Setting> kept = new HashMap<>();
    private final IdentityHashMap<Setting, Setting> asked = new IdentityHashMap<>();

    SettingGrid(Setting usual) {
        this.usual = usual;
    }

    /** The setting on the grid that is nearest, one object for all that are near it. */
    Setting near(Setting wanted) {
        if (asked.size() > MOST_ASKED) asked.clear();
        return asked.computeIfAbsent(wanted, w -> {
            double step = STEP * usual.line();
            double line = step > 0 ? step * Math.max(1, Math.rint(w.line() / step)) : w.line();
            Setting at = w.withLine(line).withTrims(usual.trims());
            return kept.computeIfAbsent(at, k -> k);
        });
    }
}
