package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The frequencies at which a band is tried: the usual ones of the trade, and those printed on the IF cans. */
public final class Frequencies {
    /** Of the test tone. */
    public static final double TONE = 400;
    /** Share of the carrier that the tone modulates. */
    public static final double DEPTH = 0.3;

    /** In the middle of the FM band. */
    static final double FM = 98e6;

    /** No intermediate frequency of AM is higher, in hertz. */
    private static final double HIGHEST_AM = 2e6;

    private static final Pattern PRINTED = Pattern.compile("([\\d.]+)\\s*([kM])Hz");

    private Frequencies() {}

    /** The intermediate frequency in hertz, as printed on an IF transformer; of an FM band the one in megahertz. */
    public static Optional<Double> intermediate(Chassis chassis, Optional<Band> band) {
        boolean fm = band.map(Band::kind).filter(k -> k == BandKind.FM).isPresent();
        return chassis.parts().stream()
                .filter(p -> p.is(PartRole.IF_TRANSFORMER))
                .filter(p -> serves(p, fm))
                .flatMap(p -> printed(p).stream())
                .findFirst();
    }

    /** Whether an IF transformer is one of FM, or of AM: by what is printed on it; without a print it is one of AM. */
    public static boolean serves(Part transformer, boolean fm) {
        return printed(transformer).map(f -> f > HIGHEST_AM).orElse(false) == fm;
    }

    /** The frequency printed on a part, in hertz. */
    static Optional<Double> printed(Part p) {
        Matcher m = PRINTED.matcher(p.printed());
        if (m.find())
            return Optional.of(Double.parseDouble(m.group(1)) * (m.group(2).equals("M") ? 1e6 : 1e3));
        return Optional.empty();
    }

    /** A carrier in the middle of a band, in hertz, by the band's name. */
    public static double carrier(Band band) {
        if (band.kind() == BandKind.FM) return FM;
        String name = band.name().toUpperCase(Locale.ROOT);
        if (name.startsWith("LW") || name.startsWith("LONG")) return 200e3;
        if (name.startsWith("SW") || name.startsWith("KW") || name.startsWith("SHORT")) return 8e6;
        return 1e6;
    }
}
