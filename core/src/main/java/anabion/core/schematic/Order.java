package anabion.core.schematic;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;

/**
 * Which net of a stage comes where from left to right: before each device what drives it, behind it plate, screen and cathode; what
 * hangs on them through a part comes beside them.
 */
final class Order {
    private static final double DEVICE = 10;
    private static final double INNER = -2;
    private static final double INPUT = -1;
    private static final double[] RIGHT = {1, 2, 3};
    private static final double BEHIND = 4;

    private final Predicate<String> drawn;
    private final Map<String, Double> place = new HashMap<>();

    private Order(Predicate<String> drawn) {
        this.drawn = drawn;
    }

    /**
     * The nets and devices in order; a device stands as itself between the strings.
     *
     * @param drawn whether a net is drawn as a wire, not as a rail or the chassis
     */
    static List<Object> of(List<Device> devices, List<Branch> branches, Predicate<String> drawn) {
        Order order = new Order(drawn);
        for (int i = 0; i < devices.size(); i++) order.around(devices.get(i), DEVICE * i);
        order.neighbours(branches);
        Map<Object, Double> all = new LinkedHashMap<>(order.place);
        for (int i = 0; i < devices.size(); i++) all.put(devices.get(i), DEVICE * i);
        List<Object> found = new ArrayList<>(all.keySet());
        found.sort(Comparator.comparingDouble(all::get));
        return found;
    }

    private void around(Device d, double at) {
        put(d.input(), at + INPUT);
        put(d.inner(), at + INNER);
        for (int k = 0; k < RIGHT.length; k++) put(d.right().get(k), at + RIGHT[k]);
    }

    private void put(String net, double at) {
        if (!net.isEmpty() && drawn.test(net)) place.putIfAbsent(net, at);
    }

    /** Nets that no electrode is on: beside the first neighbour that has its place, further out the later they are found. */
    private void neighbours(List<Branch> branches) {
        Set<String> left = new LinkedHashSet<>();
        for (Branch b : branches)
            for (String net : List.of(b.from(), b.to(), b.third()))
                if (!net.isEmpty() && drawn.test(net) && !place.containsKey(net)) left.add(net);
        double step = 0;
        boolean moved = true;
        while (!left.isEmpty()) {
            moved = false;
            for (String net : List.copyOf(left)) {
                Optional<Double> beside = beside(net, branches);
                if (beside.isEmpty()) continue;
                step += 1e-3;
                place.put(net, beside(beside.get(), step));
                left.remove(net);
                moved = true;
            }
            if (!moved) {
                String first = left.iterator().next();
                step += 1e-3;
                place.put(first, (place.isEmpty() ? 0 : -BEHIND) + step);
                left.remove(first);
            }
        }
    }

    /** The place of a neighbour: through a part, else through a transformer. */
    private Optional<Double> beside(String net, List<Branch> branches) {
        Optional<Double> through = branches.stream()
                .filter(b -> b.on(net))
                .flatMap(b -> Stream.ofNullable(place.get(b.other(net))))
                .findFirst();
        return through.or(() -> branches.stream()
                .filter(b -> b.kind() == Symbol.Kind.COIL && b.on(net))
                .flatMap(b -> branches.stream().filter(c -> c.part().equals(b.part())))
                .flatMap(c -> Stream.of(c.from(), c.to()))
                .flatMap(n -> Stream.ofNullable(place.get(n)))
                .findFirst());
    }

    /** To the left of what drives a device, to the right of all that a device feeds. */
    private static double beside(double neighbour, double step) {
        double device = DEVICE * Math.round(neighbour / DEVICE);
        return neighbour < device || neighbour > device + BEHIND - 0.5
                ? neighbour + Math.signum(neighbour - device) * (0.01 + step)
                : device + BEHIND + step;
    }
}
