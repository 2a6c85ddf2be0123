package anabion.core.lineup;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.Place;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import java.util.List;
import java.util.Optional;

/** Parts of a set that are entered before its circuit is whole: each takes the place at which it sits. */
record EnteredParts(Chassis chassis) {
    /**
     * The part at a place.
     *
     * @param pin the point at whose pin the place is, such as {@code V4.1}
     * @param far the point, or the net, that its other end is expected on
     * @param taken those that have a place already
     */
    Optional<Part> at(Place.Kind kind, String pin, String far, List<Part> taken) {
        Points points = Points.of(chassis);
        Optional<String> here = points.find(pin).map(Point::net);
        if (here.isEmpty()) return Optional.empty();
        String net = here.get();
        String other = points.find(far).map(Point::net).orElse(far);
        return chassis.parts().stream()
                .filter(p -> p.touches(net) && p.nets().size() == 2)
                .filter(p -> taken.stream().noneMatch(t -> t.reference().equals(p.reference())))
                .filter(p -> fits(kind, p, net, other))
                .findFirst();
    }

    private boolean fits(Place.Kind kind, Part p, String net, String far) {
        boolean resistor = p.component() instanceof Component.Resistor;
        boolean capacitor = p.component() instanceof Component.Capacitor;
        boolean grounded = p.joins(net, chassis.reference());
        return switch (kind) {
            case PLATE_LOAD, SCREEN_FEED -> resistor && !grounded;
            case CATHODE_RESISTOR, GRID_LEAK -> resistor && (grounded || p.joins(net, far));
            case SCREEN_BYPASS, CATHODE_BYPASS -> capacitor && grounded;
            case COUPLING, BASE_COUPLING -> capacitor && p.joins(net, far);
            case COLLECTOR_LOAD, EMITTER_RESISTOR, BASE_FEED, BASE_RETURN ->
                resistor && grounded == far.equals(chassis.reference());
            case EMITTER_BYPASS, BASE_BYPASS -> capacitor && grounded == far.equals(chassis.reference());
            case RESERVOIR -> capacitor && grounded;
            case SUPPLY,
                    RECTIFIER,
                    FEED,
                    HEATER,
                    FILTER,
                    SMOOTHING,
                    PLATE_WINDING,
                    DECOUPLING,
                    TRANSFORMER,
                    BIAS,
                    OSCILLATOR,
                    BATTERY,
                    COLLECTOR_WINDING,
                    BASE_TRANSFORMER -> false;
        };
    }
}
