package anabion.core.chassis;

import anabion.core.error.InputException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/** Gives a part another reference everywhere in a chassis: nets named after its pins, stages, chart, adjusters. Ids stay. */
public final class Renames {
    private Renames() {}

    /** @throws InputException if the old reference is not there or the new one is taken */
    public static Chassis part(Chassis chassis, String from, String to) {
        if (chassis.part(from).isEmpty())
            throw InputException.at(from)
                    .because("this chassis has no such part")
                    .so("check the reference");
        if (chassis.part(to).isPresent())
            throw InputException.at(to).because("this reference is taken").so("choose another");
        UnaryOperator<String> pin = name -> point(name, from, to);
        List<Part> parts = new ArrayList<>();
        for (Part p : chassis.parts()) {
            Map<String, String> nets = new LinkedHashMap<>();
            p.nets().forEach((t, net) -> nets.put(t, pin.apply(net)));
            parts.add(p.withReference(p.reference().equals(from) ? to : p.reference(), nets));
        }
        List<Stage> stages = chassis.stages().stream()
                .map(s -> new Stage(
                        s.id(),
                        s.name(),
                        s.line(),
                        s.detail(),
                        s.parts().stream().map(r -> r.equals(from) ? to : r).toList(),
                        pin.apply(s.point()),
                        s.extra()))
                .toList();
        List<Adjuster> adjusters = chassis.adjusters().stream()
                .map(a -> new Adjuster(
                        a.id(),
                        a.letter(),
                        a.part().equals(from) ? to : a.part(),
                        a.winding(),
                        a.what(),
                        a.side(),
                        a.place(),
                        a.spot(),
                        a.extra()))
                .toList();
        return new Chassis(
                chassis.id(),
                chassis.identity(),
                chassis.supply(),
                parts,
                stages,
                chassis.bands(),
                chassis.chart().map(c -> chart(c, pin)),
                adjusters,
                chassis.serviceTable(),
                chassis.extra());
    }

    private static Chart chart(Chart c, UnaryOperator<String> pin) {
        List<ChartRow> rows = c.rows().stream()
                .map(r -> new ChartRow(
                        r.id(),
                        pin.apply(r.point()),
                        r.band(),
                        r.measure(),
                        r.value(),
                        r.sourceOhms(),
                        r.tolerance(),
                        r.followsLine(),
                        r.extra()))
                .toList();
        return new Chart(c.id(), c.source(), c.provisional(), c.tolerance(), c.conditions(), rows, c.extra());
    }

    /** The name of a part, or of a lead, section or pin of it, after the renaming; other names stay. */
    public static String owned(String name, String from, String to) {
        return name.equals(from) ? to : point(name, from, to);
    }

    /** The name of a pin after the renaming; other names stay. */
    public static String point(String name, String from, String to) {
        return name.startsWith(from + ".") ? to + name.substring(from.length()) : name;
    }
}
