package anabion.workshop;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.simulation.chart.Calibrations;
import anabion.workshop.storage.ComputedFiles;
import java.util.Optional;

/** Predictions of a chassis, and how much of what was computed for them a file holds. */
public final class KeptPredictions {
    /** Answers that are worth writing: those of a band for most faults. */
    private static final int MORE = 100;

    private final PredictionModel model;
    private int written;

    /**
     * Takes what a file holds of the chassis.
     *
     * @param files empty where nothing is kept
     * @throws anabion.core.error.InputException if its circuit does not settle even when sound
     */
    public KeptPredictions(Chassis chassis, Priors priors, Optional<ComputedFiles> files) {
        model = new PredictionModel(chassis, Calibrations.of(chassis), priors);
        files.ifPresent(f -> f.read(chassis.unnamed(), model.computed()));
        written = model.computed().size();
    }

    public PredictionModel model() {
        return model;
    }

    /** Writes what was computed, once it has become so much more. */
    public void keep(ComputedFiles files) {
        int now = model.computed().size();
        if (now < written + MORE) return;
        files.write(model.chassis().unnamed(), model.computed());
        written = now;
    }
}
