package anabion.core.diagnosis.nexttest;

import anabion.core.diagnosis.evidence.Measurement;

/**
 * Something worth doing.
 *
 * @param information expected fall of entropy, in bits
 */
public record RatedMeasurement(Measurement measurement, double minutes, double information) {}
