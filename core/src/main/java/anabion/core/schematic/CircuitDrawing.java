package anabion.core.schematic;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.Stage;
import anabion.core.chassis.StripRow;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The whole circuit, stage by stage: the signal path of a band, then the supply, then what stands in no stage. */
public record CircuitDrawing(List<StageDrawing> stages) {
    /** Capacitors from here on make a rail of the net that they hold to the chassis. */
    private static final double HOLDING = 5e-9;

    public CircuitDrawing {
        stages = List.copyOf(stages);
    }

    /**
     * Draws a chassis.
     *
     * @param band its path of signal stages; empty for all stages as they are listed
     * @param rest the title of what stands in no stage
     */
    public static CircuitDrawing of(Chassis chassis, Optional<Band> band, String rest) {
        Set<String> rails = rails(chassis);
        String earth = chassis.reference();
        List<StageDrawing> drawn = new ArrayList<>();
        Set<String> placed = new HashSet<>();
        chassis.stages().forEach(s -> placed.addAll(s.parts()));
        for (Stage s : order(chassis, band)) add(drawn, s.name(), parts(chassis, s), rails, earth);
        add(
                drawn,
                rest,
                chassis.parts().stream()
                        .filter(p -> !placed.contains(p.reference()))
                        .toList(),
                rails,
                earth);
        return new CircuitDrawing(drawn);
    }

    /** The drawing of a stage. */
    public Optional<StageDrawing> stage(String name) {
        return stages.stream().filter(s -> s.stage().equals(name)).findFirst();
    }

    private static void add(List<StageDrawing> drawn, String name, List<Part> parts, Set<String> rails, String earth) {
        StageDrawing d = new Layout(rails, earth).draw(name, parts);
        if (!d.symbols().isEmpty()) drawn.add(d);
    }

    private static List<Stage> order(Chassis chassis, Optional<Band> band) {
        List<Stage> order = new ArrayList<>();
        if (band.isPresent())
            for (String name : band.get().stages()) chassis.stage(name).ifPresent(order::add);
        for (Stage s : chassis.stages())
            if (!order.contains(s) && (band.isEmpty() || s.line() == StripRow.SUPPLY)) order.add(s);
        return order;
    }

    private static List<Part> parts(Chassis chassis, Stage stage) {
        return stage.parts().stream().flatMap(r -> chassis.part(r).stream()).toList();
    }

    /** Nets with a name of their own that a capacitor of some size holds still, in the supply or in several stages. */
    private static Set<String> rails(Chassis chassis) {
        String earth = chassis.reference();
        Set<String> rails = new LinkedHashSet<>();
        for (Part p : chassis.parts()) {
            if (!(p.component() instanceof Component.Capacitor c)
                    || c.farads().stream().noneMatch(f -> f >= HOLDING)) continue;
            if (!p.touches(earth)) continue;
            for (String net : p.nets().values())
                if (!net.equals(earth) && !net.contains(".") && shared(chassis, net)) rails.add(net);
        }
        return rails;
    }

    private static boolean shared(Chassis chassis, String net) {
        List<Stage> at = chassis.stages().stream()
                .filter(s -> s.parts().stream()
                        .flatMap(r -> chassis.part(r).stream())
                        .anyMatch(p -> p.touches(net)))
                .toList();
        return at.size() > 1 || at.stream().anyMatch(s -> s.line() == StripRow.SUPPLY);
    }
}
