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

    /** @param good the tester found nothing wrong, or a good one in its place or across it changed nothing */
    record Tested(Probe.Parted probe, boolean good) implements Observation {}
}
