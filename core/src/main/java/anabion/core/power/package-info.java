/**
 * The first power-up: how a set is brought up without burning it.
 *
 * <p>Idea: the set is solved at every line from nothing upwards, as it should be and with each fault that is common at this step
 * ({@link anabion.core.power.SupplyCurve}, {@link anabion.core.power.PowerModel}). A plan ({@link anabion.core.power.PowerPlan}) says what stands in the line and
 * at which steps to read; the readings are weighed against the curves ({@link anabion.core.power.PowerJudgement}), and what no sound set can show stops the work
 * ({@link anabion.core.power.StopReason}).
 *
 * <p>Laws: all curves go by the volts at the set, behind the lamp; a lamp's drop follows from the set's current alone; a sound set's watts and rails rise with the line.
 *
 * <p>Example: a set of 42 W at 230 V behind a lamp of 100 W has 190 V when the variac gives all of it; with its reservoir shorted the lamp takes nearly everything.
 */
package anabion.core.power;
