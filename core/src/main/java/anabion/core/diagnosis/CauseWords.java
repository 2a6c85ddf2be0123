package anabion.core.diagnosis;

import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Place;
import anabion.core.diagnosis.evidence.Across;
import anabion.core.diagnosis.evidence.Adjust;
import anabion.core.diagnosis.evidence.AlternatingVolts;
import anabion.core.diagnosis.evidence.Amperes;
import anabion.core.diagnosis.evidence.Appears;
import anabion.core.diagnosis.evidence.Frequency;
import anabion.core.diagnosis.evidence.LogScale;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Tapped;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.diagnosis.prediction.SignalLevelModel;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import anabion.core.simulation.fault.Faults;
import anabion.core.text.Phrase;
import java.util.Optional;
import java.util.TreeSet;

/** Causes and measurements in the words of the trade. */
public final class CauseWords {
    /** A suspect of such odds is named, even where something else is likelier. */
    private static final double NAMED = 0.02;

    /** Below this no oscillator of a receiver runs. */
    private static final double FEW_HERTZ = 5e4;

    private CauseWords() {}

    /** What it comes to, in a line. */
    public static Phrase headline(Diagnosis d) {
        if (d.sound() >= Diagnosis.LEADING_ODDS) return Phrase.of("cause.none");
        if (d.other() >= Diagnosis.LEADING_ODDS)
            return d.singly().stream()
                    .findFirst()
                    .filter(s -> s.odds() >= NAMED)
                    .map(s -> Phrase.of("cause.beyond", of(s)))
                    .orElse(Phrase.of("cause.headline", Phrase.of("cause.other")));
        return d.singly().stream()
                .findFirst()
                .filter(s -> s.odds() >= Diagnosis.LEADING_ODDS)
                .map(s -> Phrase.of("cause.headline", of(s)))
                .orElse(Phrase.of("cause.undecided"));
    }

    /** A suspect with what looks like it, or how many do. */
    public static Phrase of(RankedCause s) {
        Phrase first = of(s.first());
        return switch (s.causes().size()) {
            case 1 -> first;
            case 2 -> Phrase.of("cause.alike", first, of(s.causes().get(1)));
            case 3 ->
                Phrase.of(
                        "cause.alike-two",
                        first,
                        of(s.causes().get(1)),
                        of(s.causes().get(2)));
            default ->
                Phrase.of("cause.alike-many", first, String.valueOf(s.causes().size() - 1));
        };
    }

    /** A cause, with its severity where it has one: the middle of what it lies between. */
    public static Phrase of(Hypothesis h) {
        if (h.sound()) return Phrase.of("cause.sound");
        if (h.from().size() == 1) return of(h.from().get(0), h.to().get(0));
        return Phrase.of(
                "cause.both", of(h.from().get(0), h.to().get(0)), of(h.from().get(1), h.to().get(1)));
    }

    private static Phrase of(Fault from, Fault to) {
        boolean rectifier = Place.named(from.target())
                .filter(p -> p.kind() == Place.Kind.RECTIFIER)
                .isPresent();
        // its resistance stands for it, and open or larger is all that it can be
        if (rectifier) {
            String key = from.mode() == FaultMode.OPEN ? "place.rectifier-dead" : "place.rectifier-weak";
            return Phrase.of(key, Place.owner(from.target()));
        }
        Object target = part(from.target());
        if (from.amount().isEmpty() || from.mode() == FaultMode.GASSY)
            return Phrase.of("fault." + from.mode().code(), target);
        if (from.mode() == FaultMode.OPEN || from.mode() == FaultMode.HEATER_OPEN)
            return Phrase.of("fault." + from.mode().code() + "-amount", target, from.amount());
        if (from.plain()) {
            double share = Math.sqrt(Double.parseDouble(from.amount()) * Double.parseDouble(to.amount()));
            return Phrase.of("fault." + from.mode().code() + "-amount", target, Figures.percent(share));
        }
        if (from.mode() == FaultMode.SHORT) return Phrase.of("fault.short", target);
        double middle = Math.sqrt(from.size().value() * to.size().value());
        Quantity size = new Quantity(middle, from.size().unit());
        return Phrase.of("fault." + from.mode().code() + "-amount", target, Figures.si(size, 2));
    }

    /** A winding is called by its name, a pin by its number, a junction of a transistor by its ends. */
    public static Object part(String target) {
        Optional<Place> place = Place.named(target);
        if (place.isPresent()) return of(place.get());
        int dot = target.indexOf('.');
        if (target.endsWith("." + Faults.BASE_EMITTER))
            return Phrase.of("fault.base-emitter", target.substring(0, dot));
        if (target.endsWith("." + Faults.BASE_COLLECTOR))
            return Phrase.of("fault.base-collector", target.substring(0, dot));
        boolean pin = dot > 0 && Character.isDigit(target.charAt(target.length() - 1));
        return dot < 0 || pin ? target : target.substring(0, dot) + " " + target.substring(dot + 1);
    }

