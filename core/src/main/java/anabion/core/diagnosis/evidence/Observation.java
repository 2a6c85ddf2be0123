package anabion.core.diagnosis.evidence;

import anabion.core.job.Outcome;
import java.util.List;

/** What a measurement showed. */
public sealed interface Observation {
    /** What was measured or tried. */
    public Measurement measurement();

    /** The readings among pieces of evidence, in their order. */
    public static List<Measured> measured(List<Observation> evidence) {
        return evidence.stream()
                .filter(Measured.class::isInstance)
                .map(Measured.class::cast)
                .toList();
    }

    /** Readings on the scale on which errors are nearly normal: volts by an inverse hyperbolic sine, ohms and levels by a logarithm. */
    public static double[] scaled(List<Measured> readings) {
        return readings.stream()
                .mapToDouble(m -> m.measurement().scaled(m.value()))
                .toArray();
    }

    /** @param value volts, or ohms */
    public record Measured(Measurement.Metered measurement, double value) implements Observation {
        public Measured {
            if (Double.isNaN(value) || !Double.isFinite(measurement.scaled(value)))
                throw new IllegalArgumentException(value + " is no reading: " + measurement.text());
        }
    }

    /**
     * Heard at the speaker.
     *
     * @param measurement an injection, or a band listened to
     */
    public record Heard(Measurement measurement, Outcome outcome) implements Observation {}

    /** @param good the tester found nothing wrong, or a good one in its place or across it changed nothing */
    public record Tested(Measurement.PartTest measurement, boolean good) implements Observation {}
}
