package anabion.workshop;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.lineup.LineUpModel;
import anabion.core.reading.Predictor;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.workshop.storage.ComputedFiles;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * Keeps what the circuits of the sets in hand say: calibrating one to its chart takes some ten solutions of the whole circuit, and what its faults
 * show takes seconds. For several threads at once; a workshop has one that all share who ask of its sets.
 */
public final class Predictors {
    private static final int SETS = 8;
    /** What is foreseen of a large set takes some hundred megabytes. */
    private static final int FORESEEN = 2;

    private final Map<Chassis, Predictor> made = kept(SETS);
    private final Map<Ground, Kept<KeptPredictions>> foreseen = kept(FORESEEN);
    private final Map<Ground, Kept<Optional<LineUpModel>>> lineUps = kept(FORESEEN);

    private volatile Optional<ComputedFiles> files = Optional.empty();

    private record Ground(Chassis chassis, Priors priors) {}

    /** A model once it is made; its monitor is held by who asks it. */
    private static final class Kept<M> {
        private M model;

        synchronized <T> T ask(Supplier<M> maker, Function<M, T> question) {
            if (model == null) model = maker.get();
            return question.apply(model);
        }
    }

    /** Keeps what it computes of faults from one start to the next; empty for no more. */
    void keep(Optional<ComputedFiles> computed) {
        files = computed;
    }

    private static <K, V> Map<K, V> kept(int most) {
        return new LinkedHashMap<>(most, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
                return size() > most;
            }
        };
    }

    /** What the circuit of a chassis says; made anew when more than its name has changed. */
    public synchronized Predictor of(Chassis named) {
        Chassis chassis = named.unnamed();
        Predictor found = made.get(chassis);
        if (found == null) {
            found = CircuitPredictor.of(chassis);
            made.put(chassis, found);
        }
        return found;
    }

    /** Asks the predictions of a chassis; who comes second waits. */
    public <T> T foreseen(Chassis named, Priors priors, Function<PredictionModel, T> question) {
        Chassis chassis = named.unnamed();
        return kept(foreseen, new Ground(chassis, priors)).ask(() -> new KeptPredictions(chassis, priors, files), k -> {
            T answer = question.apply(k.model());
            files.ifPresent(k::keep);
            return answer;
        });
    }

    /** Asks what a line-up and a chart foresee, where no circuit is entered; who comes second waits. */
    public <T> T ofLineUp(Chassis named, Priors priors, Function<Optional<LineUpModel>, T> question) {
        Chassis chassis = named.unnamed();
        return kept(lineUps, new Ground(chassis, priors)).ask(() -> LineUpModel.of(chassis, priors), question);
    }

    private static <M> Kept<M> kept(Map<Ground, Kept<M>> all, Ground ground) {
        synchronized (all) {
            return all.computeIfAbsent(ground, g -> new Kept<>());
        }
    }
}
