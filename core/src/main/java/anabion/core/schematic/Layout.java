package anabion.core.schematic;

import anabion.core.chassis.Part;
import anabion.core.schematic.StageDrawing.Spot;
import anabion.core.schematic.StageDrawing.Wire;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/** Places the symbols of one stage. For one drawing only. */
final class Layout {
    private static final double RAIL = 1.2;
    private static final double UP = 3.4;
    private static final double PLATE = 6;
    private static final double GRID = 8.5;
    private static final double CATHODE = 11;
    private static final double LANES = 13.8;
    private static final double LANE = 2.6;
    private static final double MARGIN = 1;
    private static final double STEP = 0.25;
    /** Width of a letter, and what a symbol takes beside its letters. */
    private static final double LETTER = 0.56;

    private static final double BODY = 2.9;

    private final Set<String> rails;
    private final String earth;
    private final List<Symbol> symbols = new ArrayList<>();
    private final List<Wire> wires = new ArrayList<>();
    private final List<Spot> dots = new ArrayList<>();
    private final List<Spot> earths = new ArrayList<>();
    private final List<Spot> named = new ArrayList<>();
    private final List<Spot> nets = new ArrayList<>();
    private final Map<String, Run> runs = new LinkedHashMap<>();
    /** Nets that a part to their left has reached already, and where. */
    private final Map<String, Double> reached = new LinkedHashMap<>();

    private final Map<Device, Double> places = new LinkedHashMap<>();
    private double x = MARGIN;
    private double bottom;

    /** The piece of wire of one net. */
    private static final class Run {
        private final double level;
        private final TreeSet<Double> ends = new TreeSet<>();
        private final double start;

        private Run(double level, double start) {
            this.level = level;
            this.start = start;
        }
    }

    /** A part between two nets of the stage that do not lie side by side. */
    private record Link(Branch branch, int lane, Map<String, Double> at) {}

    Layout(Set<String> rails, String earth) {
        this.rails = rails;
        this.earth = earth;
    }

    private boolean drawn(String net) {
        return !net.equals(earth) && !rails.contains(net);
    }

    StageDrawing draw(String stage, List<Part> parts) {
        List<Device> devices =
                parts.stream().flatMap(p -> Device.of(p).stream()).toList();
        List<Branch> branches = parts.stream()
                .flatMap(p -> Branch.of(p).stream())
                .filter(b -> !b.from().equals(b.to()))
                .toList();
        List<Object> order = Order.of(devices, branches, this::drawn);
        List<Branch> inline = inline(order, branches);
        List<Link> links = new ArrayList<>();
        for (Branch b : branches)
            if (drawn(b.from()) && drawn(b.to()) && !inline.contains(b))
                links.add(new Link(b, links.size(), new LinkedHashMap<>()));
        double lanes = LANES + links.size() * LANE;
        bottom = lanes + Symbol.HALF + (links.isEmpty() ? 0 : 0.2);
        for (int n = 0; n < order.size(); n++) {
            if (order.get(n) instanceof Device d) device(d);
            else run((String) order.get(n), level((String) order.get(n), devices), branches, links);
            String here = order.get(n) instanceof String s ? s : "";
            String next = n + 1 < order.size() && order.get(n + 1) instanceof String s ? s : "";
            for (Branch b : inline) if (b.on(here) && b.on(next)) between(b, here, level(next, devices));
        }
        devices.forEach(this::electrodes);
        links.forEach(this::lane);
        branches.stream().filter(b -> !drawn(b.from()) && !drawn(b.to())).forEach(this::standing);
        runs.values().forEach(this::wire);
        return new StageDrawing(
                        stage, x + MARGIN, bottom + Symbol.HALF + 1.6, symbols, wires, dots, earths, named, nets)
                .trimmed();
    }

    private static double level(String net, List<Device> devices) {
        for (Device d : devices) {
            if (net.equals(d.output())) return PLATE;
            if (net.equals(d.input())) return GRID;
            if (net.equals(d.cathode()) || net.equals(d.inner())) return CATHODE;
        }
        return GRID;
    }

