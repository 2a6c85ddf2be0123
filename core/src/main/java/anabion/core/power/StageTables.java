package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.Winding;
import anabion.core.error.InputException;
import anabion.core.job.PowerStage;
import anabion.core.power.StageTable.Row;
import anabion.core.power.StageTable.What;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Series;
import anabion.core.recap.CapacitorSection;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.supply.AcSupply;
import anabion.core.text.Phrase;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.Predicate;

/**
 * The stages before the whole set: with the tubes out, the set is solved as it then is. What a set cannot do is left out with its reason: filaments in one chain
 * are all dark when one is out, and what is soldered in stays in.
 */
public final class StageTables {
    /** Of the nominal line, for a rectifier on its test load. */
    private static final double[] SHARES = {0.5, 0.75, 1};

    private static final double[] FULL = {1};
    /** Winding without load, meter and line. */
    private static final double WINDING = 0.06;
    /** Rectifier, load and meter. */
    private static final double RAIL = 0.1;
    /** The line. */
    private static final double LINE = 0.025;
    /** A usual meter's ohms. */
    private static final double METER = 10e6;

    private static final double BATTERY = 0.1;
    /** A filament of 1.4 V burns short at 1.7 V. */
    private static final double LEAST_OF_CELLS = 0.05;

    private static final double LEAST_VOLTS = 0.3;
    private static final double CURRENT = 0.3;
    private static final double LEAST_AMPERES = 0.02;
    /** Watts that a cheap meter may be off. */
    private static final double LEAST_WATTS = 1;
    /** Iron of one make takes half of, or twice, what another's does. */
    private static final double IRON = 2;
    /** Volts below which a winding, or a socket, is fed by nothing. */
    private static final double FED = 0.05;
    /** A rectifier that has less of its heater's watts than this is in a chain with tubes that are out. */
    private static final double HEATED = 0.7;

    private static final UUID TEST_LOAD = UUID.nameUUIDFromBytes("test load".getBytes(StandardCharsets.UTF_8));

    private final Simulator engine = new Simulator();
    private final Chassis chassis;
    private final PowerModel model;
    private final PlanKind kind;
    private final OperatingPoint full;
    private final Set<String> rectifiers = new TreeSet<>();

    private StageTables(Chassis chassis, PowerModel model) {
        this.chassis = chassis;
        this.model = model;
        this.kind = PlanKind.of(chassis);
        this.full = engine.solve(chassis, Setting.fed(chassis));
        full.rectifiers().values().forEach(rectifiers::addAll);
    }

    /**
     * Those of a set, in their order, with those that it leaves out.
     *
     * @param load ohms of the resistor in hand; empty for the one that loads the rail like the set
     * @throws InputException if what feeds the set is not entered
     */
    public static List<StageTable> of(Chassis chassis, PowerModel model, Optional<Double> load) {
        StageTables tables = new StageTables(chassis, model);
        List<StageTable> all = new ArrayList<>();
        if (!tables.kind.usesMains()) all.add(StageTable.of(PowerStage.POLARITY, tables.poles()));
        else all.add(tables.transformer());
        tables.filaments().ifPresent(all::add);
        if (tables.kind.usesMains()) all.add(tables.loaded(PowerStage.RECTIFIER, load));
        if (tables.kind == PlanKind.VIBRATOR) all.add(tables.loaded(PowerStage.VIBRATOR_ALONE, load));
        all.removeIf(t -> t.rows().isEmpty() && t.skipped().isEmpty());
        return List.copyOf(all);
    }

    /**
     * The tubes that are out of their sockets in a stage.
     *
     * @return references; none where all are in
     */
    public static List<String> out(Chassis chassis, PowerStage stage) {
        return switch (stage) {
            case POLARITY, WHOLE_SET -> List.of();
            case TRANSFORMER, FILAMENTS ->
                chassis.parts().stream()
                        .filter(Part::isTube)
                        .map(Part::reference)
                        .toList();
            case RECTIFIER, VIBRATOR_ALONE -> {
                StageTables tables = new StageTables(chassis, PowerModel.sound(chassis));
                yield chassis.parts().stream()
                        .filter(p -> p.isTube() && !tables.rectifiers.contains(p.reference()))
                        .map(Part::reference)
                        .toList();
            }
        };
    }

    private Chassis without(Predicate<Part> out) {
        return chassis.withParts(chassis.parts().stream().filter(out.negate()).toList());
    }

    private OperatingPoint solved(Chassis bare, double line) {
        return engine.solve(bare, Setting.fed(chassis).withLine(line));
    }

    private static Row about(What what, String point, String against, double line, double expected, double share) {
        return within(what, point, against, line, expected, Math.max(LEAST_VOLTS, share * Math.abs(expected)));
    }

    /** Of a battery, or a filament on it: a tenth either way, and what a meter may be off. */
    private static Row battery(String point, String against, double line, double expected) {
        double half = Math.max(LEAST_OF_CELLS, BATTERY * Math.abs(expected));
        return within(What.DIRECT_VOLTS, point, against, line, expected, half);
    }

