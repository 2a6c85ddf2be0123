package anabion.core.diagnosis.evidence;

import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Part;
import anabion.core.signal.Domain;
import anabion.core.simulation.setting.Setting;
import java.math.BigDecimal;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Something that can be measured or tried on a set. */
public sealed interface Measurement {
    /** Open-measurement volts of a usual ohmmeter. */
    double OHMMETER_VOLTS = 1.5;
    /** Minutes that lifting a part takes, and putting it back. */
    double LIFTING = 3.4;

    /** Bench time that it takes, with finding the place and writing down, in minutes (general practice). */
    public double minutes();

    /** The words of commands and files. */
    public String text();

    private static List<String> parts(List<Fault> off) {
        return off.stream().map(Fault::target).distinct().toList();
    }

    private static String with(List<String> lifted) {
        return lifted.isEmpty() ? "" : " with " + String.join(", ", lifted) + " lifted";
    }

    /** What is asked for with a number as its answer. */
    public sealed interface Metered extends Measurement permits Powered, Ohms, Value, Level, Frequency {
        /** The point or net that is named first. */
        String at();

        /** A reading in the scale in which predictions are compared: volts and watts as they are, ohms, amperes, levels and frequencies as common logarithms. */
        double scaled(double value);

        /** The reading for a value of that scale. */
        default double unscaled(double scaled) {
            return Math.pow(10, scaled);
        }
    }

    /** What is read with the power on, volts and watts as they are. */
    public sealed interface Powered extends Metered permits Volts, Watts, AlternatingVolts, Amperes {
        Setting setting();

        @Override
        default double scaled(double value) {
            return value;
        }

        @Override
        default double unscaled(double scaled) {
            return scaled;
        }
    }

    /**
     * Direct volts of a net against the reference.
     *
     * @param point as it is named
     */
    public record Volts(String point, String net, Setting setting, MeterSpec meter) implements Powered {
        /** The parts that are off meanwhile. */
        public List<String> lifted() {
            return parts(setting.faults());
        }

        @Override
        public double minutes() {
            return 1 + LIFTING * lifted().size();
        }

        @Override
        public String at() {
            return point;
        }

        @Override
        public String text() {
            return "volts " + point + with(lifted());
        }
    }

    /**
     * What the set takes from the mains, by a wattmeter between lamp and set, or by the lamp's glow.
     *
     * @param spread standard deviation in watts of what a glow leaves open; 0 for a wattmeter
     */
    public record Watts(Setting setting, double spread) implements Powered {
        /** By a wattmeter. */
        public static Watts metered(Setting setting) {
            return new Watts(setting, 0);
        }

        /** Whether a lamp's glow tells them, not a wattmeter. */
        public boolean byLamp() {
            return spread > 0;
        }

        @Override
        public double minutes() {
            return 0.5;
        }

        @Override
        public String at() {
            return "watts";
        }

        @Override
        public String text() {
            return "watts";
        }
    }

    /**
     * Ohms between two nets, power off.
     *
     * @param test volts of the ohmmeter with open measurements
     * @param off parts that are off meanwhile, as faults
     */
    public record Ohms(String net, String against, double test, List<Fault> off) implements Metered {
        private static final double PLAIN = 1.2;

        public Ohms {
            // in whichever order they were lifted it is the same question
            off = off.stream().sorted(Comparator.comparing(Fault::text)).toList();
        }

        /**
         * With no part off.
         *
         * @param test volts of the ohmmeter
         */
        public Ohms(String net, String against, double test) {
            this(net, against, test, List.of());
        }

        /** The parts that are off meanwhile. */
        public List<String> lifted() {
            return parts(off);
        }

        @Override
        public double minutes() {
            return PLAIN + LIFTING * lifted().size();
        }

        @Override
        public String at() {
            return net;
        }

        @Override
        public double scaled(double value) {
            return LogScale.OHMS.of(value);
        }

        @Override
        public String text() {
            return "ohms " + net + " to " + against + with(lifted());
        }

        /** With some parts off. */
        public Ohms without(List<String> parts) {
            return new Ohms(
                    net,
                    against,
                    test,
                    parts.stream().map(p -> Fault.of(p, FaultMode.OPEN)).toList());
        }

        /** With the meter's leads exchanged. */
        public Ohms reversed() {
            return new Ohms(/* net= */ against, /* against= */ net, test, off);
        }
    }

    /** Ohms of a resistor by itself, lifted at one end: they say how it has failed, and by how much. */
    public record Value(String part) implements Metered {
        @Override
        public double minutes() {
            return 4.5;
        }

