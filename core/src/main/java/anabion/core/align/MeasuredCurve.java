package anabion.core.align;

import anabion.core.job.AlignmentEntry.Sample;
import anabion.core.signal.FmDetector.Place;
import anabion.core.signal.Gains;
import anabion.core.signal.Gains.Response;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * A curve that was read point by point: selectivity, or that of an FM detector, which goes through zero.
 *
 * @param samples by rising frequency, three or more
 */
public record MeasuredCurve(List<Sample> samples) {
    /** Decibels down where the width is told. */
    private static final double DOWN = 6;

    private static final double NOTHING = 1e-4;

    public MeasuredCurve {
        samples = samples.stream()
                .sorted(Comparator.comparingDouble(Sample::hertz))
                .toList();
    }

    /** Whether it goes through zero. */
    public boolean crosses() {
        return samples.stream().anyMatch(s -> s.volts() < 0) && samples.stream().anyMatch(s -> s.volts() > 0);
    }

    /** Decibels against its highest point. */
    public List<Response> decibels() {
        double most = most();
        return samples.stream()
                .map(s -> new Response(s.hertz(), 20 * Math.log10(Math.max(NOTHING, Math.abs(s.volts()) / most))))
                .toList();
    }

    /** Shares of its highest volts, with their sign. */
    public List<Place> shares() {
        double most = most();
        return samples.stream().map(s -> new Place(s.hertz(), s.volts() / most)).toList();
    }

    private double most() {
        return samples.stream().mapToDouble(s -> Math.abs(s.volts())).max().orElse(1);
    }

    /** The frequency of its highest point. */
    public double highest() {
        return samples.stream()
                .max(Comparator.comparingDouble(Sample::volts))
                .orElseThrow()
                .hertz();
    }

    /** Of its lowest, of a curve that goes through zero. */
    public double lowest() {
        return samples.stream()
                .min(Comparator.comparingDouble(Sample::volts))
                .orElseThrow()
                .hertz();
    }

    /** Hertz between the points 6 dB down; empty where it was not read so far. */
    public Optional<Double> width() {
        return Gains.width(decibels(), DOWN);
    }

    /** The middle between the points 6 dB down; its highest point where it was not read so far. */
    public double centre() {
        return Gains.edges(decibels(), DOWN).map(Gains.Edges::middle).orElseGet(this::highest);
    }

    /** Its two humps; empty where it has one. */
    public Optional<Overcoupling> overcoupling() {
        return Overcoupling.of(this);
    }

    /** Where it goes through zero between its two peaks; empty where it does not. */
    public Optional<Double> zero() {
        double from = Math.min(highest(), lowest());
        double to = Math.max(highest(), lowest());
        for (int n = 1; n < samples.size(); n++) {
            Sample a = samples.get(n - 1);
            Sample b = samples.get(n);
            if (a.hertz() < from || b.hertz() > to || a.volts() * b.volts() > 0) continue;
            if (a.volts() == b.volts()) return Optional.of(a.hertz());
            return Optional.of(a.hertz() - a.volts() * (b.hertz() - a.hertz()) / (b.volts() - a.volts()));
        }
        return Optional.empty();
    }

    /** The lesser of its two peaks against the greater; 1 for a balanced detector. */
    public double balance() {
        double up = samples.stream().mapToDouble(Sample::volts).max().orElse(0);
        double down = -samples.stream().mapToDouble(Sample::volts).min().orElse(0);
        return Math.max(0, Math.min(up, down)) / Math.max(up, down);
    }
}