    private static Row within(What what, String point, String against, double line, double expected, double half) {
        return new Row(what, point, against, line, expected, expected - half, expected + half);
    }

    // --- at the open lead ---

    private List<Row> poles() {
        List<Row> all = new ArrayList<>();
        for (Part p : chassis.parts())
            if (p.component() instanceof Component.Battery b && b.volts() > 0) all.add(pole(p, b.volts()));
        return all;
    }

    /** Against the reference where it is one of the poles, whichever it is. */
    private Row pole(Part battery, double volts) {
        String plus = battery.nets().getOrDefault("1", "");
        String minus = battery.nets().getOrDefault("2", "");
        boolean plusIsReference = chassis.returns().contains(plus);
        return plusIsReference
                ? battery(minus, plus, model.nominal(), -volts)
                : battery(plus, minus, model.nominal(), volts);
    }

    // --- transformer alone ---

    private StageTable transformer() {
        List<Part> wound = chassis.parts().stream()
                .filter(p -> p.component() instanceof Component.Windings w && w.isMainsTransformer())
                .toList();
        if (wound.isEmpty() || kind == PlanKind.DC_MAINS)
            return StageTable.without(PowerStage.TRANSFORMER, Phrase.of("power.stage.no-transformer"));
        List<String> soldered = rectifiers.stream()
                .filter(r -> chassis.part(r).filter(Part::isTube).isEmpty())
                .toList();
        if (!soldered.isEmpty())
            return StageTable.without(
                    PowerStage.TRANSFORMER, Phrase.of("power.stage.soldered", String.join(", ", soldered)));
        OperatingPoint o = solved(without(Part::isTube), model.nominal());
        if (!o.converged() || o.mains().isEmpty())
            return StageTable.without(PowerStage.TRANSFORMER, Phrase.of("power.stage.unsolved"));
        List<Row> rows = new ArrayList<>();
        for (Part p : wound) windings(p, o, rows);
        rows.add(noLoad(o.wattsFromMains()));
        rows.add(new Row(
                What.WARMTH,
                wound.get(0).reference(),
                "",
                model.nominal(),
                Warmth.WARM.ordinal(),
                Warmth.COOL.ordinal(),
                Warmth.WARM.ordinal()));
        return StageTable.of(PowerStage.TRANSFORMER, rows);
    }

    private void windings(Part transformer, OperatingPoint o, List<Row> rows) {
        Set<String> line = Line.of(chassis);
        for (Winding w : ((Component.Windings) transformer.component()).windings()) {
            String from = transformer.nets().getOrDefault(w.from(), "");
            String to = transformer.nets().getOrDefault(w.to(), "");
            boolean primary = line.contains(from) && line.contains(to);
            if (primary || from.isEmpty() || to.isEmpty()) continue;
            double volts = Math.abs(o.mains().orElseThrow().volts(from).orElse(0)
                    - o.mains().orElseThrow().volts(to).orElse(0));
            if (volts < FED) continue;
            String name = transformer.reference() + ".";
            rows.add(about(What.ALTERNATING_VOLTS, name + w.from(), name + w.to(), model.nominal(), volts, WINDING));
        }
    }

    /** Pilot lamps, and what the iron takes. */
    private Row noLoad(double lamps) {
        double iron = model.iron();
        return new Row(
                What.WATTS,
                "",
                "",
                model.nominal(),
                lamps + iron,
                Math.max(0, lamps + iron / IRON - LEAST_WATTS),
                lamps + iron * IRON + LEAST_WATTS);
    }

    // --- filaments ---

    /** Of tubes that batteries or rails heat: empty for a set without such tubes. */
    private Optional<StageTable> filaments() {
        List<Part> fed = chassis.parts().stream()
                .filter(this::isPulled)
                .filter(p -> full.heaterWatts(p.reference()) > 0)
                .filter(p -> !kind.usesMains() || !full.heatedByMains(p.reference()))
                .toList();
        if (fed.isEmpty()) return Optional.empty();
        Chassis bare = without(p -> AcSupply.vibrates(p) || isPulled(p));
        OperatingPoint o = solved(bare, model.nominal());
        if (!o.converged())
            return Optional.of(StageTable.without(PowerStage.FILAMENTS, Phrase.of("power.stage.unsolved")));
        Optional<Over> over = overVolts(o);
        if (over.isPresent())
            return Optional.of(
                    StageTable.without(PowerStage.FILAMENTS, over.get().with("power.stage.filaments-over")));
        List<Row> rows = new ArrayList<>();
        for (Part p : fed) filament(p, bare).ifPresent(rows::add);
        return Optional.of(
                rows.isEmpty()
                        ? StageTable.without(PowerStage.FILAMENTS, Phrase.of("power.stage.filaments-chain"))
                        : StageTable.of(PowerStage.FILAMENTS, rows));
    }

    private boolean isPulled(Part p) {
        return p.isTube() && !rectifiers.contains(p.reference());
    }

