package anabion.desktop.instrument;

import anabion.core.chassis.Measure;
import anabion.core.command.Entry;
import anabion.core.error.InputException;
import anabion.core.job.PowerStage;
import anabion.core.power.StageTable;
import anabion.core.power.WatchSign;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.desktop.session.Session;
import anabion.desktop.sheet.ReadingRequest;
import anabion.instruments.Hands;
import anabion.instruments.InstrumentRole;
import anabion.instruments.Meter;
import anabion.instruments.Wattmeter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/** Takes what a lit row asks for from the instruments, in the words in which it would be typed. Not on the interface's thread. */
final class Readings {
    /** The dial and its row may differ by so much of the row's volts. */
    private static final double DIAL = 0.03;

    private static final double DIAL_VOLTS = 2;
    /** Volts of the line below which nothing is at work. */
    private static final double OFF = 2;

    private final Session session;
    private final Rig rig;

    Readings(Session session, Rig rig) {
        this.session = session;
        this.rig = rig;
    }

    /**
     * What instruments say for a row.
     *
     * @param entries in the order in which they are entered
     * @param line volts that the set is at; empty where nothing says them
     */
    record Taken(List<Entry> entries, OptionalDouble line) {
        private static Taken lines(List<String> lines) {
            return new Taken(lines.stream().<Entry>map(Entry.ForSheet::new).toList(), OptionalDouble.empty());
        }
    }

    /** @throws InputException if no instrument is there for it, or the set is not as the row has it */
    Taken take(ReadingRequest request) {
        if (request instanceof ReadingRequest.Volts v) return volts(v);
        if (request instanceof ReadingRequest.Ohms o) return Taken.lines(List.of(ohms(o)));
        if (request instanceof ReadingRequest.Soak s) return Taken.lines(List.of(soak(s)));
        if (request instanceof ReadingRequest.Step s) return Taken.lines(step(s));
        if (request instanceof ReadingRequest.OfStage s) return Taken.lines(List.of(stage(s)));
        if (request instanceof ReadingRequest.Carrier c) return Taken.lines(List.of(carrier(c)));
        if (request instanceof ReadingRequest.Output o) return Taken.lines(List.of(new Levels(session, rig).output(o)));
        return Taken.lines(List.of(new Levels(session, rig).level((ReadingRequest.Level) request)));
    }

    private InputException refused(String key, Object... with) {
        return InputException.at("")
                .because(session.say("instrument." + key, with))
                .so(session.say("instrument." + key + ".remedy", with));
    }

    private Meter meter() {
        return rig.need(rig.meter(), InstrumentRole.METER);
    }

    private double read(Meter meter, Measure measure, OptionalDouble expected) {
        return rig.asked(
                InstrumentRole.METER,
                () -> meter.read(measure, expected),
                v -> measure == Measure.OHMS
                        ? Double.isInfinite(v) ? session.say("meaning.open") : Figures.ohms(v)
                        : Figures.volts(v) + (measure == Measure.AC_VOLTS ? " V~" : " V"));
    }

    private Taken volts(ReadingRequest.Volts v) {
        Meter meter = meter();
        OptionalDouble line = rig.line();
        if (line.isPresent() && line.getAsDouble() < OFF) throw refused("off");
        rig.hands().ifPresent(h -> h.probe(v.point(), v.against()));
        double read = read(meter, v.measure(), v.expected());
        return new Taken(
                List.of(new Entry.Volts(
                        Optional.of(v.point()), read, v.measure() == Measure.AC_VOLTS, false, OptionalDouble.empty())),
                line);
    }

    /** A simulated bench has no carrier in its direct volts. */
    private String carrier(ReadingRequest.Carrier c) {
        if (rig.hands().isPresent()) throw refused("no-carrier");
        Meter meter = meter();
        new Levels(session, rig).unmodulated(c.hertz(), c.volts());
        double read = read(meter, Measure.DC_VOLTS, OptionalDouble.empty());
        return plain(Math.abs(read)) + "V at " + level(c.volts()).replace(" ", "");
    }

    private String soak(ReadingRequest.Soak s) {
        Meter meter = meter();
        OptionalDouble line = rig.line();
        if (line.isPresent() && line.getAsDouble() < OFF) throw refused("off");
        rig.hands().ifPresent(h -> h.probe(s.rail(), s.foot()));
        String text = "rail " + plain(read(meter, Measure.DC_VOLTS, OptionalDouble.of(s.expected())));
        if (line.isPresent()) text += " line " + plain(line.getAsDouble());
        if (rig.wattmeter().isPresent())
            text += " " + plain(rig.load(rig.wattmeter().get()).watts()) + "W";
        return text;
    }

