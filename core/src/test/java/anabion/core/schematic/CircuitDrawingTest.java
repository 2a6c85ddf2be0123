package anabion.core.schematic;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.schematic.StageDrawing.Spot;
import anabion.core.schematic.StageDrawing.Wire;
import anabion.core.testing.SharedSets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The drawing read back as an eye reads it must give the nets that were entered. */
class CircuitDrawingTest {
    private static final double CLOSE = 1e-6;

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "rover", "lark", "trunk-road", "concerto", "true/moor"})
    void everyPartIsDrawnBetweenItsOwnNets(String name) {
        Chassis chassis = SharedSets.named(name);
        CircuitDrawing sheet = CircuitDrawing.of(chassis, Optional.empty(), "rest");
        for (StageDrawing stage : sheet.stages()) new Read(chassis, stage).agrees();
        Set<String> drawn = new TreeSet<>();
        sheet.stages().forEach(s -> s.symbols().forEach(x -> drawn.add(x.part())));
        Set<String> missing = new TreeSet<>();
        for (var p : chassis.parts())
            if (!drawn.contains(p.reference()) && new HashSet<>(p.nets().values()).size() > 1)
                missing.add(p.reference());
        assertThat(missing).as("parts of %s that are not drawn", name).isEmpty();
    }

    @Test
    void stagesStandInTheOrderOfTheSignal() {
        Chassis chassis = SharedSets.named("halcyon");
        CircuitDrawing sheet =
                CircuitDrawing.of(chassis, chassis.bands().stream().findFirst(), "rest");
        assertThat(sheet.stages()).extracting(StageDrawing::stage).startsWith("Aerial", "Mixer", "IF", "Detector");
        StageDrawing output = sheet.stage("Output").orElseThrow();
        assertThat(x(output, "C14")).isLessThan(x(output, "V4"));
        assertThat(x(output, "V4")).isLessThan(x(output, "R16"));
    }

    private static double x(StageDrawing d, String part) {
        return d.symbols().stream()
                .filter(s -> s.part().equals(part))
                .mapToDouble(Symbol::x)
                .min()
                .orElseThrow();
    }

    /** One stage, read from its lines. */
    private static final class Read {
        private final Chassis chassis;
        private final StageDrawing stage;

        Read(Chassis chassis, StageDrawing stage) {
            this.chassis = chassis;
            this.stage = stage;
        }

        void agrees() {
            for (Symbol s : stage.symbols()) {
                if (s.kind().amplifies()) continue;
                Set<String> read =
                        new LinkedHashSet<>(ends(s).stream().map(this::name).toList());
                var nets = chassis.part(s.part()).orElseThrow().nets().values();
                assertThat(nets)
                        .as("%s in %s at %.1f %.1f", s.part(), stage.stage(), s.x(), s.y())
                        .containsAll(read);
                assertThat(read).as("both ends of %s", s.part()).hasSize(2);
            }
        }

        private static List<double[]> ends(Symbol s) {
            double dx = s.upright() ? 0 : Symbol.HALF;
            double dy = s.upright() ? Symbol.HALF : 0;
            return List.of(new double[] {s.x() - dx, s.y() - dy}, new double[] {s.x() + dx, s.y() + dy});
        }

        /** The name that stands on the wires which meet a point. */
        private String name(double[] at) {
            List<Wire> joined = new ArrayList<>();
            boolean grown = true;
            while (grown) {
                grown = false;
                for (Wire w : stage.wires()) {
                    if (joined.contains(w)) continue;
                    boolean meets = on(w, at[0], at[1]) || joined.stream().anyMatch(j -> meet(j, w));
                    if (meets) grown |= joined.add(w);
                }
            }
            Set<String> names = new TreeSet<>();
            for (Spot e : stage.earths()) if (at(e, at, joined, 0)) names.add(chassis.reference());
            for (Spot r : stage.rails()) if (at(r, at, joined, 0)) names.add(r.name());
            for (Spot n : stage.nets()) if (at(n, at, joined, 1.2)) names.add(n.name());
            assertThat(names)
                    .as("names on the wire at %.1f %.1f of %s", at[0], at[1], stage.stage())
                    .hasSize(1);
            return names.iterator().next();
        }

        /** A mark lies on a wire's end; a name stands up to so much above it, or below a symbol's bare end. */
        private static boolean at(Spot s, double[] end, List<Wire> wires, double above) {
            if (above == 0 && Math.hypot(s.x() - end[0], s.y() - end[1]) < CLOSE) return true;
            if (above > 0 && Math.abs(s.x() + 0.4 - end[0]) < CLOSE && Math.abs(s.y() - end[1] - 1.1) < CLOSE)
                return true;
            return wires.stream()
                    .anyMatch(w -> above == 0 ? on(w, s.x(), s.y()) : on(w, s.x(), s.y() + 0.3) || endsAt(w, s));
        }

        /** The name before a stub, which ends where the name does. */
        private static boolean endsAt(Wire w, Spot s) {
            double end = s.x() + 0.56 * s.name().length();
            return on(w, end, s.y() + 0.3);
        }

        private static boolean meet(Wire a, Wire b) {
            return on(a, b.x1(), b.y1()) || on(a, b.x2(), b.y2()) || on(b, a.x1(), a.y1()) || on(b, a.x2(), a.y2());
        }

        private static boolean on(Wire w, double x, double y) {
            double minX = Math.min(w.x1(), w.x2()) - CLOSE;
            double maxX = Math.max(w.x1(), w.x2()) + CLOSE;
            double minY = Math.min(w.y1(), w.y2()) - CLOSE;
            double maxY = Math.max(w.y1(), w.y2()) + CLOSE;
            return x >= minX && x <= maxX && y >= minY && y <= maxY;
        }
    }
}