    /**
     * The two pins of a socket between which a meter shows most: the ends, or an end and the tap. None where it shows nothing, as in a chain that is open:
     * the meter itself pulls a net that hangs on nothing to its other probe.
     */
    private Optional<Row> filament(Part tube, Chassis bare) {
        List<String> pins = Sockets.heaterPins(tube);
        Optional<Row> most = Optional.empty();
        for (String a : pins)
            for (String b : pins) {
                double volts =
                        a.equals(b) ? 0 : shown(tube.nets().get(a), tube.nets().get(b), bare);
                if (volts < FED || volts <= most.map(Row::expected).orElse(0.0)) continue;
                String name = tube.reference() + ".";
                most = Optional.of(battery(name + a, name + b, model.nominal(), volts));
            }
        return most;
    }

    private double shown(String net, String against, Chassis bare) {
        if (net.equals(against)) return 0;
        OperatingPoint o = solved(joined(bare, net, against, METER), model.nominal());
        return o.volts(net).orElse(0) - o.volts(against).orElse(0);
    }

    // --- the rail on a resistor ---

    private StageTable loaded(PowerStage stage, Optional<Double> inHand) {
        Optional<Rail> rail = model.rail().filter(r -> model.rectified());
        if (rail.isEmpty()) return StageTable.without(stage, Phrase.of("power.stage.no-rectifier"));
        if (chassis.parts().stream().noneMatch(this::isPulled))
            return StageTable.without(stage, Phrase.of("power.stage.no-tubes"));
        OperatingPoint unloaded = solved(without(this::isPulled), model.nominal());
        for (String r : rectifiers)
            if (unloaded.heaterWatts(r) < HEATED * full.heaterWatts(r))
                return StageTable.without(stage, Phrase.of("power.stage.chain", r));
        double ohms = inHand.orElseGet(() -> likeTheSet(rail.get()));
        return loaded(
                stage,
                rail.get(),
                ohms,
                joined(without(this::isPulled), rail.get().net(), rail.get().foot(), ohms));
    }

    private StageTable loaded(PowerStage stage, Rail rail, double ohms, Chassis bare) {
        List<Row> rows = new ArrayList<>();
        double volts = 0;
        for (double share : stage == PowerStage.VIBRATOR_ALONE ? FULL : SHARES) {
            double line = share * model.nominal();
            OperatingPoint o = solved(bare, line);
            if (!o.converged()) return StageTable.without(stage, Phrase.of("power.stage.unsolved"));
            if (stage == PowerStage.VIBRATOR_ALONE) rows.add(amperes(SupplyCurve.point(bare, line, o, model.rails())));
            volts = rail.volts(o);
            // where the rectifier begins to emit, a little line makes much
            double steep = 2 * Math.abs(rail.volts(solved(bare, line * (1 + LINE))) - volts);
            double half = Math.max(LEAST_VOLTS, Math.hypot(RAIL * volts, steep));
            rows.add(within(What.DIRECT_VOLTS, rail.net(), rail.foot(), line, volts, half));
            Optional<Over> over = overVolts(o);
            if (over.isPresent())
                return StageTable.without(
                        stage, over.get().with("power.stage.load-over", Figures.si(Quantity.ohms(ohms), 2)));
        }
        return new StageTable(stage, ohms, volts * volts / ohms, rows, Optional.empty());
    }

    private static Row amperes(SupplyPoint p) {
        double half = Math.max(LEAST_AMPERES, CURRENT * p.amperes());
        return new Row(
                What.AMPERES, "", "", p.volts(), p.amperes(), Math.max(0, p.amperes() - half), p.amperes() + half);
    }

    /** The nearest standard resistor that draws what the set draws. */
    private double likeTheSet(Rail rail) {
        double amperes = full.supplies().get(rail.net()).amperes();
        return Series.E12.nearest(Math.abs(rail.volts(full)) / Math.max(amperes, 1e-6));
    }

    private static Chassis joined(Chassis bare, String net, String against, double ohms) {
        Part resistor = Part.inferred(
                TEST_LOAD, "TEST-LOAD", new Component.Resistor(ohms, 0, 0), Map.of("1", net, "2", against));
        List<Part> parts = new ArrayList<>(bare.parts());
        parts.add(resistor);
        return bare.withParts(parts);
    }

    // --- what bears more than it is rated for with the tubes out ---

    /** A capacitor that stands above its rating. */
    private record Over(String capacitor, double volts, double rating) {
        Phrase with(String key, Object... more) {
            List<Object> all = new ArrayList<>(List.of(capacitor, Figures.volts(volts), Figures.volts(rating)));
            all.addAll(List.of(more));
            return Phrase.of(key, all.toArray());
        }
    }

    private Optional<Over> overVolts(OperatingPoint o) {
        return CapacitorSection.of(chassis).stream()
                .filter(c -> c.rating() > 0)
                .map(c -> new Over(
                        c.key(),
                        Math.abs(
                                o.volts(c.plus()).orElse(0) - o.volts(c.minus()).orElse(0)),
                        c.rating()))
                .filter(c -> c.volts() > c.rating())
                .max(Comparator.comparingDouble(c -> c.volts() / c.rating()));
    }
}
