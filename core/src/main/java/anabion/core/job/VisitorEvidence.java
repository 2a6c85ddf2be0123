package anabion.core.job;

import anabion.core.json.Coded;
import java.util.Locale;

/** Traces of an earlier repairer. */
public enum VisitorEvidence implements Coded {
    FRESH_SOLDER,
    YOUNG_PARTS,
    WIRE_NUTS,
    SWITCHLESS_CONTROL,
    CRIMPED_OR_GLUED,
    SEAL_BROKEN;

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
