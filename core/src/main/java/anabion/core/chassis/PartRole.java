package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** What a part does in a receiver, as far as rules ask for it. */
public enum PartRole implements Coded {
    AERIAL_COIL(Component.Windings.class),
    /** The winding between the aerial's terminal and a tuned coil of its own can. */
    AERIAL_COUPLING_COIL(Component.Windings.class),
    /** Between two stages at the carrier's frequency. */
    RF_TRANSFORMER(Component.Windings.class),
    FM_RF_COIL(Component.Windings.class),
    OSCILLATOR_COIL(Component.Windings.class),
    FM_OSCILLATOR_COIL(Component.Windings.class),
    IF_TRANSFORMER(Component.Windings.class),
    /** Between a driver and one or two bases or grids. */
    DRIVER_TRANSFORMER(Component.Windings.class),
    OUTPUT_TRANSFORMER(Component.Windings.class),
    MAINS_TRANSFORMER(Component.Windings.class),
    CHOKE(Component.Windings.class),
    /** The coil that magnetises a speaker. */
    FIELD_COIL(Component.Windings.class),
    TUNING_GANG(Component.Capacitor.class),
    TRIMMER(Component.Capacitor.class),
    OSCILLATOR_TRIMMER(Component.Capacitor.class),
    PADDER(Component.Capacitor.class),
    OSCILLATOR_GRID_CAPACITOR(Component.Capacitor.class),
    OSCILLATOR_FEEDBACK(Component.Capacitor.class),
    OSCILLATOR_DECOUPLING(Component.Capacitor.class),
    IF_TUNING(Component.Capacitor.class),
    /** The capacitor before a grid that detects. */
    DETECTOR_GRID_CAPACITOR(Component.Capacitor.class),
    DETECTOR_BYPASS(Component.Capacitor.class),
    TONE_CAPACITOR(Component.Capacitor.class),
    SPARK_FILTER(Component.Capacitor.class),
    AVC_FILTER(Component.Capacitor.class, Component.Resistor.class),
    IF_FILTER(Component.Resistor.class),
    OSCILLATOR_GRID_LEAK(Component.Resistor.class),
    /** Feeds the plate of an oscillator. */
    OSCILLATOR_FEED(Component.Resistor.class),
    VOLUME_CONTROL(Component.Potentiometer.class),
    TONE_CONTROL(Component.Potentiometer.class),
    VIBRATOR(Component.Switch.class),
    /** A transistor that oscillates, mixing or not. */
    OSCILLATOR(Component.Device.class),
    /** A rectifier of selenium or copper oxide. */
    METAL_RECTIFIER(Component.Device.class);

    private static final Set<String> ABBREVIATIONS = Set.of("if", "rf", "fm", "avc");

    private final Class<? extends Component> kind;
    private final Class<? extends Component> other;

    PartRole(Class<? extends Component> kind) {
        this(kind, kind);
    }

    PartRole(Class<? extends Component> one, Class<? extends Component> other) {
        this.kind = one;
        this.other = other;
    }

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The role in words, for a line that is typed and for its errors: abbreviations in capitals. */
    public String words() {
        return Arrays.stream(code().split("-"))
                .map(w -> ABBREVIATIONS.contains(w) ? w.toUpperCase(Locale.ROOT) : w)
                .collect(Collectors.joining(" "));
    }

    /** Whether such a part can do it: a resistor is no coil. */
    public boolean fits(Component component) {
        if (!kind.isInstance(component) && !other.isInstance(component)) return false;
        if (!(component instanceof Component.Device d)) return true;
        return switch (d.deviceKind()) {
            case TRANSISTOR -> this == OSCILLATOR;
            case DIODE -> this == METAL_RECTIFIER;
            case TUBE -> false;
        };
    }

    /** The roles that a part of this kind can have. */
    public static List<PartRole> of(Component component) {
        return Arrays.stream(values()).filter(r -> r.fits(component)).toList();
    }

    /** The role of a code; empty for another word. */
    public static Optional<PartRole> named(String code) {
        return Coded.find(values(), code);
    }

    /** Without this part, or with it in pieces, an oscillator stops. */
    public boolean isOfOscillator() {
        return switch (this) {
            case OSCILLATOR_COIL,
                    FM_OSCILLATOR_COIL,
                    OSCILLATOR_TRIMMER,
                    PADDER,
                    OSCILLATOR_GRID_CAPACITOR,
                    OSCILLATOR_FEEDBACK,
                    OSCILLATOR_DECOUPLING,
                    OSCILLATOR_GRID_LEAK,
                    OSCILLATOR_FEED,
                    OSCILLATOR -> true;
            case AERIAL_COIL,
                    AERIAL_COUPLING_COIL,
                    RF_TRANSFORMER,
                    FM_RF_COIL,
                    IF_TRANSFORMER,
                    DRIVER_TRANSFORMER,
                    OUTPUT_TRANSFORMER,
                    MAINS_TRANSFORMER,
                    CHOKE,
                    FIELD_COIL,
                    TUNING_GANG,
                    TRIMMER,
                    IF_TUNING,
                    DETECTOR_GRID_CAPACITOR,
                    DETECTOR_BYPASS,
                    TONE_CAPACITOR,
                    SPARK_FILTER,
                    AVC_FILTER,
                    IF_FILTER,
                    VOLUME_CONTROL,
                    TONE_CONTROL,
                    VIBRATOR,
                    METAL_RECTIFIER -> false;
        };
    }

    /** Whether such a capacitor is one of picofarads. */
    public boolean isOfPicofarads() {
        return switch (this) {
            case TUNING_GANG,
                    TRIMMER,
                    OSCILLATOR_TRIMMER,
                    PADDER,
                    OSCILLATOR_GRID_CAPACITOR,
                    OSCILLATOR_FEEDBACK,
                    IF_TUNING,
                    DETECTOR_GRID_CAPACITOR,
                    DETECTOR_BYPASS -> true;
            case AERIAL_COIL,
                    AERIAL_COUPLING_COIL,
                    RF_TRANSFORMER,
                    FM_RF_COIL,
                    OSCILLATOR_COIL,
                    FM_OSCILLATOR_COIL,
                    IF_TRANSFORMER,
                    DRIVER_TRANSFORMER,
                    OUTPUT_TRANSFORMER,
                    MAINS_TRANSFORMER,
                    CHOKE,
                    FIELD_COIL,
                    OSCILLATOR_DECOUPLING,
                    TONE_CAPACITOR,
                    SPARK_FILTER,
                    AVC_FILTER,
                    IF_FILTER,
                    OSCILLATOR_GRID_LEAK,
                    OSCILLATOR_FEED,
                    VOLUME_CONTROL,
                    TONE_CONTROL,
                    VIBRATOR,
                    OSCILLATOR,
                    METAL_RECTIFIER -> false;
        };
    }

    /** Whether it is adjusted, once, when the set is aligned. */
    public boolean isTrimmer() {
        return this == TRIMMER || this == OSCILLATOR_TRIMMER;
    }

    /** A coil that hears the sender. */
    public boolean isOfAerial() {
        return this == AERIAL_COIL || this == AERIAL_COUPLING_COIL;
    }

    /** Wound on iron, for sound or supply. */
    public boolean hasIron() {
        return this == OUTPUT_TRANSFORMER || this == DRIVER_TRANSFORMER || this == CHOKE;
    }
}
