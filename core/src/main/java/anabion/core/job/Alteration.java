package anabion.core.job;

import anabion.core.chassis.PartLead;
import anabion.core.chassis.Renames;
import anabion.core.json.Extra;
import java.time.Instant;
import java.util.UUID;

/**
 * One thing done to one part: lifted, removed, renewed, … with the new value or the reason as detail.
 *
 * @param part its reference, or a lead's name ({@code C18.1}); empty where it concerns the whole set
 */
public record Alteration(UUID id, Instant at, String part, AlterationKind kind, String detail, Extra extra) {
    /** The reference of the part, where one of its leads is named. */
    public String owner() {
        return PartLead.owner(part);
    }

    /** After a part got another reference. */
    Alteration renamed(String from, String to) {
        return new Alteration(id, at, Renames.owned(part, from, to), kind, detail, extra);
    }

    /** Whether it concerns a part. */
    public boolean concerns(String reference) {
        return owner().equals(reference) || kind == AlterationKind.CAME_BACK;
    }
}
