package anabion.core.simulation.dc;

import anabion.core.circuit.Element;
import anabion.core.circuit.Solution;
import anabion.core.rectifier.Characteristic;
import anabion.core.rectifier.Cycle;
import anabion.core.rectifier.Rectifier;
import anabion.core.simulation.supply.Port;
import anabion.core.simulation.supply.SupplyRail;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;

/** A set at work: direct volts and currents, alternating volts, and what its rectifiers do. */
public final class OperatingPoint {
    /** Peak to peak over effective, of a sawtooth: 2√3. */
    public static final double SAWTOOTH = 2 * Math.sqrt(3);

    private final Solution direct;
    private final Optional<Solution> mains;
    private final List<SupplyRail> rails;
    private final Map<String, Cycle> cycles = new LinkedHashMap<>();

    /** @param mains in effective volts; empty for a set on batteries or direct mains */
    public OperatingPoint(Solution direct, Optional<Solution> mains, List<SupplyRail> rails) {
        this.direct = direct;
        this.mains = mains;
        this.rails = rails;
    }

    /** What is direct, in volts and amperes. */
    public Solution direct() {
        return direct;
    }

    /** What alternates, in effective volts; empty for a set on batteries or direct mains. */
    public Optional<Solution> mains() {
        return mains;
    }

    /** Whether the direct-current circuit settled. */
    public boolean converged() {
        return direct.converged() && mains.map(Solution::converged).orElse(true);
    }

    /** Direct volts of a net against the reference; empty if there is no such net. */
    public OptionalDouble volts(String net) {
        return direct.volts(net);
    }

    /** Effective alternating volts of a net against the reference; at a rectifier's plate with the sag of its load. */
    public OptionalDouble alternating(String net) {
        if (mains.isEmpty()) return OptionalDouble.of(0);
        for (SupplyRail r : rails)
            if (r.plates().contains(net))
                return OptionalDouble.of(plate(r, r.plates().indexOf(net)));
        OptionalDouble v = mains.get().volts(net);
        return v.isPresent() ? OptionalDouble.of(Math.abs(v.getAsDouble())) : OptionalDouble.empty();
    }

    /**
     * Effective alternating volts between two nets, as a meter shows that blocks direct ones: of a winding or a heater, and the ripple of a reservoir, a
     * sawtooth.
     */
    public double alternating(String net, String against) {
        return Math.hypot(ofMains(net, against), ripple(net) - ripple(against));
    }

    private double ofMains(String net, String against) {
        if (mains.isEmpty()) return 0;
        if (against.equals(direct.circuit().reference()))
            return alternating(net).orElse(0);
        if (net.equals(direct.circuit().reference()))
            return alternating(against).orElse(0);
        return Math.abs(
                mains.get().volts(net).orElse(0) - mains.get().volts(against).orElse(0));
    }

    /** Effective ripple of a reservoir; 0 for a net that is none. */
    private double ripple(String net) {
        for (SupplyRail r : rails)
            if (r.reservoir().equals(net)) return supplies().get(net).ripple() / SAWTOOTH;
        return 0;
    }

    /** The steady cycles of the rectifiers, by the net of their reservoirs. */
    public Map<String, Cycle> supplies() {
        if (cycles.isEmpty())
            for (SupplyRail r : rails)
                cycles.put(r.reservoir(), r.characteristic().cycle(reservoir(r)));
        return Map.copyOf(cycles);
    }

    /**
     * The characteristic of a rectifier that differs a little from the one at a net, near where that one works.
     *
     * @param shared whether many states have this characteristic, so that a grid serves them all
     */
    public Optional<Characteristic> toward(String output, Rectifier changed, boolean shared) {
        Optional<SupplyRail> rail =
                rails.stream().filter(r -> r.output().equals(output)).findFirst();
        return rail.map(r -> shared
                ? r.characteristic().towardsTabled(changed, reservoir(r))
                : r.characteristic().towards(changed, reservoir(r)));
    }

    private double reservoir(SupplyRail r) {
        return direct.volts(r.reservoir()).orElse(0) - direct.volts(r.foot()).orElse(0);
    }

    /**
     * Ripple of a reservoir.
     *
     * @param volts peak to peak
     * @param hertz of its fundamental
     */
    public record Ripple(double volts, double hertz) {}

    /** The nets of the rectifiers' plates: where what alternates goes in. */
    public Set<String> plates() {
        return rails.stream().flatMap(r -> r.plates().stream()).collect(Collectors.toSet());
    }

    /** The net of a reservoir's other end; empty for a net that is none. */
    public Optional<String> foot(String reservoir) {
        return rails.stream()
                .filter(r -> r.reservoir().equals(reservoir))
                .findFirst()
                .map(SupplyRail::foot);
    }

    /** The nets of the reservoirs' other ends: what the rails return to. */
    public Set<String> feet() {
        return rails.stream().map(SupplyRail::foot).collect(Collectors.toSet());
    }

    /** The ripple of every rail, by the net of its reservoir. */
    public Map<String, Ripple> ripples() {
        Map<String, Ripple> all = new LinkedHashMap<>();
        for (SupplyRail r : rails) {
            int pulses = r.plates().size() > 1 || r.ports().size() > 2 ? 2 : 1;
            all.put(
                    r.reservoir(),
                    new Ripple(
                            supplies().get(r.reservoir()).ripple(),
                            pulses * r.rectifier().hertz()));
        }
        return all;
    }

