package anabion.core.chassis;

import anabion.core.json.Extra;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;

/** A receiver as designed. Parts without a role have the one that the circuit shows, if it shows one. */
@RecordBuilder
@RecordBuilder.Options(addClassRetainedGenerated = true)
public record Chassis(
        UUID id,
        Identity identity,
        Supply supply,
        List<Part> parts,
        List<Stage> stages,
        List<Band> bands,
        Optional<Chart> chart,
        List<Adjuster> adjusters,
        List<ServiceLine> serviceTable,
        Extra extra)
        implements ChassisBuilder.With {
    /** The version of the file format that this release writes; it reads this one and older ones. */
    public static final int FORMAT = 1;

    public Chassis {
        parts = CircuitRoles.complete(
                parts, reference(parts, chart), bands.stream().anyMatch(b -> b.kind() == BandKind.FM));
        stages = List.copyOf(stages);
        bands = List.copyOf(bands);
        adjusters = List.copyOf(adjusters);
        serviceTable = List.copyOf(serviceTable);
    }

    /** The usual name of the net of the metal chassis, to which iron cores and cans are bolted. */
    public static final String METAL = "CHASSIS";

    /** Terminals from which a net with a cathode on it is what the circuit returns to. */
    private static final int MANY = 6;

    private static final String NEGATIVE = "B-";
    private static final String EARTH = "EARTH";

    /** A set about which nothing is known but its name and how it is fed. */
    public static Chassis blank(UUID id, Identity identity, Supply supply) {
        return new Chassis(
                id,
                identity,
                supply,
                List.of(),
                List.of(),
                List.of(),
                Optional.empty(),
                List.of(),
                List.of(),
                Extra.NONE);
    }

    /** Maker and model. */
    public String name() {
        return identity.name();
    }

    /** The net that everything is measured against: the chart's, else the metal, else another usual one, else that with the most terminals. */
    public String reference() {
        return list().reference();
    }

    /** The nets to which the circuit returns, whatever it is measured against: the reference, and of the nets with a cathode or heater that with the most terminals. */
    public Set<String> returns() {
        return returns(parts, reference());
    }

    static Set<String> returns(List<Part> parts, String reference) {
        Set<String> cathodes = new LinkedHashSet<>();
        Map<String, Integer> terminals = new HashMap<>();
        for (Part p : parts) {
            for (String net : p.nets().values()) terminals.merge(net, 1, Integer::sum);
            p.device().ifPresent(d -> p.nets().forEach((pin, net) -> {
                String function = d.functions().getOrDefault(pin, "");
                if (PinNames.isCathode(function) || PinNames.isHeater(function)) cathodes.add(net);
            }));
        }
        Set<String> nets = new LinkedHashSet<>(Set.of(reference));
        cathodes.stream()
                .max(Comparator.comparingInt(terminals::get))
                .filter(n -> terminals.get(n) >= MANY)
                .ifPresent(nets::add);
        for (String net : terminals.keySet()) if (isReturn(net)) nets.add(net);
        return nets;
    }

    /** Whether a net is one of those to which the circuit returns in sets that have another reference. */
    public static boolean isReturn(String net) {
        return net.equals(EARTH) || net.equals(NEGATIVE);
    }

    private static String reference(List<Part> parts, Optional<Chart> chart) {
        String charted = chart.map(c -> c.conditions().reference()).orElse(METAL);
        for (String net : List.of(charted, METAL, NEGATIVE, EARTH))
            if (parts.stream().anyMatch(p -> p.touches(net))) return net;
        Map<String, Long> terminals = parts.stream()
                .flatMap(p -> p.nets().values().stream())
                .collect(Collectors.groupingBy(n -> n, LinkedHashMap::new, Collectors.counting()));
        long most = terminals.values().stream().mapToLong(n -> n).max().orElse(0);
        // where no two pins are joined yet, none of them is what is measured against
        return terminals.entrySet().stream()
                .filter(n -> n.getValue() == most && most > 1)
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(charted.isEmpty() ? METAL : charted);
    }

    /** Whether a car's battery feeds it. */
    public boolean inCar() {
        Arrangement a = supply.arrangement();
        return a == Arrangement.CAR_NEGATIVE
                || a == Arrangement.CAR_POSITIVE
                || (a == Arrangement.VIBRATOR && identity.kind() == SetKind.CAR);
    }

    /** By its reference, in the case in which it is written. */
    public Optional<Part> part(String reference) {
        return list().named(reference);
    }

    /** The parts on a net, in their order. */
    public List<Part> partsOn(String net) {
        return list().on(net);
    }

    private PartList list() {
        return (PartList) parts; // so it was made
    }

    /** By its name. */
    public Optional<Stage> stage(String name) {
        return stages.stream().filter(s -> s.name().equals(name)).findFirst();
    }

    /** By its name. */
    public Optional<Band> band(String name) {
        return bands.stream().filter(b -> b.name().equals(name)).findFirst();
    }

    /** The stage that owns a part. */
    public Optional<Stage> owner(String reference) {
        return stages.stream().filter(s -> s.parts().contains(reference)).findFirst();
    }

    /** The nets of the automatic volume control: those that its filter's capacitors hold. */
    public List<String> controlLines() {
        return parts.stream()
                .filter(p -> p.is(PartRole.AVC_FILTER) && p.component() instanceof Component.Capacitor)
                .flatMap(p -> p.nets().values().stream())
                .filter(n -> !n.equals(reference()))
                .distinct()
                .toList();
    }

    /** What of a set its circuit depends on: a set that is renamed computes as before. */
    public Chassis unnamed() {
        return withIdentity(Identity.of("", "", identity.kind()));
    }

    /** With other stages and bands. */
    public Chassis withStages(List<Stage> newStages, List<Band> newBands) {
        return withStages(newStages).withBands(newBands);
    }

    /** With another service chart. */
    public Chassis withChart(Chart newChart) {
        return withChart(Optional.of(newChart));
    }
}
