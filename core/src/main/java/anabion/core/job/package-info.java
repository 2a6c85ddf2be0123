/**
 * The job on one set: arrival, work order, what was altered, loose ends.
 *
 * <p>Idea: the chassis says what the set is; the {@link anabion.core.job.Job} says what has happened to it here. Alterations
 * are a list that only grows; the state a reading was taken in is "after alteration so-and-so"
 * ({@link anabion.core.job.FittedState}).
 *
 * <p>Laws: a step's state is derived where it can be ({@link anabion.core.job.WorkOrder}); a loose end vanishes only by the
 * alteration that mends it.
 *
 * <p>Example: after {@code lifted R14} the work order shows R14 as an open end and warns before power; {@code refitted R14} ends it.
 */
package anabion.core.job;