    /** A place by the tube and pin where it is. */
    public static Phrase of(Place place) {
        return Phrase.of("place." + place.kind().code(), place.device(), place.pin());
    }

    /** What to do, such as "Read V2.6". */
    public static Phrase of(Measurement measurement) {
        if (measurement instanceof Measurement.Volts v)
            return v.lifted().isEmpty()
                    ? Phrase.of("probe.volts", v.point())
                    : Phrase.of("probe.lifted", String.join(", ", v.lifted()), v.point());
        if (measurement instanceof Measurement.Ohms o)
            return o.lifted().isEmpty()
                    ? Phrase.of("probe.ohms", o.net(), o.against())
                    : Phrase.of("probe.ohms-lifted", String.join(", ", o.lifted()), o.net(), o.against());
        if (measurement instanceof AlternatingVolts v) return Phrase.of("probe.ac", v.point(), v.against());
        if (measurement instanceof Amperes) return Phrase.of("probe.current");
        if (measurement instanceof Frequency f)
            return Phrase.of("probe.frequency", f.band(), Figures.si(Quantity.hertz(f.dial())));
        if (measurement instanceof Measurement.Watts w) return Phrase.of(w.byLamp() ? "probe.glow" : "probe.watts");
        if (measurement instanceof Measurement.Value v) return Phrase.of("probe.value", v.part());
        if (measurement instanceof Measurement.Level l)
            return Phrase.of("probe.level-" + l.domain().code(), l.point(), l.band());
        if (measurement instanceof Measurement.Inject i)
            return Phrase.of("probe.inject-" + i.domain().code(), i.point(), i.band());
        if (measurement instanceof Measurement.Tap t) return Phrase.of("probe.tap", t.point(), t.band());
        if (measurement instanceof Measurement.Listen l)
            return l.controls().isEmpty()
                    ? Phrase.of("probe.listen", l.band())
                    : Phrase.of(
                            l.controls().containsValue(1.0) ? "probe.listen-up" : "probe.listen-down",
                            l.band(),
                            String.join(", ", new TreeSet<>(l.controls().keySet())));
        if (measurement instanceof Measurement.Lifted l)
            return Phrase.of("probe." + l.what().word(), l.part());
        if (measurement instanceof Tapped t) return Phrase.of("probe.tapped", t.part());
        if (measurement instanceof Appears a)
            return Phrase.of(
                    "probe.appears", Phrase.of("circumstance." + a.when().code()));
        if (measurement instanceof Adjust a) return Phrase.of("probe.adjust", a.part());
        if (measurement instanceof Across a) return Phrase.of("probe.across", a.part());
        Measurement.Try t = (Measurement.Try) measurement;
        return Phrase.of(t.plugged() ? "probe.swap" : "probe.try", t.part());
    }

    /** A reading, such as "2.4 V". */
    public static Phrase value(Measurement.Metered measurement, double value) {
        if (measurement instanceof Measurement.Volts) return Phrase.of("meaning.volts", Figures.volts(value));
        if (measurement instanceof AlternatingVolts) return Phrase.of("meaning.ac", Figures.volts(value));
        if (measurement instanceof Amperes) return Phrase.of("meaning.plain", Figures.si(Quantity.amperes(value), 2));
        if (measurement instanceof Measurement.Watts) return Phrase.of("meaning.watts", Figures.fixed(value, 1));
        if (measurement instanceof Frequency)
            return value > FEW_HERTZ
                    ? Phrase.of("meaning.plain", Figures.si(Quantity.hertz(value), 3))
                    : Phrase.of("meaning.still");
        if (measurement instanceof Measurement.Level)
            return Phrase.of("meaning.plain", Figures.si(new Quantity(value, Unit.VOLT), 2));
        return Phrase.of("meaning.plain", value > LogScale.OPEN_OHMS ? Phrase.of("meaning.open") : Figures.ohms(value));
    }

    /** What a reading is foreseen to be. A level that was read can be said in volts, however high; one that no generator gives cannot be read. */
    public static Phrase foreseen(Measurement.Metered measurement, double value) {
        boolean beyond = measurement instanceof Measurement.Level && SignalLevelModel.beyond(value);
        return beyond ? Phrase.of("meaning.beyond") : value(measurement, value);
    }

    /** What trying a part proves. */
    static Phrase tried(Measurement.PartTest p, boolean bad) {
        if (p instanceof Adjust) return Phrase.of(bad ? "meaning.no-peak" : "meaning.peak");
        if (p instanceof Appears) return Phrase.of(bad ? "meaning.only-then" : "meaning.always");
        if (p instanceof Tapped) return Phrase.of(bad ? "meaning.changes" : "meaning.steady");
        boolean swapped = p instanceof Across || (p instanceof Measurement.Try t && t.plugged());
        if (swapped) return Phrase.of(bad ? "meaning.better" : "meaning.same");
        return Phrase.of(bad ? "meaning.bad" : "meaning.good");
    }
}