    /** One part for each pair of nets that lie side by side. */
    private List<Branch> inline(List<Object> order, List<Branch> branches) {
        List<Branch> found = new ArrayList<>();
        for (int n = 1; n < order.size(); n++) {
            if (!(order.get(n - 1) instanceof String a) || !(order.get(n) instanceof String b)) continue;
            branches.stream()
                    .filter(x -> x.on(a) && x.on(b) && x.third().isEmpty())
                    .findFirst()
                    .ifPresent(found::add);
        }
        return found;
    }

    // --- nets ---

    private void run(String net, double level, List<Branch> branches, List<Link> links) {
        Run run = new Run(level, x);
        runs.put(net, run);
        if (reached.containsKey(net)) run.ends.add(reached.get(net));
        nets.add(new Spot(x, level - 0.3, net));
        x += LETTER * net.length() + 0.2;
        for (Branch b : branches) {
            if (!b.on(net) || drawn(b.other(net))) continue;
            boolean up = !b.other(net).equals(earth);
            double at = column(b);
            run.ends.add(at);
            symbols.add(symbol(b, at, up ? UP : bottom, true));
            if (up) {
                wires.add(new Wire(at, UP + Symbol.HALF, at, level));
                rail(at, UP - Symbol.HALF, b.other(net));
            } else {
                wires.add(new Wire(at, level, at, bottom - Symbol.HALF));
                earth(at, bottom + Symbol.HALF);
            }
        }
        for (Link l : links)
            if (l.branch().on(net)) {
                l.at().put(net, x + 0.4);
                run.ends.add(x + 0.4);
                x += 1.2;
            }
        x += 0.6;
    }

    /** Takes the room for an upright part and says where it stands. */
    private double column(Branch b) {
        double at = x + 0.8;
        x += BODY + LETTER * Math.max(b.part().reference().length(), value(b).length());
        return at;
    }

    private void wire(Run run) {
        double first = run.ends.isEmpty() ? run.start : Math.min(run.start, run.ends.first());
        double last = run.ends.isEmpty() ? run.start : run.ends.last();
        if (last > first) wires.add(new Wire(first, run.level, last, run.level));
        for (double end : run.ends) if (end > first && end < last) dots.add(new Spot(end, run.level, ""));
    }

    private void rail(double at, double from, String name) {
        wires.add(new Wire(at, RAIL, at, from));
        named.add(new Spot(at, RAIL, name));
    }

    private void earth(double at, double y) {
        earths.add(new Spot(at, y, earth));
    }

    // --- parts between two nets ---

    private void between(Branch b, String left, double level) {
        Run from = runs.get(left);
        double width = Math.max(2 * Symbol.HALF + 1, LETTER * (text(b).length() + 3));
        double middle = x + width / 2;
        symbols.add(symbol(b, middle, from.level, false));
        from.ends.add(middle - Symbol.HALF);
        x += width + 0.4;
        wires.add(new Wire(middle + Symbol.HALF, from.level, x, from.level));
        if (level != from.level) wires.add(new Wire(x, from.level, x, level));
        reached.put(b.other(left), x);
    }

    private void lane(Link l) {
        double y = LANES + l.lane() * LANE;
        List<Double> ends = List.copyOf(l.at().values());
        double left = Math.min(ends.get(0), ends.get(1));
        double right = Math.max(ends.get(0), ends.get(1));
        l.at().forEach((net, at) -> wires.add(new Wire(at, runs.get(net).level, at, y)));
        double middle = clear(Math.max((left + right) / 2, left + Symbol.HALF), left, right, y);
        symbols.add(symbol(l.branch(), middle, y, false));
        wires.add(new Wire(left, y, middle - Symbol.HALF, y));
        wires.add(new Wire(middle + Symbol.HALF, y, Math.max(right, middle + Symbol.HALF), y));
        if (right < middle + Symbol.HALF) wires.add(new Wire(right, y, middle + Symbol.HALF, y));
    }

