package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Locale;
import java.util.Optional;

/**
 * A place in a set of which only the line-up is known.
 *
 * @param device reference of the tube that it belongs to
 * @param pin of the tube, where it is
 */
public record Place(Kind kind, String device, String pin) {
    private static final char AT = '@';
    private static final char PIN = '/';

    /** What sits there. */
    public enum Kind implements Coded {
        /** The source of all that is fed: a battery that stands for line, transformer and rectifier. */
        SUPPLY,
        /** The rectifier and what is in series with it. */
        RECTIFIER,
        /** What feeds the highest rail of a set without a rectifier. */
        FEED,
        /** A heater of a chain, without which nothing else is fed. */
        HEATER,
        RESERVOIR,
        /** Between one rail and the next. */
        FILTER,
        SMOOTHING,
        PLATE_LOAD,
        /** A transformer's or coil's winding between a rail and a plate. */
        PLATE_WINDING,
        /** Of a plate that is fed through a winding. */
        DECOUPLING,
        SCREEN_FEED,
        SCREEN_BYPASS,
        CATHODE_RESISTOR,
        CATHODE_BYPASS,
        GRID_LEAK,
        /** From a plate before. */
        COUPLING,
        /** Of the transformer before a grid, or a capacitor in its can: from the plate before. */
        TRANSFORMER,
        /** What makes a grid negative. */
        BIAS,
        /** What keeps a converter swinging. */
        OSCILLATOR,
        /** Of a transistor set, with its leads and switch. */
        BATTERY,
        EMITTER_RESISTOR,
        EMITTER_BYPASS,
        /** Of a base's divider what comes from the collector's rail. */
        BASE_FEED,
        /** Of a base's divider what goes to the emitter's rail. */
        BASE_RETURN,
        /** Where the signal comes through a winding. */
        BASE_BYPASS,
        COLLECTOR_LOAD,
        /** A transformer's or coil's winding between a rail and a collector. */
        COLLECTOR_WINDING,
        /** From a collector before. */
        BASE_COUPLING,
        /** Of the transformer before a base, or a capacitor in its can: from the collector before. */
        BASE_TRANSFORMER;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** What its part is called in an inferred circuit: no part of a set can be called so. */
    public String reference() {
        return kind.code() + AT + device + PIN + pin;
    }

    /** The place that a part of an inferred circuit stands for; empty for a part of a set. */
    public static Optional<Place> named(String reference) {
        int at = reference.indexOf(AT);
        int pin = reference.indexOf(PIN);
        if (at < 0 || pin < at) return Optional.empty();
        return Coded.find(Kind.values(), reference.substring(0, at))
                .map(k -> new Place(k, reference.substring(at + 1, pin), reference.substring(pin + 1)));
    }

    /** The tube at which a part of a set, or of an inferred circuit, is to be found. */
    public static String owner(String reference) {
        return named(reference).map(Place::device).orElse(reference);
    }
}
