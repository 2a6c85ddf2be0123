package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import java.util.List;
import java.util.Optional;

/**
 * What a band does with signals.
 *
 * @param output volts at the speaker for the standard output of {@link #STANDARD} watts
 * @param carrier volts of the carrier's peaks at the detector that give it, at {@link Frequencies#DEPTH} of modulation; 0 without a detector, infinite where none does
 * @param efficiency of the detector: direct volts per volt of the carrier's peak
 * @param levels what a generator must give at each point for the standard output, from the speaker backward
 * @param gains of the stages, from the aerial forward
 * @param control automatic volume control, from weak to strong
 * @param selectivity of the intermediate frequency
 * @param sound from the detector or pick-up to the speaker
 * @param hum volts at the speaker from the ripple of the rails
 */
public record Gains(
        double output,
        double carrier,
        double efficiency,
        List<Level> levels,
        List<StageGain> gains,
        List<Control> control,
        List<Response> selectivity,
        List<Response> sound,
        double hum) {
    /** The usual output at which sets are compared, in watts. */
    public static final double STANDARD = 0.05;

    private static final double LEAST_OHMS = 0.5;

    /** Effective volts at a set's speaker for the standard output; empty without a speaker. */
    public static Optional<Double> standard(Chassis chassis) {
        return chassis.parts().stream()
                .filter(p -> p.component() instanceof Component.Speaker)
                .findFirst()
                .map(Gains::standard);
    }

    static double standard(Part speaker) {
        return Math.sqrt(STANDARD * Math.max(LEAST_OHMS, ((Component.Speaker) speaker.component()).ohms()));
    }

    public Gains {
        levels = List.copyOf(levels);
        gains = List.copyOf(gains);
        control = List.copyOf(control);
        selectivity = List.copyOf(selectivity);
        sound = List.copyOf(sound);
    }

    /**
     * What a generator must give, without load, behind its own ohms and a capacitor.
     *
     * @param volts effective; infinite where nothing comes through, or no stage could swing so far
     * @param own effective volts at the point itself
     */
    public record Level(
            String stage,
            String point,
            Domain domain,
            double hertz,
            double volts,
            double own,
            double ohms,
            double farads) {
        /** Volts that no generator gives: what needs them brings nothing through. */
        public static final double SILENT = 1000;

        Level silent() {
            return new Level(stage, point, domain, hertz, Double.POSITIVE_INFINITY, own, ohms, farads);
        }

        /** Whether a field gives it: volts induced in a loop, frame or rod, such as by a turn of wire at a generator, whatever these are at its terminals. */
        public boolean induced() {
            return ohms == 0;
        }

        /** Whether a generator can bring it through. */
        public boolean heard() {
            return volts < SILENT;
        }
    }

    /**
     * From the input of a stage to the input of the next; of the last to the speaker.
     *
     * @param decibels minus infinity where nothing passes
     */
    public record StageGain(String stage, Domain domain, double decibels) {}

    /**
     * One strength of signal.
     *
     * @param input effective volts at the converter's signal grid, or at the first grid of a straight set
     * @param detector volts of the carrier's peaks there
     * @param line volts of the control line
     */
    public record Control(double input, double detector, double line) {}

    /** @param decibels against the middle */
    public record Response(double hertz, double decibels) {}

    /** The outermost frequencies at which a response falls below so many decibels. */
    public record Edges(double low, double high) {
        public double width() {
            return high - low;
        }

        public double middle() {
            return (low + high) / 2;
        }
    }

    /** Width between the points that lie so many decibels down, in hertz; empty if the sweep does not reach them. */
    public static Optional<Double> width(List<Response> response, double down) {
        return edges(response, down).map(Edges::width);
    }

    /** The points that lie so many decibels down; empty if the sweep does not reach them. */
    public static Optional<Edges> edges(List<Response> response, double down) {
        double low = Double.NaN;
        double high = Double.NaN;
        for (int n = 1; n < response.size(); n++) {
            Response a = response.get(n - 1);
            Response b = response.get(n);
            if (a.decibels() < -down != b.decibels() < -down) {
                double at =
                        a.hertz() + (b.hertz() - a.hertz()) * (-down - a.decibels()) / (b.decibels() - a.decibels());
                if (b.decibels() > a.decibels() && Double.isNaN(low)) low = at;
                else high = at;
            }
        }
        return Double.isNaN(low) || Double.isNaN(high) ? Optional.empty() : Optional.of(new Edges(low, high));
    }

    /**
     * Computes a band.
     *
     * @return empty if the set does not settle, its network has no solution, it has no speaker, or no stages in this band
     */
    public static Optional<Gains> of(Simulator engine, Chassis chassis, Setting setting, Band band) {
        if (band.kind() == BandKind.DISPLAY) return Optional.empty();
        try {
            return new Survey(engine, chassis, setting, band).gains();
        } catch (ArithmeticException e) {
            return Optional.empty();
        }
    }
}
