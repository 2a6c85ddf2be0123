package anabion.core.job;

import anabion.core.json.Extra;

/** What is wrong on one band or function (AM, pick-up, clock), as the owner or the first listen says. */
public record Complaint(String where, SymptomKind symptom, String note, Extra extra) {}