    /** References of the rectifiers that feed each reservoir, by its net. */
    public Map<String, List<String>> rectifiers() {
        Map<String, List<String>> all = new LinkedHashMap<>();
        for (SupplyRail r : rails)
            all.put(
                    r.reservoir(),
                    r.ports().stream().map(Port::reference).distinct().toList());
        return all;
    }

    /** Effective ripple current of every reservoir, by its net: what the paths give, less the mean that flows on. */
    public Map<String, Double> rippleAmperes() {
        Map<String, Double> all = new LinkedHashMap<>();
        for (SupplyRail r : rails) {
            Cycle c = supplies().get(r.reservoir());
            double squares =
                    c.effective() * c.effective() * r.rectifier().paths().size() - c.amperes() * c.amperes();
            all.put(r.reservoir(), Math.sqrt(Math.max(0, squares)));
        }
        return all;
    }

    /** The plate sags while its path conducts, by what the source's resistance takes of the power given. */
    private double plate(SupplyRail r, int n) {
        double open = Math.abs(r.rectifier().paths().get(n).volts());
        double given =
                supplies().get(r.reservoir()).given() / r.rectifier().paths().size();
        double lost = given * r.rectifier().paths().get(n).ohms() / Math.max(open * open, 1e-9);
        return open * Math.max(0, 1 - lost);
    }

    /** What the set takes from the mains, in watts. */
    public double wattsFromMains() {
        double sum = 0;
        for (Cycle c : supplies().values()) sum += c.given();
        if (mains.isEmpty()) return sum;
        for (Element e : mains.get().circuit().elements())
            if (e.name().equals("mains")) sum -= mains.get().watts(e);
        return sum;
    }

    /**
     * Effective mains current: that of the heaters in phase with the mains, and the rectifiers' pulses, of which the part in phase
     * is their power by the mains volts.
     */
    public double mainsAmperes() {
        if (mains.isEmpty()) return 0;
        double line = 0;
        double heaters = 0;
        for (Element e : mains.get().circuit().elements())
            if (e instanceof Element.Source s && e.name().equals("mains")) {
                line = s.volts();
                heaters = Math.abs(mains.get().amperes(e)[0]);
            }
        double squares = heaters * heaters;
        for (SupplyRail r : rails) {
            Cycle c = supplies().get(r.reservoir());
            double ratio = Math.abs(r.rectifier().paths().get(0).volts()) / Math.max(line, 1e-9);
            double pulses =
                    ratio * c.effective() * Math.sqrt(r.rectifier().paths().size());
            squares += pulses * pulses + 2 * heaters * c.given() / Math.max(line, 1e-9);
        }
        return Math.sqrt(squares);
    }

    /**
     * The power that each part takes, in watts, by reference: of direct and of alternating current together, since their squares add; a resistor between the line
     * and a rectifier's plate by the effective current of its pulses.
     */
    public Map<String, Double> watts() {
        Map<String, Double> all = new LinkedHashMap<>();
        for (Element e : direct.circuit().elements()) all.merge(reference(e.name()), direct.watts(e), Double::sum);
        mains.ifPresent(m -> m.circuit().elements().stream()
                .filter(e -> !(e instanceof Element.Source) && !(e instanceof Element.Transformer))
                .forEach(e -> all.merge(reference(e.name()), m.watts(e), Double::sum)));
        for (SupplyRail r : rails) for (String plate : r.plates()) surge(plate, r, all);
        return all;
    }

    private void surge(String plate, SupplyRail r, Map<String, Double> all) {
        double effective = supplies().get(r.reservoir()).effective();
        for (Element e : direct.circuit().elements())
            if (e instanceof Element.Resistor x && !e.name().contains(".") && touches(x, plate))
                all.merge(e.name(), effective * effective / x.siemens() - direct.watts(e), Double::sum);
    }

    private boolean touches(Element.Resistor r, String net) {
        OptionalInt node = direct.circuit().node(net);
        return node.isPresent() && (r.a() == node.getAsInt() || r.b() == node.getAsInt());
    }

    /** Whether what alternates heats a tube, not a battery or a rail. */
    public boolean heatedByMains(String tube) {
        return mains.isPresent()
                && mains.get().circuit().elements().stream()
                        .anyMatch(e -> isHeater(e, tube) && mains.get().watts(e) > 0);
    }

    private static boolean isHeater(Element e, String tube) {
        return reference(e.name()).equals(tube) && !e.name().endsWith(".hk");
    }

    /** The power of a tube's heater, in watts; 0 for none. */
    public double heaterWatts(String tube) {
        double sum = 0;
        if (mains.isPresent())
            for (Element e : mains.get().circuit().elements())
                if (isHeater(e, tube)) sum += mains.get().watts(e);
        for (Element e : direct.circuit().elements())
            if (reference(e.name()).equals(tube) && e.name().contains(".heater")) sum += direct.watts(e);
        return sum;
    }

    /** The reference of the part behind an element's name. */
    public static String reference(String element) {
        int dot = element.indexOf('.');
        return dot < 0 ? element : element.substring(0, dot);
    }
}
