package anabion.benchmarks;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.MeterSpec;
import anabion.core.circuit.Circuit;
import anabion.core.circuit.DcSolver;
import anabion.core.circuit.Solution;
import anabion.core.device.DeviceLibrary;
import anabion.core.device.model.Fit;
import anabion.core.numeric.RealLu;
import anabion.core.signal.Gains;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.FaultList;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.tolerance.Spread;
import anabion.workshop.demo.DemoWorkshop;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.factory.LinearSolverFactory_DDRM;
import org.ejml.interfaces.linsol.LinearSolverDense;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;
import org.openjdk.jmh.runner.options.VerboseMode;

/** The engine's speed: the Halcyon sound and with every single fault, and the cost of elimination against the number of nets. */
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class EngineBenchmark {
    /** The Halcyon, warm. */
    @State(Scope.Benchmark)
    public static class Halcyon {
        final Chassis set = DemoWorkshop.chassis("halcyon");
        final Simulator engine = new Simulator();
        final Setting usual = Setting.of(230);
        final List<Fault> faults = FaultList.of(set);
        final Circuit circuit = engine.prepare(set, usual).circuit();
        final Circuit high = engine.prepare(set, usual.withLine(245)).circuit();
        final DcSolver solver = new DcSolver();
        final double[] near = solver.solve(circuit).unknowns();
    }

    @Benchmark
    public Solution healthyFromNothing(Halcyon h) {
        return h.solver.solve(h.circuit);
    }

    /** The set at 245 V, from its solution at 230 V. */
    @Benchmark
    public Solution healthyWarm(Halcyon h) {
        return h.solver.solve(h.high, h.near);
    }

    @Benchmark
    public int allSingleFaultsCoupled(Halcyon h) {
        int settled = 0;
        for (Fault f : h.faults)
            if (h.engine.solve(h.set, h.usual.withFaults(List.of(f))).converged()) settled++;
        return settled;
    }

    @Benchmark
    public int allSingleFaultsOnFixedRails(Halcyon h) {
        int settled = 0;
        OperatingPoint sound = h.engine.solve(h.set, h.usual);
        for (Fault f : h.faults) {
            Simulator.PreparedCircuit bench = h.engine.prepareOnRails(h.set, h.usual.withFaults(List.of(f)), sound);
            if (bench.solve().converged()) settled++;
        }
        return settled;
    }

    /** Levels, gains, AVC, responses and hum of a band: some sixty networks and twenty operating points. */
    @Benchmark
    public Gains gainsOfABand(Halcyon h) {
        return Gains.of(h.engine, h.set, h.usual, h.set.bands().get(0)).orElseThrow();
    }

    /** Spread and covariance of every net of the set, against every part. */
    @Benchmark
    public Spread spreadOfEveryNet(Halcyon h) {
        return Spread.of(h.engine, h.set, h.usual, new MeterSpec.Fixed(10e6), Simulator.nets(h.set))
                .orElseThrow();
    }

    /** Where the time of a fault goes: what is left of its solution without this is iteration. */
    @Benchmark
    public Circuit buildingTheCircuit(Halcyon h) {
        return h.engine
                .prepare(h.set, h.usual.withFaults(h.faults.subList(0, 1)))
                .circuit();
    }

    /** Triodes in a row, each with its plate load, grid leak and cathode resistor: three nets a stage. */
    @State(Scope.Benchmark)
    public static class Row {
        @Param({"20", "50", "100", "200"})
        int nets;

        final DcSolver solver = new DcSolver();
        Circuit circuit = Circuit.of("0").build();

        @Setup
        public void build() {
            var law = Fit.triode(DeviceLibrary.standard()
                    .find("ECC83")
                    .orElseThrow()
                    .sections()
                    .get(0));
            Circuit.Builder c = Circuit.of("0").source("V", "B", "0", 250);
            for (int n = 0; n < (nets - 1) / 3; n++)
                c.resistor("Ra" + n, "B", "a" + n, 220e3)
                        .resistor("Rk" + n, "k" + n, "0", 2200)
                        .resistor("Rg" + n, "g" + n, n == 0 ? "0" : "k" + (n - 1), 1e6)
                        .device("V" + n, law, "g" + n, "a" + n, "k" + n);
            circuit = c.build();
        }
    }

    @Benchmark
    public Solution operatingPoint(Row r) {
        return r.solver.solve(r.circuit);
    }

    /** A matrix as a receiver of so many nets gives it: some five entries a row. */
    @State(Scope.Benchmark)
    public static class Matrix {
        @Param({"20", "50", "100", "200"})
        int nets;

        double[] entries = {};
        double[] right = {};
        RealLu own = new RealLu(1);
        LinearSolverDense<DMatrixRMaj> library = LinearSolverFactory_DDRM.lu(1);
        DMatrixRMaj a = new DMatrixRMaj(1, 1);
        DMatrixRMaj b = new DMatrixRMaj(1, 1);
        DMatrixRMaj x = new DMatrixRMaj(1, 1);

        @Setup
        public void fill() {
            Random r = new Random(nets);
            entries = new double[nets * nets];
            right = new double[nets];
            for (int i = 0; i < nets; i++) {
                right[i] = r.nextDouble();
                entries[i * nets + i] += 1e-6;
                for (int k = 0; k < 3; k++) {
                    int j = r.nextInt(nets);
                    double g = Math.pow(10, -6 + 4 * r.nextDouble());
                    entries[i * nets + i] += g;
                    entries[j * nets + j] += g;
                    entries[i * nets + j] -= g;
                    entries[j * nets + i] -= g;
                }
            }
            own = new RealLu(nets);
            library = LinearSolverFactory_DDRM.lu(nets);
            a = new DMatrixRMaj(nets, nets);
            b = new DMatrixRMaj(nets, 1);
            x = new DMatrixRMaj(nets, 1);
        }
    }

    @Benchmark
    public double ownElimination(Matrix m) {
        System.arraycopy(m.entries, 0, m.own.matrix(), 0, m.entries.length);
        m.own.factor();
        double[] b = m.right.clone();
        m.own.solve(b);
        return b[0];
    }

    @Benchmark
    public double libraryElimination(Matrix m) {
        System.arraycopy(m.entries, 0, m.a.data, 0, m.entries.length);
        System.arraycopy(m.right, 0, m.b.data, 0, m.right.length);
        m.library.setA(m.a);
        m.library.solve(m.b, m.x);
        return m.x.data[0];
    }

    static Map<String, Object> measure() throws RunnerException {
        Map<String, Object> results = new LinkedHashMap<>();
        for (RunResult r : new Runner(new OptionsBuilder()
                        .include(EngineBenchmark.class.getSimpleName())
                        .forks(1)
                        .warmupIterations(8)
                        .warmupTime(TimeValue.seconds(1))
                        .measurementIterations(4)
                        .measurementTime(TimeValue.seconds(1))
                        .verbosity(VerboseMode.SILENT)
                        .build())
                .run()) {
            String nets = r.getParams().getParam("nets");
            String name = r.getPrimaryResult().getLabel() + (nets == null ? "" : " " + nets + " nets");
            results.put(name + ", µs", Math.round(r.getPrimaryResult().getScore() * 100) / 100.0);
        }
        return results;
    }
}
