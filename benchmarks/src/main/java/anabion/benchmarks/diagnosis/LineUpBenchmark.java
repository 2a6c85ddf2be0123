package anabion.benchmarks.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Place;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.format.EvidenceCodec;
import anabion.core.lineup.LineUp;
import anabion.core.lineup.LineUpModel;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The cases of {@link ForeignCases} whose volts show them, weighed with nothing but the line-up and the chart: how often the place of the truth comes first. */
public final class LineUpBenchmark {
    private static final int IN_THREE = 3;

    private LineUpBenchmark() {}

    /** By set: cases, and of these the share whose place is first, and among the first three. Sets without a tube that has a charted plate are left out. */
    public static Map<String, Object> measure(boolean missed) {
        Map<String, Object> all = new LinkedHashMap<>();
        ForeignCases.sets().forEach((name, plain) -> {
            ForeignSet foreign = ForeignSet.of(name);
            LineUpModel.of(LineUp.alone(foreign.chassis(plain)), Priors.USUAL)
                    .ifPresent(model -> all.put(name, measure(name, plain, foreign, model, missed)));
        });
        return all;
    }

    private static Map<String, Object> measure(
            String name, Chassis plain, ForeignSet foreign, LineUpModel model, boolean missed) {
        int cases = 0;
        int first = 0;
        int inThree = 0;
        for (ForeignSet.Case c : foreign.cases()) {
            if (c.held() || c.truth().equals(ForeignSet.SOUND)) continue;
            List<Observation> whole = evidence(c, foreign.chassis(plain));
            List<Observation> here = model.restated(whole);
            if (!ForeignBenchmark.shown(foreign, whole, model::explains)) continue;
            cases++;
            Diagnosis d = model.diagnosis(here);
            int rank = rank(plain, c.truth(), d.singly());
            if (rank == 1) first++;
            if (rank > 0) inThree++;
            if (missed && rank != 1)
                System.err.println(name + " " + c.name() + " " + c.truth() + ": "
                        + d.singly().stream()
                                .limit(IN_THREE)
                                .map(s -> s.odds() + " " + s.causes())
                                .toList());
        }
        Map<String, Object> t = new LinkedHashMap<>();
        t.put("cases", cases);
        t.put("first", cases == 0 ? 0 : Math.rint(1e3 * first / cases) / 1e3);
        t.put("firstThree", cases == 0 ? 0 : Math.rint(1e3 * inThree / cases) / 1e3);
        return t;
    }

    private static List<Observation> evidence(ForeignSet.Case c, Chassis set) {
        try {
            return EvidenceCodec.read(new StringReader(c.evidence()), set);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static int rank(Chassis plain, String truth, List<RankedCause> causes) {
        Part part = plain.part(truth).orElseThrow();
        for (int n = 0; n < Math.min(IN_THREE, causes.size()); n++)
            if (causes.get(n).causes().stream()
                    .anyMatch(h -> holds(plain, h.from().get(0).part(), part))) return n + 1;
        return 0;
    }

    /** Whether a part is one that somebody would find at a place. */
    private static boolean holds(Chassis plain, String suspect, Part part) {
        Optional<Place> place = Place.named(suspect);
        if (place.isEmpty()) return suspect.equals(part.reference());
        Part tube = plain.part(place.get().device()).orElseThrow();
        Set<String> nets = near(plain, tube.nets().get(place.get().pin()));
        boolean there = part.nets().values().stream().anyMatch(nets::contains);
        boolean capacitor = part.component() instanceof Component.Capacitor;
        boolean passes = part.component() instanceof Component.Resistor
                || part.component() instanceof Component.Windings
                || part.component() instanceof Component.Potentiometer;
        return switch (place.get().kind()) {
            case RECTIFIER, FEED, SUPPLY, BATTERY -> part.equals(tube) || isOfMains(part) || (there && !capacitor);
            case HEATER -> part.equals(tube) || isOfMains(part);
            case RESERVOIR,
                    SMOOTHING,
                    DECOUPLING,
                    SCREEN_BYPASS,
                    CATHODE_BYPASS,
                    COUPLING,
                    EMITTER_BYPASS,
                    BASE_BYPASS,
                    BASE_COUPLING -> capacitor && there;
            case TRANSFORMER, BASE_TRANSFORMER ->
                there && (capacitor || part.component() instanceof Component.Windings);
            case FILTER,
                    PLATE_LOAD,
                    PLATE_WINDING,
                    SCREEN_FEED,
                    CATHODE_RESISTOR,
                    GRID_LEAK,
                    BIAS,
                    EMITTER_RESISTOR,
                    BASE_FEED,
                    BASE_RETURN,
                    COLLECTOR_LOAD,
                    COLLECTOR_WINDING -> passes && there;
            case OSCILLATOR -> part.role().filter(PartRole::isOfOscillator).isPresent() || there;
        };
    }

    private static boolean isOfMains(Part p) {
        return p.component() instanceof Component.Fuse
                || p.component() instanceof Component.Battery
                || p.component() instanceof Component.Switch
                || (p.component() instanceof Component.Windings w && w.isMainsTransformer());
    }

    /** The net of a pin, and what a winding leads to from there: a plate's decoupling lies behind its transformer. */
    private static Set<String> near(Chassis plain, String net) {
        Set<String> nets = new HashSet<>(Set.of(net));
        for (Part p : plain.parts())
            if (p.component() instanceof Component.Windings w && !w.isMainsTransformer())
                w.windings().forEach(x -> {
                    String from = p.nets().get(x.from());
                    String to = p.nets().get(x.to());
                    if (net.equals(from)) nets.add(to);
                    if (net.equals(to)) nets.add(from);
                });
        nets.remove(plain.reference());
        return nets;
    }
}
