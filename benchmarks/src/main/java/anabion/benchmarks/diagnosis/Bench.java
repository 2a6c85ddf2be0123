package anabion.benchmarks.diagnosis;

import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;

/** A specimen on a bench: it answers what is asked of it. */
interface Bench {
    /** What the measurement shows, with the errors of whoever takes it. */
    Observation answer(Measurement measurement);
}
