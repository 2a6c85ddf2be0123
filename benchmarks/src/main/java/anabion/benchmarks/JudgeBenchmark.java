package anabion.benchmarks;

import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.evidence.Evidence;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.reading.judgement.Judge;
import anabion.core.simulation.chart.Calibrations;
import anabion.workshop.Predictors;
import anabion.workshop.SetRecord;
import anabion.workshop.demo.DemoWorkshop;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;
import org.openjdk.jmh.runner.options.VerboseMode;

/**
 * From a new reading to new verdicts on the Halcyon, warm: the patterns, the odds, and the odds with what to do next. Warm means
 * that every fault has been solved, as it is some seconds after a set was opened.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class JudgeBenchmark {
    private static final int FIRST = 4;
    private static final Map<String, String> NAMES = Map.of(
            "verdict", "new reading to new verdict, ms",
            "ranking", "new reading to new ranking, ms",
            "next", "new reading to new ranking and next tests, ms");

    private final Predictors predictors = new Predictors();
    private final SetRecord set = DemoWorkshop.set("halcyon");
    private final PredictionModel predictions =
            new PredictionModel(set.chassis(), Calibrations.of(set.chassis()), Priors.USUAL);
    private final List<Observation> evidence = Evidence.of(set.chassis(), set.readings(), set.job());
    private int read = FIRST;

    @Setup
    public void solved() {
        for (int n = FIRST; n <= evidence.size(); n++) next();
    }

    @Benchmark
    public Judge.Verdict verdict() {
        return set.judged(set.usual(), predictors);
    }

    @Benchmark
    public Diagnosis ranking() {
        List<Observation> now = onceMore();
        return Diagnosis.verdict(predictions, now, Diagnosis.allowed(predictions, now));
    }

    @Benchmark
    public Diagnosis next() {
        List<Observation> now = onceMore();
        return Diagnosis.of(predictions, now, Diagnosis.allowed(predictions, now));
    }

    /** The readings one by one, over and over. */
    private List<Observation> onceMore() {
        read = read >= evidence.size() ? FIRST : read + 1;
        return evidence.subList(0, read);
    }

    static Map<String, Object> measure() throws RunnerException {
        Map<String, Object> results = new LinkedHashMap<>();
        for (RunResult r : new Runner(new OptionsBuilder()
                        .include(JudgeBenchmark.class.getSimpleName())
                        .forks(1)
                        .warmupIterations(15)
                        .warmupTime(TimeValue.seconds(1))
                        .measurementIterations(5)
                        .measurementTime(TimeValue.seconds(1))
                        .verbosity(VerboseMode.SILENT)
                        .build())
                .run()) {
            String name = r.getPrimaryResult().getLabel();
            results.put(NAMES.get(name), rounded(r.getPrimaryResult().getScore()));
            results.put(name + ", error, ms", rounded(r.getPrimaryResult().getScoreError()));
        }
        return results;
    }

    private static double rounded(double milliseconds) {
        return Math.round(milliseconds * 1000) / 1000.0;
    }
}
