package anabion.benchmarks;

import anabion.core.reading.Judge;
import anabion.workshop.SetRecord;
import anabion.workshop.demo.DemoWorkshop;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;
import org.openjdk.jmh.runner.options.VerboseMode;

/** From a new reading to a new verdict on the Halcyon, warm. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class JudgeBench {
    private final SetRecord set = DemoWorkshop.set("halcyon");

    @Benchmark
    public Judge.Verdict verdict() {
        return set.judged(set.usual());
    }

    static Map<String, Object> measure() throws RunnerException {
        Map<String, Object> results = new LinkedHashMap<>();
        for (RunResult r : new Runner(new OptionsBuilder()
                        .include(JudgeBench.class.getSimpleName())
                        .forks(1)
                        .warmupIterations(3)
                        .warmupTime(TimeValue.seconds(1))
                        .measurementIterations(5)
                        .measurementTime(TimeValue.seconds(1))
                        .verbosity(VerboseMode.SILENT)
                        .build())
                .run()) {
            results.put(
                    "new reading to new verdict, ms",
                    Math.round(r.getPrimaryResult().getScore() * 1000) / 1000.0);
            results.put("error, ms", Math.round(r.getPrimaryResult().getScoreError() * 1000) / 1000.0);
        }
        return results;
    }
}
