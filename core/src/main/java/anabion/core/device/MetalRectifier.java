package anabion.core.device;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A rectifier of selenium or copper oxide by its marking: {@code B250C75} is a bridge for 250 V alternating and 75 mA direct, {@code E} half wave, {@code M} full
 * wave, {@code V} a doubler (the usual European code); {@code SELENIUM} alone says no more than what it is.
 *
 * @param volts alternating volts it is rated for; 0 where not stated
 * @param amperes direct current it is rated for; 0 where not stated
 */
public record MetalRectifier(Circuit circuit, double volts, double amperes) {
    /** How its plates are joined inside. */
    public enum Circuit {
        HALF_WAVE,
        BRIDGE,
        FULL_WAVE,
        DOUBLER
    }

    private static final Pattern CODE = Pattern.compile("([EBMV])(\\d{2,3})\\s*C\\s*(\\d{1,4})");
    private static final Pattern PLAIN = Pattern.compile("(SELEN(IUM)?|CU(PROX|O)?|COPPER-?OXIDE|METAL(LIC)?).*");

    /** Empty for a type that is none of these. */
    public static Optional<MetalRectifier> named(String type) {
        String plain = type.toUpperCase(Locale.ROOT).strip();
        Matcher m = CODE.matcher(plain);
        if (m.matches()) {
            Circuit circuit =
                    switch (m.group(1)) {
                        case "B" -> Circuit.BRIDGE;
                        case "M" -> Circuit.FULL_WAVE;
                        case "V" -> Circuit.DOUBLER;
                        default -> Circuit.HALF_WAVE;
                    };
            return Optional.of(
                    new MetalRectifier(circuit, Double.parseDouble(m.group(2)), Double.parseDouble(m.group(3)) / 1000));
        }
        return PLAIN.matcher(plain).matches()
                ? Optional.of(new MetalRectifier(Circuit.HALF_WAVE, 0, 0))
                : Optional.empty();
    }
}
