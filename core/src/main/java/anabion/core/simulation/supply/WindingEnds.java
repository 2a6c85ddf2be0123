package anabion.core.simulation.supply;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.Winding;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Where the windings of a chassis' mains or vibrator transformers lead. */
record WindingEnds(Chassis chassis) {
    /** The net at the other end of the first winding that ends at a net. */
    Optional<String> other(String end) {
        return others(end).stream().findFirst();
    }

    /** The net between two halves of a winding. */
    Optional<String> middle(String one, String other) {
        List<String> others = others(other);
        return others(one).stream()
                .filter(n -> !n.equals(other) && others.contains(n))
                .findFirst();
    }

    private List<String> others(String end) {
        List<String> found = new ArrayList<>();
        for (Part p : chassis.parts())
            if (p.component() instanceof Component.Windings w && w.isMainsTransformer())
                for (Winding x : w.windings()) {
                    Optional<String> from = Optional.ofNullable(p.nets().get(x.from()));
                    Optional<String> to = Optional.ofNullable(p.nets().get(x.to()));
                    if (from.filter(end::equals).isPresent()) to.ifPresent(found::add);
                    else if (to.filter(end::equals).isPresent()) from.ifPresent(found::add);
                }
        return found;
    }
}
