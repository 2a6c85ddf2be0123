package anabion.core.format;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartLead;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Points;
import anabion.core.diagnosis.evidence.Across;
import anabion.core.diagnosis.evidence.AlternatingVolts;
import anabion.core.diagnosis.evidence.Amperes;
import anabion.core.diagnosis.evidence.Appears;
import anabion.core.diagnosis.evidence.Evidence;
import anabion.core.diagnosis.evidence.Frequency;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.evidence.Tapped;
import anabion.core.error.InputException;
import anabion.core.job.AlignmentEntry;
import anabion.core.job.Circumstance;
import anabion.core.job.Outcome;
import anabion.core.json.Coded;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import anabion.core.signal.Domain;
import anabion.core.signal.Gains;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import java.io.IOException;
import java.io.Reader;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Evidence for a diagnosis as a list: {@code kind,at,value[,against,line,band,meter,lifted]}. {@code volts,V4.1,3.1,,231,AM,10M} is a reading
 * against the reference, {@code ac,V5.4,285} alternating volts of a winding, a heater or a rail's ripple; {@code current,,45mA} what the set takes; {@code lifted} naming parts that were off; {@code ohms,B1,15k,CHASSIS} is taken with the power off, with parts lifted or not, {@code open} being no
 * passage at all; {@code inject,if V2.1,weak,,,AM} a signal put in and what was heard; {@code level,if V2.1,12mV} what the generator gave there for
 * the standard output; {@code tap,if V3.1,nothing} what a tracer heard there with the signal at the aerial; {@code symptom,AM,dead} a band listened to;
 * {@code test,C14,bad} a part out of circuit, or swapped; {@code across,C7,better} a good capacitor held across one.
 */
public final class EvidenceCodec {
    private static final Map<String, Outcome> COMPLAINTS =
            Map.of("dead", Outcome.NOTHING, "fine", Outcome.LOUD, "noise", Outcome.CRACKLE);

    private final Chassis chassis;

    private EvidenceCodec(Chassis chassis) {
        this.chassis = chassis;
    }

    /** @throws InputException with line and field */
    public static List<Observation> read(Reader in, Chassis chassis) throws IOException {
        EvidenceCodec codec = new EvidenceCodec(chassis);
        List<Observation> all = new ArrayList<>();
        for (Table.Row row :
                Table.read(in, List.of("kind", "at", "value"), List.of("against", "line", "band", "meter", "lifted")))
            all.add(codec.observation(row));
        return all;
    }

    private Observation observation(Table.Row row) {
        return switch (row.need("kind").toLowerCase(Locale.ROOT)) {
            case "volts" -> volts(row);
            case "ohms" -> ohms(row);
            case "ac" -> alternating(row);
            case "frequency" -> frequency(row);
            case "watts" -> watts(row);
            case "current" -> new Observation.Measured(new Amperes(Setting.of(line(row))), unsigned(row, Unit.AMPERE));
            case "inject" -> new Observation.Heard(injected(row), outcome(row));
            case "level" -> level(row);
            case "tap" -> tapped(row);
            case "symptom" -> new Observation.Heard(listened(row), outcome(row));
            case "test" -> tested(row, Measurement.Try.of(part(row)));
            case "leak" ->
                tested(row, new Measurement.Lifted(capacitor(row).reference(), Measurement.Lifted.What.LEAK));
            case "value" -> value(row);
            case "across" -> bridged(row);
            case "tapped" -> tapped(row, part(row));
            case "adjust" -> adjusted(row);
            case "appears" -> new Observation.Tested(new Appears(circumstance(row)), false);
            default ->
                throw row.trouble(
                        "kind",
                        "\"" + row.need("kind") + "\" is no kind of evidence known here",
                        "use volts, ac, ohms, watts, current, frequency, inject, level, tap, symptom, test, leak, value, across, tapped, adjust or appears");
        };
    }

    private static Circumstance circumstance(Table.Row row) {
        return Coded.find(Circumstance.values(), row.need("value").toLowerCase(Locale.ROOT))
                .filter(c -> c != Circumstance.ALWAYS)
                .orElseThrow(() -> row.trouble(
                        "value",
                        "\"" + row.need("value") + "\" is no circumstance",
                        "use warm, cold, cabinet or knocked"));
    }

    /** A band, and behind it the controls that were turned for it. */
    private Measurement.Listen listened(Table.Row row) {
        List<String> words = List.of(row.need("at").split("\\s+"));
        List<String> turned = words.stream().filter(w -> w.contains("=")).toList();
        String band = words.stream().filter(w -> !w.contains("=")).collect(Collectors.joining(" "));
        Controls controls;
        try {
            controls = Controls.of(chassis, turned);
        } catch (InputException e) {
            throw row.trouble("at", e.what(), e.remedy());
        }
        if (!controls.switches().isEmpty())
            throw row.trouble("at", "a switch is no control that is turned while it plays", "name the band for it");
        return new Measurement.Listen(band(row, "at", band), controls.pots());
    }

