/**
 * What was done and what it showed: measurements that can be made, observations that were made, and how often parts of a kind failed in a workshop.
 *
 * <p>Law: a reading of another fitted state, or one in doubt, is no evidence.
 *
 * <p>Example: {@code Evidence.of(chassis, readings, job)}.
 */
package anabion.core.diagnosis.evidence;
