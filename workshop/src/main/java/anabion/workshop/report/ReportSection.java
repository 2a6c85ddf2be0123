package anabion.workshop.report;

import anabion.core.json.Coded;
import java.util.Locale;

/** A part of a report that may be left out. What was wrong, what was done, safety, and what to know are in every one. */
public enum ReportSection implements Coded {
    COVER,
    VOLTAGES,
    POWER,
    ALIGNMENT,
    RECEPTION,
    SOAK,
    CASE,
    PICTURES,
    /** Which wire goes where, as it was drawn on photos and written down while taking apart. */
    WIRES,
    CIRCUIT,
    /** What this specimen reads in good order. */
    CHART,
    COST,
    SIGNATURES;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
