package anabion.core.command;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.json.Extra;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;

/** Bands from a typed list such as {@code FM, MW, LW, Pick-up}; bands that were there keep their id and stages. */
public final class BandsLine {
    private BandsLine() {}

    /**
     * The chassis with the bands of a line.
     *
     * @throws InputException naming the word that is no band
     */
    public static Chassis parse(Chassis chassis, String text) {
        List<Band> bands = new ArrayList<>();
        for (String name : text.split(",")) {
            String plain = name.strip();
            if (plain.isEmpty()) continue;
            bands.add(chassis.band(plain)
                    .orElseGet(() -> new Band(UUID.randomUUID(), plain, kind(plain), List.of(), Extra.NONE)));
        }
        return chassis.withStages(chassis.stages(), bands);
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
