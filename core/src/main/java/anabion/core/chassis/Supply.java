package anabion.core.chassis;

import anabion.core.json.Extra;
import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * How the set is fed.
 *
 * @param volts nominal mains or battery volts
 * @param hertz mains frequency; 0 for direct current
 */
@RecordBuilder
@RecordBuilder.Options(addClassRetainedGenerated = true)
public record Supply(Arrangement arrangement, double volts, double hertz, String note, Extra extra)
        implements SupplyBuilder.With {}
