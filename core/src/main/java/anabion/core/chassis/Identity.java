package anabion.core.chassis;

import anabion.core.json.Extra;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.OptionalInt;

/** Who made it, what it is called, and when; the year with the reason for the estimate. */
@RecordBuilder
@RecordBuilder.Options(addClassRetainedGenerated = true)
public record Identity(
        String maker,
        String model,
        String chassisCode,
        String serial,
        OptionalInt year,
        String yearReason,
        SetKind kind,
        Extra extra)
        implements IdentityBuilder.With {
    /** An identity of which only this much is known. */
    public static Identity of(String maker, String model, SetKind kind) {
        return new Identity(maker, model, "", "", OptionalInt.empty(), "", kind, Extra.NONE);
    }

    /** Maker and model as one name. */
    public String name() {
        return (maker + " " + model).strip();
    }
}
