package anabion.core.recap;

import anabion.core.chassis.Dielectric;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** The capacitors in the drawer. */
public record Stock(List<Drawer> lines, List<Spare> spares) {
    public static final Stock NONE = new Stock(List.of(), List.of());

    private static final double CLOSE = 1e-6;

    /**
     * @param klass {@code X2}, {@code Y2}, {@code Y1} or empty
     */
    public record Drawer(Dielectric kind, double farads, double volts, String klass, int count) {}

    /**
     * A tube in the drawer.
     *
     * @param emission in the tester's own scale
     * @param reject the least that is good
     */
    public record Spare(String type, double emission, double reject) {
        double share() {
            return reject > 0 ? emission / reject : 0;
        }
    }

    public Stock {
        lines = List.copyOf(lines);
        spares = List.copyOf(spares);
    }

    /** The best tested spare of a type; none that is below its reject line. */
    public Optional<Spare> best(String type) {
        return spares.stream()
                .filter(s -> s.type().equalsIgnoreCase(type) && s.share() >= 1)
                .max(Comparator.comparingDouble(Spare::share));
    }

    /** What is there of a kind, bears the volts and lies between two values; the nearest to the wanted one first. */
    List<Drawer> between(Dielectric kind, double least, double most, double volts, String klass) {
        return lines.stream()
                .filter(l -> l.kind() == kind && l.count() > 0 && l.klass().equals(klass))
                .filter(l ->
                        l.farads() >= least * (1 - CLOSE) && l.farads() <= most * (1 + CLOSE) && l.volts() >= volts)
                .sorted(Comparator.comparingDouble(l -> Math.abs(Math.log(l.farads() / Math.sqrt(least * most)))))
                .toList();
    }

    /** How many there are of just this. */
    public int count(Dielectric kind, double farads, double volts, Optional<Choice.Safety> safety) {
        String klass = safety.map(s -> s.klass().name()).orElse("");
        return lines.stream()
                .filter(l -> l.kind() == kind && l.klass().equals(klass) && l.volts() >= volts)
                .filter(l -> Math.abs(l.farads() / farads - 1) < 0.005)
                .mapToInt(Drawer::count)
                .sum();
    }
}
