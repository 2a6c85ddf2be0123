package anabion.core.job;

import anabion.core.json.Extra;

/**
 * What is wrong on one band or function (AM, pick-up, clock), as the owner or the first listen says.
 *
 * @param when it shows
 */
public record Complaint(String where, SymptomKind symptom, Circumstance when, String note, Extra extra) {
    /** One that always shows. */
    public Complaint(String where, SymptomKind symptom, String note, Extra extra) {
        this(where, symptom, Circumstance.ALWAYS, note, extra);
    }
}
