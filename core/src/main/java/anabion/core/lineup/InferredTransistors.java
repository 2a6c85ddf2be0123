package anabion.core.lineup;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chart;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.Place;
import anabion.core.chassis.Supply;
import anabion.core.device.DeviceType;
import anabion.core.device.SemiconductorKind;
import anabion.core.device.model.BipolarLaw;
import anabion.core.device.model.Fit;
import anabion.core.json.Extra;
import anabion.core.simulation.fault.Sockets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A circuit that would read what a chart prints, of the transistors alone.
 *
 * <p>Method: a transistor's volts do not tell its current, but a stage of a receiver usually takes about {@link #USUAL}; what its faults do to the volts hangs on ratios of resistors, which the volts do tell. Emitter and
 * collector fall short of their rails by what is charted, at that current; the base hangs on a divider that takes {@link #STANDING} times its current. The rail that an emitter comes from is, of reference and supply, the
 * lower one for an NPN and the higher one for a PNP. Collector volts that two transistors and more share are a rail of their own. It fails where transistors stand one on another: those are left out.
 */
final class InferredTransistors {
    /** Amperes of a stage's collector. */
    private static final double USUAL = 1e-3;
    /** What a base's divider takes, in currents of the base. */
    private static final double STANDING = 10;
    /** Volts below which an electrode lies on its rail. */
    private static final double ON = 0.03;
    /** Collector volts that differ by less than this share belong to one rail. */
    private static final double ALIKE = 0.025;
    /** Ohms from which a collector is loaded by a resistor, and not fed through a winding. */
    private static final double LOAD = 470;
    /** By what share a battery gives way under its load. */
    private static final double REGULATION = 0.03;
    /** Share of the supply beyond which an emitter is lifted by more than a resistor of its own: by another transistor. */
    private static final double STACKED = 0.4;
    /** Share of the battery's volts above which what is charted hangs on it without a resistor. */
    private static final double NEARLY = 0.93;
    /** Volts below which nothing feeds transistors. */
    private static final double LEAST_SUPPLY = 1;

    private static final double CLAMP = 1;
    private static final String SUPPLY = "supply";
    private static final double MOST_DRIVE = 1.2;

    private final Chassis chassis;
    private final Map<String, Double> volts;
    private final double supply;
    /** Of the battery the one that is not the reference. */
    private final Rail pole;

    private final String reference;
    private final List<Stage> stages;
    private final EnteredParts entered;
    private final List<Part> parts = new ArrayList<>();

    /** A transistor with its pins and their charted volts; what is not charted of emitter or base follows from the other. */
    private record Stage(Part part, BipolarLaw law, String e, String b, String c, double ve, double vb, double vc) {
        private String net(String pin) {
            return part.reference() + "." + pin;
        }
    }

    /** A net with its volts. */
    private record Rail(String net, double volts) {}

    private InferredTransistors(Chassis chassis, Chart chart) {
        this.chassis = chassis;
        this.volts = LineUp.charted(chart);
        this.reference = chart.conditions().reference().isEmpty()
                ? Chassis.METAL
                : chart.conditions().reference();
        this.entered = new EnteredParts(chassis);
        this.supply = supply(chart.conditions().line());
        this.pole = new Rail("rail", supply);
        this.stages = chassis.parts().stream()
                .flatMap(p -> stage(p).stream())
                .filter(s -> height(s, s.ve()) < STACKED * Math.abs(supply))
                .toList();
    }

    /**
     * A chassis with the transistors of another and the parts that its chart asks for, on a battery.
     *
     * @return empty without a chart of collectors with their emitters or bases
     */
    static Optional<Chassis> of(Chassis chassis) {
        if (chassis.chart().isEmpty()) return Optional.empty();
        InferredTransistors t = new InferredTransistors(chassis, chassis.chart().get());
        return t.stages.isEmpty() || Math.abs(t.supply) < LEAST_SUPPLY ? Optional.empty() : Optional.of(t.built());
    }

    /** The pole of the battery that is not the reference: the farthest that is charted, or the battery's own volts where these lie a little farther. */
    private double supply(double line) {
        double farthest = chassis.parts().stream()
                .filter(p -> law(p).isPresent())
                .flatMap(p -> p.nets().keySet().stream().map(pin -> p.reference() + "." + pin))
                .filter(volts::containsKey)
                .map(volts::get)
                .max(Comparator.comparingDouble(Math::abs))
                .orElse(0.0);
        double share = Math.abs(farthest) / line;
        return share < 1 && share > NEARLY ? Math.copySign(line, farthest) : farthest;
    }

    private static Optional<BipolarLaw> law(Part p) {
        return Sockets.type(p)
                .flatMap(DeviceType::semiconductor)
                .filter(s -> s.kind() == SemiconductorKind.BIPOLAR)
                .map(s -> (BipolarLaw) Fit.law(s));
    }

    private Optional<Stage> stage(Part p) {
        Optional<BipolarLaw> law = law(p);
        Optional<String> e = Sockets.pin(p, "e", "");
        Optional<String> b = Sockets.pin(p, "b", "");
        Optional<String> c = Sockets.pin(p, "c", "");
        if (law.isEmpty() || e.isEmpty() || b.isEmpty() || c.isEmpty()) return Optional.empty();
        Optional<Double> ve = at(p, e.get());
        Optional<Double> vb = at(p, b.get());
        Optional<Double> vc = at(p, c.get());
        if (vc.isEmpty() || (ve.isEmpty() && vb.isEmpty())) return Optional.empty();
        double drive = drive(law.get());
        return Optional.of(new Stage(
                p,
                law.get(),
                e.get(),
                b.get(),
                c.get(),
                ve.orElseGet(() -> vb.orElseThrow() - drive),
                // a meter draws a base down, an emitter hardly
                ve.filter(v -> Math.abs(v) >= ON || vb.isEmpty())
                        .map(v -> v + drive)
                        .orElseGet(vb::orElseThrow),
                vc.get()));
    }

    private Optional<Double> at(Part p, String pin) {
        return Optional.ofNullable(volts.get(p.reference() + "." + pin));
    }

    /** Volts from emitter to base at the usual current, with their sign: halving finds them. */
    private static double drive(BipolarLaw law) {
        double sign = law.pnp() ? -1 : 1;
        double low = 0;
        double high = MOST_DRIVE;
        double[] amperes = new double[3];
        while (high - low > 1e-4) {
            double half = (low + high) / 2;
            law.currents(new double[] {sign * half, sign * 3, 0}, amperes);
            if (Math.abs(amperes[1]) < USUAL) low = half;
            else high = half;
        }
        return sign * low;
    }

    /** The pole of the battery that an emitter comes from. */
    private Rail from(Stage s) {
        return s.law().pnp() == supply > 0 ? pole : new Rail(reference, 0);
    }

    /** The pole that a collector comes from. */
    private Rail to(Stage s) {
        return s.law().pnp() == supply > 0 ? new Rail(reference, 0) : pole;
    }

    private Chassis built() {
        String above = supply > 0 ? SUPPLY : reference;
        String below = supply > 0 ? reference : SUPPLY;
        Stage any = stages.stream()
                .min(Comparator.comparingDouble(
                        (Stage s) -> Math.min(Math.abs(s.vc() - supply), Math.abs(s.ve() - supply))))
                .orElseThrow();
        double battery = Math.abs(supply) * (1 + REGULATION);
        add(any, any.c(), Place.Kind.BATTERY, new Component.Battery(battery, CLAMP), above, below);
        double inner = REGULATION * Math.abs(supply) / (USUAL * stages.size());
        add(any, any.c(), Place.Kind.FEED, InferredParts.resistor(inner), SUPPLY, pole.net());
        add(any, any.c(), Place.Kind.RESERVOIR, InferredParts.electrolytic(), pole.net(), reference);
        List<Rail> rails = rails();
        for (Rail rail : rails) {
            List<Stage> fed = stages.stream().filter(x -> isOn(x, rail)).toList();
            Rail to = to(fed.get(0));
            double ohms = Math.abs(to.volts() - rail.volts()) / (USUAL * fed.size());
            Stage shows = fed.get(0);
            add(shows, shows.c(), Place.Kind.FILTER, InferredParts.resistor(ohms), rail.net(), to.net());
            String other = from(shows).net();
            add(shows, shows.c(), Place.Kind.SMOOTHING, InferredParts.electrolytic(), rail.net(), other);
        }
        List<Part> everything = new ArrayList<>();
        for (int n = 0; n < stages.size(); n++) {
            Optional<Stage> before = n == 0 ? Optional.empty() : Optional.of(stages.get(n - 1));
            everything.add(placed(stages.get(n), before, rails));
        }
        everything.addAll(parts);
        return Chassis.blank(
                        chassis.id(), chassis.identity(), new Supply(Arrangement.BATTERY, battery, 0, "", Extra.NONE))
                .withChart(InferredParts.chart(chassis.chart().orElseThrow(), everything, battery, reference))
                .withParts(everything);
    }

    /** Rails behind a pole of the battery: volts that two collectors and more share. */
    private List<Rail> rails() {
        List<Rail> rails = new ArrayList<>();
        List<Stage> left = new ArrayList<>(stages.stream()
                .filter(s -> !isOn(s, to(s)))
                .sorted(Comparator.comparingDouble((Stage s) -> -height(s, s.vc())))
                .toList());
        while (!left.isEmpty()) {
            Stage first = left.get(0);
            Rail rail = new Rail("rail " + first.net(first.c()), first.vc());
            if (left.stream().filter(s -> isOn(s, rail)).count() > 1) rails.add(rail);
            left.removeIf(s -> isOn(s, rail));
        }
        return rails;
    }

    /** How far volts lie from the rail of a transistor's emitter. */
    private double height(Stage s, double volts) {
        return Math.abs(volts - from(s).volts());
    }

    private boolean isOn(Stage s, Rail rail) {
        return Math.abs(s.vc() - rail.volts()) <= ALIKE * height(s, rail.volts());
    }

    /** Puts the parts about a transistor in, and gives it its nets. */
    private Part placed(Stage s, Optional<Stage> before, List<Rail> rails) {
        Rail near = from(s);
        Rail far = rails.stream()
                .filter(r -> height(s, r.volts()) >= (1 - ALIKE) * height(s, s.vc()))
                .reduce((a, b) -> b)
                .orElse(to(s));
        boolean lifted = Math.abs(s.ve() - near.volts()) >= ON;
        if (lifted) {
            double ohms = Math.abs(s.ve() - near.volts()) / USUAL;
            add(s, s.e(), Place.Kind.EMITTER_RESISTOR, InferredParts.resistor(ohms), s.net(s.e()), near.net());
            add(s, s.e(), Place.Kind.EMITTER_BYPASS, InferredParts.electrolytic(), s.net(s.e()), near.net());
        }
        double load = Math.abs(far.volts() - s.vc()) / USUAL;
        add(
                s,
                s.c(),
                load < LOAD ? Place.Kind.COLLECTOR_WINDING : Place.Kind.COLLECTOR_LOAD,
                InferredParts.resistor(load),
                s.net(s.c()),
                far.net());
        Optional<Stage> direct = before.filter(b -> Math.abs(b.vc() - s.vb()) < ON && Math.abs(b.vc()) > ON);
        String base = direct.map(b -> b.net(b.c())).orElse(s.net(s.b()));
        if (direct.isEmpty()) divided(s, base, near, far, before);
        Map<String, String> nets = new LinkedHashMap<>();
        nets.put(s.e(), lifted ? s.net(s.e()) : near.net());
        nets.put(s.b(), base);
        nets.put(s.c(), s.net(s.c()));
        return s.part().withNets(nets);
    }

    /** A base on its divider, to which the collector before leads through a capacitor or a transformer. */
    private void divided(Stage s, String base, Rail near, Rail far, Optional<Stage> before) {
        double amperes = USUAL / s.law().forward();
        double lower = Math.max(ON, Math.abs(s.vb() - near.volts())) / (STANDING * amperes);
        double upper = Math.max(ON, Math.abs(far.volts() - s.vb())) / ((STANDING + 1) * amperes);
        add(s, s.b(), Place.Kind.BASE_RETURN, InferredParts.resistor(lower), base, near.net());
        add(s, s.b(), Place.Kind.BASE_FEED, InferredParts.resistor(upper), base, far.net());
        before.ifPresent(b -> {
            boolean loaded = parts.stream()
                    .anyMatch(p -> p.touches(b.net(b.c()))
                            && Place.named(p.reference())
                                    .filter(x -> x.kind() == Place.Kind.COLLECTOR_LOAD)
                                    .isPresent());
            add(
                    s,
                    s.b(),
                    loaded ? Place.Kind.BASE_COUPLING : Place.Kind.BASE_TRANSFORMER,
                    loaded ? InferredParts.electrolytic() : InferredParts.mica(),
                    b.net(b.c()),
                    base);
            // the cold end of a winding is bypassed
            if (!loaded) add(s, s.b(), Place.Kind.BASE_BYPASS, InferredParts.electrolytic(), base, near.net());
        });
    }

    private void add(Stage at, String pin, Place.Kind kind, Component component, String one, String other) {
        Part own = InferredParts.part(new Place(kind, at.part().reference(), pin).reference(), component, one, other);
        String net = at.net(pin);
        parts.add(entered.at(kind, net, one.equals(net) ? other : one, parts)
                .map(e -> e.withNets(own.nets()))
                .orElse(own));
    }
}
