package anabion.core.chassis;

import anabion.core.json.Extra;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

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
    }

    /** The usual name of the net of the metal chassis, to which iron cores and cans are bolted. */
    public static final String METAL = "CHASSIS";

    private static final String NEGATIVE = "B-";
    private static final String EARTH = "EARTH";

    /** A set about which nothing is known but its name and how it is fed. */
    public static Chassis blank(UUID id, Identity identity, Supply supply) {
        return new Chassis(
                id, identity, supply, List.of(), List.of(), List.of(), Optional.empty(), List.of(), Extra.NONE);
    }

    public String name() {
        return identity.name();
    }

    /** The net that everything is measured against: the chart's, else the metal, else another usual one, else that of the first part. */
    public String reference() {
        return reference(parts, chart);
    }

    /** Whether a net is one of those to which the circuit returns in sets that have another reference. */
    public static boolean isReturn(String net) {
        return net.equals(EARTH) || net.equals(NEGATIVE);
    }

    private static String reference(List<Part> parts, Optional<Chart> chart) {
        String charted = chart.map(c -> c.conditions().reference()).orElse(METAL);
        for (String net : List.of(charted, METAL, NEGATIVE, EARTH))
            if (parts.stream().anyMatch(p -> p.touches(net))) return net;
        return parts.stream()
                .flatMap(p -> p.nets().values().stream())
                .findFirst()
                .orElse(METAL);
    }

    public Optional<Part> part(String reference) {
        return parts.stream().filter(p -> p.reference().equals(reference)).findFirst();
    }

    public Optional<Stage> stage(String name) {
        return stages.stream().filter(s -> s.name().equals(name)).findFirst();
    }

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

    public Chassis withStages(List<Stage> newStages, List<Band> newBands) {
        return withStages(newStages).withBands(newBands);
    }

    public Chassis withChart(Chart newChart) {
        return withChart(Optional.of(newChart));
    }
}
