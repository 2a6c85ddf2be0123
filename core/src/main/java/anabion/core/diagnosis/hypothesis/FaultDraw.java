package anabion.core.diagnosis.hypothesis;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Part;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.fault.FaultList;
import anabion.core.simulation.setting.Setting;
import java.util.Arrays;
import java.util.List;
import java.util.Random;

/** Draws what is wrong with a simulated set. */
public final class FaultDraw {
    private FaultDraw() {}

    /**
     * One fault of the list, as often as it happens, its severity anywhere between the listed ones.
     *
     * @param random two numbers of it are taken at most
     */
    public static Fault of(Chassis chassis, Random random) {
        List<List<Fault>> ways = FaultList.ways(chassis);
        PartStress stress = PartStress.of(chassis, new Simulator().solve(chassis, Setting.fed(chassis)));
        double[] weights = ways.stream()
                .mapToDouble(w -> {
                    Part part = chassis.part(w.get(0).part()).orElseThrow();
                    return Priors.USUAL.weight(part, w.get(0)) * stress.of(part, w.get(0));
                })
                .toArray();
        double left = random.nextDouble() * Arrays.stream(weights).sum();
        int n = 0;
        while (n < weights.length - 1 && left > weights[n]) left -= weights[n++];
        return between(ways.get(n), random);
    }

    /** Anywhere between two severities next to each other, by ratio. */
    private static Fault between(List<Fault> way, Random random) {
        if (way.size() == 1) return way.get(0);
        int n = random.nextInt(way.size() - 1);
        return way.get(n).toward(way.get(n + 1), random.nextDouble());
    }
}
