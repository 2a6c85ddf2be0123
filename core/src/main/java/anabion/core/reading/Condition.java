package anabion.core.reading;

import anabion.core.chassis.MeterSpec;
import anabion.core.json.Extra;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;

/**
 * What held while a reading was taken.
 *
 * @param line mains or battery volts
 * @param meter with its range, where it has one
 * @param openEnds references of the parts that were disconnected
 */
@RecordBuilder
@RecordBuilder.Options(addClassRetainedGenerated = true)
public record Condition(
        double line,
        MeterSpec meter,
        String band,
        String volume,
        String signal,
        String dial,
        List<String> openEnds,
        Extra extra)
        implements ConditionBuilder.With {
    public Condition {
        openEnds = List.copyOf(openEnds);
    }

    /**
     * A warm set without a signal.
     *
     * @param line volts of the line or battery
     * @param band empty for the first
     */
    public static Condition of(double line, MeterSpec meter, String band) {
        return new Condition(line, meter, band, "", "", "", List.of(), Extra.NONE);
    }

    /** What the set hears, in the words of {@link #signal}. */
    public Optional<SignalLevel> level() {
        return SignalLevel.of(signal);
    }
}