    private Observation ohms(Table.Row row) {
        String against = row.get("against").isEmpty() ? chassis.reference() : row.get("against");
        double ohms = row.ohms("value");
        return new Observation.Measured(
                new Measurement.Ohms(
                        net(row, "at", row.need("at")),
                        net(row, "against", against),
                        Measurement.OHMMETER_VOLTS,
                        lifted(row)),
                ohms);
    }

    private Observation alternating(Table.Row row) {
        double volts = unsigned(row, Unit.VOLT);
        String against = row.get("against").isEmpty() ? chassis.reference() : row.get("against");
        return new Observation.Measured(
                new AlternatingVolts(
                        row.need("at"),
                        net(row, "at", row.need("at")),
                        net(row, "against", against),
                        Setting.of(line(row)).withFaults(lifted(row))),
                volts);
    }

    private static double unsigned(Table.Row row, Unit unit) {
        double value = row.number("value", unit);
        if (value < 0) throw row.trouble("value", "what is read there has no sign", "leave the minus out");
        return value;
    }

    /** Of the oscillator, where the dial stands at a frequency. */
    private Observation frequency(Table.Row row) {
        String name = row.get("band").isEmpty() ? first(row) : band(row, "band", row.get("band"));
        Band band = chassis.band(name).orElseThrow();
        if (band.kind() != BandKind.AM && band.kind() != BandKind.FM)
            throw row.trouble("band", name + " has no dial", "name a band that is tuned");
        double dial = dial(row, band);
        double hertz = row.need("value").equalsIgnoreCase("none") ? 0 : unsigned(row, Unit.HERTZ);
        return new Observation.Measured(new Frequency(name, dial), hertz);
    }

    private static double dial(Table.Row row, Band band) {
        try {
            return band.range().meant(row.number("at", Unit.HERTZ));
        } catch (InputException e) {
            throw row.trouble("at", e.what(), e.remedy());
        }
    }

    /** Of a set on the mains. */
    private Observation watts(Table.Row row) {
        if (!Evidence.takesWatts(chassis))
            throw row.trouble("kind", "this set does not hang on alternating mains", "leave the watts out");
        return new Observation.Measured(Measurement.Watts.metered(Setting.of(line(row))), unsigned(row, Unit.WATT));
    }

    private double line(Table.Row row) {
        return row.get("line").isEmpty() ? chassis.supply().volts() : Notation.exact(row.get("line"), Unit.VOLT);
    }

    private List<Fault> lifted(Table.Row row) {
        return CircuitPredictor.open(
                chassis,
                Arrays.stream(row.get("lifted").split("[ +]+"))
                        .filter(r -> !r.isEmpty())
                        .map(r -> PartLead.named(chassis, r).map(PartLead::text).orElseGet(() -> part(row, "lifted", r)
                                .reference()))
                        .toList());
    }

    private Observation volts(Table.Row row) {
        double line = line(row);
        String band = row.get("band").isEmpty() ? "" : band(row, "band", row.get("band"));
        String meter = row.get("meter").isEmpty() ? "10M" : row.get("meter");
        return new Observation.Measured(
                new Measurement.Volts(
                        row.need("at"),
                        net(row, "at", row.need("at")),
                        Setting.of(line).withBand(band).withFaults(lifted(row)),
                        MeterSpec.parse(meter)),
                row.number("value", Unit.VOLT));
    }

    /** The domain stands before the point where a point takes several: {@code if V1.7}. */
    private Measurement.Inject injected(Table.Row row) {
        String[] at = row.need("at").split(" +");
        String point = at[at.length - 1];
        if (!hears(point)) net(row, "at", point);
        String band = row.get("band").isEmpty() ? first(row) : band(row, "band", row.get("band"));
        Optional<Domain> domain =
                at.length == 1 ? Optional.of(Domain.AF) : Coded.find(Domain.values(), at[0].toLowerCase(Locale.ROOT));
        if (domain.isEmpty())
            throw row.trouble("at", "\"" + at[0] + "\" is no kind of signal", "write af, if or rf before the point");
        return new Measurement.Inject(band, domain.get(), point);
    }

    /** Whether it is a loop, a frame or a rod. */
    private boolean hears(String part) {
        return chassis.part(part).filter(p -> p.is(PartRole.AERIAL_COIL)).isPresent();
    }

    private Observation level(Table.Row row) {
        Measurement.Inject at = injected(row);
        if (hears(at.point()))
            throw row.trouble("at", "of a field no generator tells the volts", "use inject, and say what is heard");
        double volts = row.number("value", Unit.VOLT);
        if (volts <= 0 || volts >= Gains.Level.SILENT)
            throw row.trouble("value", "no generator gives that", "write its volts, such as 12mV, or use inject");
        return new Observation.Measured(new Measurement.Level(at.band(), at.domain(), at.point()), volts);
    }