    private String ohms(ReadingRequest.Ohms o) {
        Meter meter = meter();
        OptionalDouble dial = rig.dial();
        if (dial.isPresent() && dial.getAsDouble() >= OFF) throw refused("on");
        rig.hands().ifPresent(h -> h.probe(o.net(), o.against()));
        double read = read(meter, Measure.OHMS, OptionalDouble.empty());
        String value = Double.isInfinite(read) ? "open" : plain(read);
        return o.net() + " " + o.against() + " " + value;
    }

    private void at(double volts) {
        OptionalDouble dial = rig.dial();
        if (dial.isPresent() && Math.abs(dial.getAsDouble() - volts) > Math.max(DIAL_VOLTS, DIAL * volts))
            throw refused("dial", Figures.fixed(dial.getAsDouble(), 0), Figures.fixed(volts, 0));
    }

    private List<String> step(ReadingRequest.Step s) {
        if (rig.wattmeter().isEmpty()) meter();
        at(s.dial());
        List<String> lines = new ArrayList<>();
        // what eyes find comes first: it may switch the set off
        rig.hands().ifPresent(h -> lines.addAll(seen(h)));
        rig.wattmeter().ifPresent(w -> {
            Wattmeter.Load load = rig.load(w);
            if (s.lamp().isPresent()) lines.add("set " + plain(load.volts()));
            lines.add(plain(load.watts()) + " W");
            if (!s.rectified()) lines.add(plain(load.amperes()) + " A");
        });
        if (rig.meter().isPresent() && !s.rail().isEmpty()) {
            Meter meter = rig.meter().get();
            rig.hands().ifPresent(h -> h.probe(s.rail(), s.foot()));
            if (s.rectified()) {
                double ripple = read(meter, Measure.AC_VOLTS, OptionalDouble.empty());
                lines.add(s.rail() + " " + plain(ripple) + " V AC");
            }
            lines.add(s.rail() + " " + plain(read(meter, Measure.DC_VOLTS, OptionalDouble.of(s.expected()))) + " V");
        }
        return lines;
    }

    /** In the words of the sheet: glow, dark tubes, what stops the work. */
    private List<String> seen(Hands h) {
        return rig.looked(h).stream().flatMap(s -> line(s).stream()).distinct().toList();
    }

    private static Optional<String> line(Hands.Seen s) {
        return switch (s.sign()) {
            case LAMP -> Optional.of(s.of());
            case DARK -> key(WatchSign.DARK_TUBE);
            case RED_PLATE -> key(WatchSign.RED_PLATE);
            case SMOKE -> key(WatchSign.SMOKE);
            case SMELL -> key(WatchSign.SMELL);
            case HOT_PART -> key(WatchSign.HOT_PART);
            // it smoked before, and was seen then
            case BURNT -> Optional.empty();
        };
    }

    private static Optional<String> key(WatchSign sign) {
        return Optional.of(String.valueOf(sign.key()));
    }

    private String stage(ReadingRequest.OfStage s) {
        StageTable.Row row = s.row();
        if (rig.hands().isPresent() && (s.stage() == PowerStage.RECTIFIER || s.stage() == PowerStage.VIBRATOR_ALONE))
            throw refused("no-load");
        if (s.stage() != PowerStage.POLARITY) at(row.line());
        return switch (row.what()) {
            case DIRECT_VOLTS -> plain(between(row, s.against(), Measure.DC_VOLTS)) + " V";
            case ALTERNATING_VOLTS -> plain(between(row, s.against(), Measure.AC_VOLTS)) + " V AC";
            case WATTS -> plain(rig.load(wattmeter()).watts()) + " W";
            case AMPERES -> plain(rig.load(wattmeter()).amperes()) + " A";
            case WARMTH -> throw refused("by-hand");
        };
    }

    private Wattmeter wattmeter() {
        return rig.need(rig.wattmeter(), InstrumentRole.WATTMETER);
    }

    private double between(StageTable.Row row, String against, Measure measure) {
        Meter meter = meter();
        rig.hands().ifPresent(h -> h.probe(row.point(), against));
        return read(meter, measure, OptionalDouble.of(row.expected()));
    }

    /** To five figures, as instruments of the bench have them. */
    static String plain(double value) {
        String text = String.format(Locale.ROOT, "%.5g", value);
        return text.contains("e") ? new java.math.BigDecimal(text).toPlainString() : text;
    }

    /** A level with its unit. */
    static String level(double volts) {
        return Figures.si(Quantity.volts(volts), 3);
    }
}