    /** The place next to the middle where no wire passes through the symbol or touches its ends. */
    private double clear(double middle, double left, double right, double y) {
        for (double off = 0; off < right - left; off += STEP)
            for (double at : new double[] {middle + off, middle - off})
                if (at - Symbol.HALF >= left && at + Symbol.HALF <= right && free(at, y)) return at;
        return middle;
    }

    private boolean free(double at, double y) {
        return wires.stream()
                .noneMatch(w -> Math.abs(w.x1() - at) < Symbol.HALF + STEP
                        && Math.min(w.y1(), w.y2()) <= y
                        && Math.max(w.y1(), w.y2()) >= y
                        && w.x1() == w.x2());
    }

    /** Between rails, or from a rail to the chassis. */
    private void standing(Branch b) {
        String upper = b.from().equals(earth) ? b.to() : b.from();
        String lower = b.other(upper);
        double at = column(b);
        x = Math.max(x, at + LETTER * Math.max(upper.length(), lower.length()));
        symbols.add(symbol(b, at, UP, true));
        rail(at, UP - Symbol.HALF, upper);
        if (lower.equals(earth)) earth(at, UP + Symbol.HALF);
        else nets.add(new Spot(at - 0.4, UP + Symbol.HALF + 1.1, lower));
    }

    private Symbol symbol(Branch b, double at, double y, boolean upright) {
        return new Symbol(
                b.part().reference(), b.kind(), at, y, upright, b.part().reference(), value(b));
    }

    private static String text(Branch b) {
        return b.part().reference() + " " + value(b);
    }

    private static String value(Branch b) {
        boolean tapped = !b.third().isEmpty() && !b.on(b.third());
        return tapped ? b.value() + " > " + b.third() : b.value();
    }

    // --- devices ---

    private void device(Device d) {
        double at = x + Symbol.RADIUS + 1.2;
        places.put(d, at);
        String type = d.part().device().orElseThrow().type();
        String label = d.part().reference() + (d.section().isEmpty() ? "" : " " + d.section());
        symbols.add(new Symbol(d.part().reference(), d.kind(), at, GRID, true, label, type));
        x = at + Symbol.RADIUS + 0.8 + LETTER * Math.max(3, type.length());
    }

    private void electrodes(Device d) {
        double at = places.get(d);
        double top = GRID - Symbol.RADIUS;
        double low = GRID + Symbol.RADIUS;
        reach(d.input(), at - Symbol.RADIUS, GRID, GRID, -1);
        reach(d.inner(), at - 0.8, low - 0.2, CATHODE, -1);
        reach(d.output(), at, top, PLATE, 1);
        reach(d.screen(), at + Symbol.RADIUS, GRID, GRID, 1);
        reach(d.cathode(), at, low, CATHODE, 1);
    }

    /** From an electrode to its net: by wire where the net lies on that side and level, else by its name. */
    private void reach(String net, double at, double y, double level, int side) {
        if (net.isEmpty()) return;
        Run run = runs.get(net);
        double turn = y == level ? at + 0.8 * side : at;
        if (net.equals(earth)) {
            if (turn != at) wires.add(new Wire(at, y, turn, y));
            wires.add(new Wire(turn, y, turn, CATHODE + 1));
            earth(turn, CATHODE + 1);
        } else if (run == null) {
            if (turn != at) wires.add(new Wire(at, y, turn, y));
            rail(turn, y, net);
        } else if (run.level == level && (side > 0 ? run.start > at : run.start < at) && free(run, at, level)) {
            if (y != level) wires.add(new Wire(at, y, at, level));
            run.ends.add(at);
        } else {
            if (y != level) wires.add(new Wire(at, y, at, level));
            double end = at + 1.2 * side;
            wires.add(new Wire(at, level, end, level));
            nets.add(new Spot(side > 0 ? end : end - LETTER * net.length(), level - 0.3, net));
        }
    }

    /** Whether no other net lies between on the same level. */
    private boolean free(Run run, double at, double level) {
        double left = Math.min(run.start, at);
        double right = Math.max(run.start, at);
        return runs.values().stream().noneMatch(r -> r != run && r.level == level && r.start > left && r.start < right);
    }
}
