package anabion.core.recap;

import anabion.core.json.Coded;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** What a capacitor does in its circuit, and so by which rule it is replaced. */
public enum Role implements Coded {
    ACROSS_LINE(Rule.SAFETY),
    LINE_TO_CHASSIS(Rule.SAFETY),
    AERIAL_ISOLATOR(Rule.SAFETY),
    SOCKET_ISOLATOR(Rule.SAFETY),
    RESERVOIR(Rule.STORE),
    /** Between the source and the two rectifiers of a doubler. */
    DOUBLER(Rule.STORE),
    SMOOTHING(Rule.STORE),
    DECOUPLING(Rule.BYPASS),
    BACK_BIAS(Rule.STORE),
    CATHODE_BYPASS(Rule.STORE),
    SCREEN_BYPASS(Rule.BYPASS),
    PLATE_BYPASS(Rule.SAME),
    COLLECTOR_BYPASS(Rule.SAME),
    COLLECTOR_TONE(Rule.SAME),
    BASE_BYPASS(Rule.BYPASS),
    COUPLING(Rule.SAME),
    AVC_FILTER(Rule.SAME),
    TONE(Rule.SAME),
    FEEDBACK(Rule.SAME),
    PLATE_TONE(Rule.SAME),
    DETECTOR_BYPASS(Rule.SAME),
    RF_BYPASS(Rule.BYPASS),
    IF_TUNING(Rule.TUNED),
    TUNING(Rule.TUNED),
    OSCILLATOR_GRID(Rule.SAME),
    RATIO_STABILISER(Rule.STORE),
    EMITTER_BYPASS(Rule.STORE),
    VIBRATOR_BUFFER(Rule.EXACT),
    RECTIFIER_BUFFER(Rule.ALTERNATING),
    SPARK(Rule.SAME),
    UNKNOWN(Rule.SAME);

    /** A role by its code; empty for one of another release. */
    public static Optional<Role> named(String code) {
        return Coded.find(values(), code);
    }

    /** Roles by their codes, as a log has them; those of another release are left out. */
    public static Map<String, Role> said(Map<String, String> codes) {
        Map<String, Role> roles = new LinkedHashMap<>();
        codes.forEach((key, code) -> named(code).ifPresent(r -> roles.put(key, r)));
        return roles;
    }

    /** How the new value may differ from the old one. */
    public enum Rule {
        /** Value as the current through a hand allows; class by where it stands. */
        SAFETY,
        /** At or above, to about twice. */
        STORE,
        /** Within a fifth. */
        BYPASS,
        /** As listed: it makes a time constant. */
        SAME,
        /** To the per cent: something is timed by it. */
        EXACT,
        /** As listed, with a rating for alternating volts. */
        ALTERNATING,
        /** Left alone unless it fails; then by resonance. */
        TUNED
    }

    private final Rule rule;

    Role(Rule rule) {
        this.rule = rule;
    }

    /** What holds for capacitors of this role. */
    public Rule rule() {
        return rule;
    }

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
