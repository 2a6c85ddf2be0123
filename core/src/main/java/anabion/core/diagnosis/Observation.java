package anabion.core.diagnosis;

import anabion.core.job.Outcome;

/** What a probe showed. */
public sealed interface Observation {
    Probe probe();

    /** @param value volts, or ohms */
    record Measured(Probe.Measured probe, double value) implements Observation {}

    /**
     * Heard at the speaker.
     *
     * @param probe an injection, or a band listened to
     */
    record Heard(Probe probe, Outcome outcome) implements Observation {}

    /** A part out of circuit, by a tester, or a good one in its place that changed nothing. */
    record Tested(Probe.Try probe, boolean good) implements Observation {}
}
