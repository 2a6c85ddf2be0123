package anabion.core.typical;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.Provenance;
import anabion.core.chassis.SetKind;
import anabion.core.chassis.Supply;
import anabion.core.command.StudyLine;
import anabion.core.command.WiringLine;
import anabion.core.error.InputException;
import anabion.core.json.Coded;
import anabion.core.json.Extra;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;

/**
 * A circuit of a usual kind, to start from where no papers are left. Every part of it is marked as inferred, until what is really there
 * is entered.
 */
public enum TypicalCircuit implements Coded {
    FIVE_TUBE(Arrangement.TRANSFORMER, 230, 50, SetKind.HOME),
    FIVE_TUBE_AC_DC(Arrangement.FLOATING_NEGATIVE, 117, 60, SetKind.HOME),
    BATTERY_FOUR_TUBE(Arrangement.BATTERY_A_B, 90, 0, SetKind.PORTABLE),
    SEVEN_TRANSISTOR(Arrangement.BATTERY, 9, 0, SetKind.PORTABLE),
    AM_FM(Arrangement.TRANSFORMER, 230, 50, SetKind.HOME),
    TUNED_RADIO_FREQUENCY(Arrangement.TRANSFORMER, 230, 50, SetKind.HOME),
    CAR_HYBRID(Arrangement.CAR_NEGATIVE, 12, 0, SetKind.CAR),
    HOT_CHASSIS(Arrangement.HOT_CHASSIS, 230, 50, SetKind.HOME),
    LINE_CORD(Arrangement.FLOATING_NEGATIVE, 117, 60, SetKind.HOME),
    AUTOTRANSFORMER(Arrangement.AUTOTRANSFORMER, 220, 50, SetKind.HOME),
    DIRECTLY_HEATED_RECTIFIER(Arrangement.TRANSFORMER, 117, 60, SetKind.HOME),
    THREE_WAY_PORTABLE(Arrangement.MAINS_BATTERY, 117, 60, SetKind.PORTABLE),
    CAR_VIBRATOR(Arrangement.VIBRATOR, 6.3, 0, SetKind.CAR),
    HEATER_TRANSFORMER(Arrangement.HEATER_TRANSFORMER, 117, 60, SetKind.HOME),
    DC_MAINS(Arrangement.DC_MAINS, 220, 0, SetKind.HOME),
    SILICON_TRANSISTORS(Arrangement.BATTERY, 6, 0, SetKind.PORTABLE);

    private final Arrangement arrangement;
    private final double volts;
    private final double hertz;
    private final SetKind kind;

    TypicalCircuit(Arrangement arrangement, double volts, double hertz, SetKind kind) {
        this.arrangement = arrangement;
        this.volts = volts;
        this.hertz = hertz;
        this.kind = kind;
    }

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** How it is supplied. */
    public Arrangement arrangement() {
        return arrangement;
    }

    /** The kind of set that it is typical of. */
    public SetKind kind() {
        return kind;
    }

    /** The circuit of a code, in any case; empty for another word. */
    public static Optional<TypicalCircuit> named(String code) {
        for (TypicalCircuit t : values()) if (t.code().equalsIgnoreCase(code)) return Optional.of(t);
        return Optional.empty();
    }

    /** The supply that it is drawn for. */
    public Supply supply() {
        return new Supply(arrangement, volts, hertz, "", Extra.NONE);
    }

    /**
     * A chassis with this circuit put in, fed as the circuit is drawn for.
     *
     * @throws InputException if it has parts already: they would be lost
     */
    public Chassis into(Chassis chassis) {
        if (!chassis.parts().isEmpty())
            throw InputException.at(chassis.name())
                    .because("it has parts already")
                    .so("start from a typical circuit with a set that has none");
        Chassis grown = chassis.withSupply(supply()).withStages(List.of(), List.of());
        List<String> rest = new ArrayList<>();
        for (String line : lines()) {
            if (!WiringLine.looksLike(line)) {
                rest.add(line);
                continue;
            }
            List<Part> parts = new ArrayList<>(grown.parts());
            parts.add(WiringLine.parse(line, grown).withProvenance(Provenance.INFERRED));
            grown = grown.withParts(parts);
        }
        for (String line : rest) grown = StudyLine.stageOrBand(line, grown);
        return grown.withStages(grown.stages(), kept(chassis.bands(), grown.bands()));
    }

    /** Bands that the set had already keep their identity and kind; those it lacks come from the circuit. */
    private static List<Band> kept(List<Band> before, List<Band> now) {
        List<Band> all = new ArrayList<>();
        for (Band b : now) {
            Optional<Band> old =
                    before.stream().filter(x -> x.name().equals(b.name())).findFirst();
            BandKind kind = b.name().equals("FM")
                    ? BandKind.FM
                    : b.name().equals("Pick-up")
                            ? BandKind.PICK_UP
                            : old.map(Band::kind).orElse(b.kind());
            all.add(new Band(
                    old.map(Band::id).orElseGet(UUID::randomUUID),
                    b.name(),
                    kind,
                    b.stages(),
                    old.flatMap(Band::dial).or(b::dial),
                    old.map(Band::oscillator).orElse(b.oscillator()),
                    b.extra()));
        }
        return all;
    }

    private List<String> lines() {
        try (InputStream in = TypicalCircuit.class.getResourceAsStream("/anabion/typical/" + code() + ".txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .map(String::strip)
                    .filter(l -> !l.isEmpty())
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
