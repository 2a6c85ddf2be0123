package anabion.core.chassis;

import anabion.core.chassis.AssignedRole.Basis;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** Suggests the role of a part from the words that stand with it, and of a stage from its name: the one place that reads them. Someone confirms it, or picks another. */
public final class RoleWords {
    /** What the words of a role look like; of those that fit the part, the first that is found holds. */
    private record Rule(PartRole role, Pattern words) {}

    private static final List<Rule> RULES = List.of(
            rule(PartRole.AERIAL_COUPLING_COIL, "^(aerial|antenna|frame|loop)\\b.*\\bcoupling\\b"),
            rule(PartRole.AERIAL_COIL, "^(aerial|antenna|frame|loop|ferrite)\\b"),
            rule(PartRole.FM_RF_COIL, "^FM RF\\b(?!.*\\bchoke\\b)"),
            rule(PartRole.RF_TRANSFORMER, "\\bRF\\b(?!.*\\bchoke\\b)"),
            rule(PartRole.FM_OSCILLATOR_COIL, "^FM osc(illator)?\\b"),
            rule(PartRole.OSCILLATOR_COIL, "\\bosc(illator)?\\b"),
            rule(PartRole.IF_TRANSFORMER, "\\b(IF|I\\.F\\.|IFT)(\\b|\\s|$)"),
            rule(PartRole.OUTPUT_TRANSFORMER, "\\boutput\\b"),
            rule(PartRole.DRIVER_TRANSFORMER, "\\b(driver|inter-?stage)\\b"),
            rule(PartRole.MAINS_TRANSFORMER, "\\b(mains|power) transformer\\b"),
            rule(PartRole.CHOKE, "\\bchoke\\b"),
            rule(PartRole.FIELD_COIL, "\\bfield\\b"),
            rule(PartRole.TUNING_GANG, "\\bgang\\b"),
            rule(PartRole.OSCILLATOR_TRIMMER, "\\bosc(illator)?\\b.*\\btrimmer\\b"),
            rule(PartRole.TRIMMER, "\\btrimmer\\b"),
            rule(PartRole.PADDER, "\\bpadder\\b"),
            rule(PartRole.OSCILLATOR_FEEDBACK, "\\bosc(illator)?\\b.*\\bfeedback\\b"),
            rule(PartRole.OSCILLATOR_DECOUPLING, "\\bosc(illator)?\\b.*\\b(decoupling|bypass)\\b"),
            rule(PartRole.DETECTOR_GRID_CAPACITOR, "\\bdetector grid\\b"),
            rule(PartRole.OSCILLATOR_GRID_CAPACITOR, "\\bosc(illator)?\\b"),
            rule(PartRole.IF_TUNING, "\\bIF\\b.*\\btuning\\b"),
            rule(PartRole.DETECTOR_BYPASS, "\\bdetector\\b.*\\bbypass\\b"),
            rule(PartRole.AVC_FILTER, "^(AVC|AGC)\\b"),
            rule(PartRole.SPARK_FILTER, "\\b(spark|interrupter)\\b"),
            rule(PartRole.TONE_CAPACITOR, "\\btone\\b"),
            rule(PartRole.OSCILLATOR_GRID_LEAK, "\\bosc(illator)?\\b.*\\bgrid leak\\b"),
            rule(PartRole.OSCILLATOR_FEED, "\\bosc(illator)?\\b.*\\b(feed|load)\\b"),
            rule(PartRole.IF_FILTER, "\\bIF filter\\b"),
            rule(PartRole.VOLUME_CONTROL, "^(volume|loudness)\\b"),
            rule(PartRole.TONE_CONTROL, "\\btone\\b"),
            rule(PartRole.VIBRATOR, "^vibrator\\b"),
            rule(PartRole.OSCILLATOR, "\\bosc(illator)?\\b"),
            rule(PartRole.METAL_RECTIFIER, "\\b(selenium|metal rectifier|copper oxide)\\b"));

    private static final Pattern DETECTOR =
            Pattern.compile("\\b(detector|discriminator|demodulator)\\b", Pattern.CASE_INSENSITIVE);
    private static final Pattern MIXER = Pattern.compile("\\b(mixer|converter|changer)\\b", Pattern.CASE_INSENSITIVE);

    private RoleWords() {}

    /** What a stage is called; empty for a name that tells nothing of how signals change. */
    public static Optional<StageRole> suggest(String stage) {
        if (DETECTOR.matcher(stage).find()) return Optional.of(StageRole.DETECTOR);
        return MIXER.matcher(stage).find() ? Optional.of(StageRole.MIXER) : Optional.empty();
    }

    private static Rule rule(PartRole role, String words) {
        return new Rule(role, Pattern.compile(words, Pattern.CASE_INSENSITIVE));
    }

    /**
     * The role that words suggest for a part of this kind.
     *
     * @param printed what stands on the part: of a rectifier, its kind
     * @return empty where they tell of none
     */
    public static Optional<AssignedRole> suggest(Component component, String words, String printed) {
        boolean metal = PartRole.METAL_RECTIFIER.fits(component);
        return RULES.stream()
                .filter(r -> r.role().fits(component)
                        && r.words()
                                .matcher(metal ? words + " " + printed : words)
                                .find())
                .findFirst()
                .map(r -> new AssignedRole(r.role(), Basis.WORDS));
    }
}
