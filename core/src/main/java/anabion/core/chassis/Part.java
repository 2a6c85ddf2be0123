package anabion.core.chassis;

import anabion.core.chassis.Component.Device;
import anabion.core.json.Extra;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;

/**
 * One part of the chassis.
 *
 * @param reference the label on the drawing, unique in the chassis
 * @param nets terminal to net, in terminal order; terminals are pins for devices, 1 and 2 for simple parts
 * @param roleText what it does, in words for people: no rule reads them; empty when not stated
 * @param printed the value as the list prints it; empty when not stated
 * @param assigned the role by which rules know it; empty where nobody picked one and nothing shows it
 * @param make letters, colour or shape by which its maker marked it, the same for all parts of that make; empty when not seen
 */
@RecordBuilder
@RecordBuilder.Options(addClassRetainedGenerated = true)
public record Part(
        UUID id,
        String reference,
        Component component,
        Map<String, String> nets,
        String roleText,
        Optional<AssignedRole> assigned,
        String printed,
        String make,
        Provenance provenance,
        String note,
        Extra extra)
        implements PartBuilder.With {
    public Part {
        nets = Collections.unmodifiableMap(new LinkedHashMap<>(nets));
    }

    /** One that nobody entered, of which nothing but this is known. */
    public static Part inferred(UUID id, String reference, Component component, Map<String, String> nets) {
        return new Part(
                id, reference, component, nets, "", Optional.empty(), "", "", Provenance.INFERRED, "", Extra.NONE);
    }

    /** The part as a tube or semiconductor; empty for another part. */
    public Optional<Device> device() {
        return component instanceof Device d ? Optional.of(d) : Optional.empty();
    }

    /** What it does, as far as rules know. */
    public Optional<PartRole> role() {
        return assigned.map(AssignedRole::role);
    }

    /** Whether a person or the circuit gave it this role. */
    public boolean is(PartRole role) {
        return assigned.filter(r -> r.role() == role).isPresent();
    }

    /** Whether any terminal is on the net. */
    public boolean touches(String net) {
        return nets.containsValue(net);
    }

    /** Whether it is a tube. */
    public boolean isTube() {
        return device().filter(d -> d.deviceKind() == DeviceKind.TUBE).isPresent();
    }

    /** Whether it joins the two nets. */
    public boolean joins(String one, String other) {
        return touches(one) && touches(other) && !one.equals(other);
    }

    /** With another value, and what is printed on it. */
    public Part withValue(Component other, String print) {
        return withComponent(other).withPrinted(print);
    }

    /** Under another reference, on other nets by terminal. */
    public Part withReference(String newReference, Map<String, String> newNets) {
        return withReference(newReference).withNets(newNets);
    }
}
