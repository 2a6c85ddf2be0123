package anabion.core.chassis;

import anabion.core.json.Extra;
import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * How the set is fed.
 *
 * @param volts nominal mains or battery volts
 * @param hertz mains frequency, {@link #LEAST_HERTZ} to {@link #MOST_HERTZ} where a file is read; 0 for direct current
 */
@RecordBuilder
@RecordBuilder.Options(addClassRetainedGenerated = true)
public record Supply(Arrangement arrangement, double volts, double hertz, String note, Extra extra)
        implements SupplyBuilder.With {
    /** Below the 16⅔ Hz of railways. */
    public static final double LEAST_HERTZ = 10;

    /** Above the 400 Hz of ships and aircraft. */
    public static final double MOST_HERTZ = 1000;
}