        @Override
        public String at() {
            return part;
        }

        @Override
        public double scaled(double value) {
            return LogScale.OHMS.of(value);
        }

        @Override
        public String text() {
            return "value " + part;
        }
    }

    /** A signal put in at a point, with volume up, as strong as it takes for the standard output: how many effective volts? */
    public record Level(String band, Domain domain, String point) implements Metered {
        /** This signal, judged by ear. */
        public Inject ear() {
            return new Inject(band, domain, point);
        }

        @Override
        public double minutes() {
            return 2;
        }

        @Override
        public String at() {
            return point;
        }

        @Override
        public double scaled(double value) {
            return LogScale.VOLTS.of(value);
        }

        @Override
        public String text() {
            return "level " + domain.code() + " at " + point + " on " + band;
        }
    }

    /** A signal put in at a point, with volume up: what comes from the speaker? */
    public record Inject(String band, Domain domain, String point) implements Measurement {
        @Override
        public double minutes() {
            return 1.5;
        }

        @Override
        public String text() {
            return "inject " + domain.code() + " at " + point + " on " + band;
        }
    }

    /** A signal at the aerial, followed by a tracer: what arrives at a point? */
    public record Tap(String band, Domain domain, String point) implements Measurement {
        @Override
        public double minutes() {
            return 1.5;
        }

        @Override
        public String text() {
            return "trace " + domain.code() + " at " + point + " on " + band;
        }
    }

    /**
     * A band, listened to: the complaint, in an outcome's words. What is heard is always called against a good set with its volume up.
     *
     * @param controls that were turned for it: reference of each to where it stands, 0 to 1; empty for volume up and all else in the middle
     */
    public record Listen(String band, Map<String, Double> controls) implements Measurement {
        public Listen {
            controls = Map.copyOf(controls);
        }

        /** With volume up. */
        public Listen(String band) {
            this(band, Map.of());
        }

        /** Band and controls, for keeping what was computed of them. */
        public String key() {
            return band
                    + controls.entrySet().stream()
                            .sorted(Map.Entry.comparingByKey())
                            .map(e -> " " + e.getKey() + "="
                                    + new BigDecimal(e.getValue())
                                            .stripTrailingZeros()
                                            .toPlainString())
                            .collect(Collectors.joining());
        }

        @Override
        public double minutes() {
            return controls.isEmpty() ? 0.8 : 0.4;
        }

        @Override
        public String text() {
            return "listen " + key();
        }
    }

    /** A part tried out, with the power off while it is lifted, swapped or bridged: was it bad, or the set better? */
    public sealed interface PartTest extends Measurement permits Try, Across, Lifted, Adjust, Tapped, Appears {
        String part();

        /** Whether a part that fails in this way is caught by it. */
        boolean catches(Fault f);
    }

    /**
     * A part lifted and tested, or swapped for a good one. A joint is not caught: it stays behind.
     *
     * @param minutes less for what sits in a socket
     */
    public record Try(String part, double minutes) implements PartTest {
        private static final double PLUGGED = 2;
        private static final double SOLDERED = 4.5;

        /** Of a part, by how it is fitted. */
        public static Try of(Part p) {
            return new Try(p.reference(), p.isTube() ? PLUGGED : SOLDERED);
        }

        /** Whether it sits in a socket. */
        public boolean plugged() {
            return minutes < SOLDERED;
        }

        @Override
        public boolean catches(Fault f) {
            return f.part().equals(part) && !f.mode().isOfWiring();
        }

        @Override
        public String text() {
            return "test " + part;
        }
    }

    /** A capacitor lifted and measured: its leak at working volts, which says nothing of its value; or its value or loss, which says nothing of a leak. */
    public record Lifted(String part, What what) implements PartTest {
        /** What is measured of it. */
        public enum What {
            LEAK,
            VALUE;

            /** The word of the typed line. */
            public String word() {
                return name().toLowerCase(Locale.ROOT);
            }
        }

        private static final Set<FaultMode> LEAKS = EnumSet.of(FaultMode.LEAKY, FaultMode.SHORT);
        private static final Set<FaultMode> LACKS = EnumSet.of(FaultMode.OPEN, FaultMode.DRIED, FaultMode.WRONG);

        @Override
        public double minutes() {
            return 4.5;
        }

        @Override
        public boolean catches(Fault f) {
            return f.part().equals(part) && (what == What.LEAK ? LEAKS : LACKS).contains(f.mode());
        }

        @Override
        public String text() {
            return what.word() + " " + part;
        }
    }
}
