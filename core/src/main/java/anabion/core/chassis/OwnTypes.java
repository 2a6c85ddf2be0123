package anabion.core.chassis;

import anabion.core.chassis.Component.Device;
import anabion.core.device.DeviceLibrary;
import anabion.core.device.DeviceType;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Brings a chassis into line with a workshop's own library: each tube and transistor carries the figures that differ from the shipped ones. */
public final class OwnTypes {
    private OwnTypes() {}

    /**
     * The chassis with the figures of a library. What a set brought along itself, and neither library has, stays.
     *
     * @param before the library that held until now
     */
    public static Chassis dress(Chassis chassis, DeviceLibrary before, DeviceLibrary now) {
        List<Part> parts = new ArrayList<>();
        for (Part p : chassis.parts())
            parts.add(p.device().map(d -> dress(p, d, before, now)).orElse(p));
        return parts.equals(chassis.parts()) ? chassis : chassis.withParts(parts);
    }

    private static Part dress(Part part, Device d, DeviceLibrary before, DeviceLibrary now) {
        Optional<DeviceType> own = now.own(d.type());
        if (own.isEmpty() && before.own(d.type()).isEmpty()) return part;
        Optional<DeviceType> was = d.known();
        Optional<DeviceType> is = own.or(() -> now.find(d.type()));
        // pins that someone entered by hand are theirs; pins that came from a library follow it
        boolean follows = d.functions().isEmpty()
                || was.filter(t -> t.functions().equals(d.functions())).isPresent();
        Device dressed = is.isPresent() && follows
                ? new Device(
                        d.deviceKind(),
                        d.type(),
                        is.get().base().code(),
                        is.get().functions(),
                        own)
                : new Device(d.deviceKind(), d.type(), d.base(), d.functions(), own);
        return part.withComponent(dressed);
    }
}
