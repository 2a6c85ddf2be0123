package anabion.core.command;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.OscillatorSide;
import anabion.core.chassis.TuningRange;
import anabion.core.error.InputException;
import anabion.core.json.Extra;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Bands from a typed list such as {@code FM 87.5-108, MW 520-1620, LW, Pick-up}; bands that were there keep their id and stages. A range is that of the dial: in
 * kilohertz, in megahertz on FM and where it begins below {@value #MEGA}, or with its unit. Behind it may stand {@code below}: the oscillator runs below its signal.
 */
public final class BandsLine {
    private static final int MEGA = 100;
    private static final Pattern RANGE =
            Pattern.compile("(.+?)\\s+(\\d+(?:\\.\\d+)?)\\s*[-–]\\s*(\\d+(?:\\.\\d+)?)\\s*(?:([kM])(?:Hz)?)?");
    private static final Pattern SIDE = Pattern.compile("(.+?)\\s+(above|below)", Pattern.CASE_INSENSITIVE);

    private BandsLine() {}

    /**
     * The chassis with the bands of a line.
     *
     * @throws InputException naming the range that is none
     */
    public static Chassis parse(Chassis chassis, String text) {
        List<Band> bands = new ArrayList<>();
        for (String word : text.split(",")) {
            String plain = word.strip();
            if (plain.isEmpty()) continue;
            Matcher side = SIDE.matcher(plain);
            boolean said = side.matches();
            if (said) plain = side.group(1);
            Matcher range = RANGE.matcher(plain);
            String name = range.matches() ? range.group(1) : plain;
            Band band = chassis.band(name)
                    .orElseGet(() -> new Band(UUID.randomUUID(), name, kind(name), List.of(), Extra.NONE));
            bands.add(band.withDial(range.matches() ? Optional.of(range(range, band.kind())) : Optional.empty())
                    .withOscillator(
                            said && side.group(2).equalsIgnoreCase("below")
                                    ? OscillatorSide.BELOW
                                    : OscillatorSide.ABOVE));
        }
        return chassis.withStages(chassis.stages(), bands);
    }

    private static TuningRange range(Matcher m, BandKind kind) {
        double low = Double.parseDouble(m.group(2));
        boolean mega = m.group(4) == null
                ? kind == BandKind.FM || low < MEGA
                : m.group(4).equals("M");
        double unit = mega ? 1e6 : 1e3;
        return new TuningRange(low * unit, Double.parseDouble(m.group(3)) * unit);
    }

    /** The bands of a chassis as the line that would enter them. */
    public static String text(Chassis chassis) {
        return chassis.bands().stream()
                .map(b -> b.dial().map(d -> b.name() + " " + said(d, b.kind())).orElse(b.name())
                        + (b.oscillator() == OscillatorSide.BELOW ? " below" : ""))
                .collect(Collectors.joining(", "));
    }

    private static String said(TuningRange d, BandKind kind) {
        boolean mega = kind == BandKind.FM || d.low() >= 3e6;
        double unit = mega ? 1e6 : 1e3;
        boolean alone = mega == (kind == BandKind.FM || d.low() / unit < MEGA);
        return number(d.low() / unit) + "-" + number(d.high() / unit) + (alone ? "" : mega ? "M" : "k");
    }

    private static String number(double value) {
        return BigDecimal.valueOf(Math.round(value * 1000) / 1000.0)
                .stripTrailingZeros()
                .toPlainString();
    }

    private static BandKind kind(String name) {
        String lower = name.toLowerCase(Locale.ROOT);
        return lower.startsWith("fm") || lower.startsWith("vhf")
                ? BandKind.FM
                : lower.startsWith("pick") || lower.startsWith("gram") || lower.startsWith("tape")
                        ? BandKind.PICK_UP
                        : BandKind.AM;
    }
}