    private Observation tapped(Table.Row row) {
        Measurement.Inject at = injected(row);
        return new Observation.Heard(new Measurement.Tap(at.band(), at.domain(), at.point()), outcome(row));
    }

    private static Observation tested(Table.Row row, Measurement.PartTest probe) {
        String value = row.need("value").toLowerCase(Locale.ROOT);
        if (!value.equals("good") && !value.equals("bad"))
            throw row.trouble("value", "\"" + value + "\" is no verdict of a tester", "write good or bad");
        return new Observation.Tested(probe, value.equals("good"));
    }

    /** Of a resistor its ohms, of a capacitor the verdict. */
    private Observation value(Table.Row row) {
        Part part = part(row);
        if (part.component() instanceof Component.Resistor)
            return new Observation.Measured(new Measurement.Value(part.reference()), row.ohms("value"));
        if (part.component() instanceof Component.Capacitor)
            return tested(row, new Measurement.Lifted(part.reference(), Measurement.Lifted.What.VALUE));
        throw row.trouble(
                "at", part.reference() + " is neither a resistor nor a capacitor", "name one of these, or use test");
    }

    private static Observation tapped(Table.Row row, Part part) {
        String value = row.need("value").toLowerCase(Locale.ROOT);
        if (!value.equals("changes") && !value.equals("same"))
            throw row.trouble("value", "\"" + value + "\" is not what a tap does", "write changes or same");
        return new Observation.Tested(new Tapped(part.reference()), value.equals("same"));
    }

    private Observation bridged(Table.Row row) {
        String value = row.need("value").toLowerCase(Locale.ROOT);
        if (!value.equals("better") && !value.equals("same"))
            throw row.trouble("value", "\"" + value + "\" is not how a set plays on", "write better or same");
        Part part = capacitor(row);
        return new Observation.Tested(Across.of(part), value.equals("same"));
    }

    /** Letters of adjusters that were turned through their travel. */
    private Observation adjusted(Table.Row row) {
        List<Adjuster> turned = new ArrayList<>();
        for (String letter : row.need("at").split("[ +]+"))
            turned.add(chassis.adjusters().stream()
                    .filter(a -> a.letter().equalsIgnoreCase(letter))
                    .findFirst()
                    .orElseThrow(
                            () -> row.trouble("at", "this set has no adjuster " + letter, "name one of its table")));
        AlignmentEntry.Kind said = Coded.find(
                        AlignmentEntry.Kind.values(),
                        row.need("value").toLowerCase(Locale.ROOT).replace(' ', '-'))
                .filter(k -> Evidence.tells(k) && k != AlignmentEntry.Kind.PEAKS_AT)
                .orElseThrow(() -> row.trouble(
                        "value", "this is not how an adjuster went", "write peak, no peak, no effect or end"));
        return Evidence.adjusted(chassis, turned, said);
    }

    private Part part(Table.Row row) {
        return part(row, "at", row.need("at"));
    }

    private Part capacitor(Table.Row row) {
        Part part = part(row);
        if (!(part.component() instanceof Component.Capacitor))
            throw row.trouble("at", part.reference() + " is no capacitor", "name one, or use test");
        return part;
    }

    private static Outcome outcome(Table.Row row) {
        String said = row.need("value").toLowerCase(Locale.ROOT);
        return Coded.find(Outcome.values(), said)
                .or(() -> Optional.ofNullable(COMPLAINTS.get(said)))
                .orElseThrow(() -> row.trouble(
                        "value",
                        "\"" + said + "\" is nothing that is heard",
                        "use one of "
                                + Arrays.stream(Outcome.values())
                                        .map(Outcome::code)
                                        .collect(Collectors.joining(", "))));
    }

    private String first(Table.Row row) {
        return chassis.bands().stream()
                .findFirst()
                .map(Band::name)
                .orElseThrow(() -> row.trouble("band", "this set has no bands", "enter its stages first"));
    }

    private String band(Table.Row row, String column, String name) {
        return chassis.bands().stream()
                .map(Band::name)
                .filter(name::equalsIgnoreCase)
                .findFirst()
                .orElseThrow(() -> row.trouble(column, "there is no band " + name, "use a band of this set"));
    }

    private Part part(Table.Row row, String column, String reference) {
        return chassis.parts().stream()
                .filter(p -> p.reference().equalsIgnoreCase(reference))
                .findFirst()
                .orElseThrow(() -> row.trouble(column, "there is no part " + reference, "name a part of this set"));
    }

    private String net(Table.Row row, String column, String name) {
        if (Simulator.nets(chassis).contains(name)) return name;
        try {
            return Points.of(chassis).need(name).net();
        } catch (InputException e) {
            throw row.trouble(column, "\"" + name + "\": " + e.what(), e.remedy());
        }
    }
}
