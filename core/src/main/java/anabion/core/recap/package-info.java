/**
 * What to renew, by what, in which order, and why.
 *
 * <p>Idea: the nets say what every capacitor does ({@link anabion.core.recap.Roles}), the engine says what it must bear
 * ({@link anabion.core.recap.Stresses}), a rule for its role says what goes in ({@link anabion.core.recap.ReplacementRules}), and the policy of the
 * workshop says what is renewed at all and in which order ({@link anabion.core.recap.Planner}).
 *
 * <p>Laws: no part below the worst volts that it meets; no reservoir above its rectifier's limit without a named warning; no part between
 * line and chassis without a safety class and the current through a hand.
 *
 * <p>Example: {@code Planner.plan(chassis, Policy.USUAL, Stock.NONE)} gives for C14 of a usual output stage: coupling to a grid, same value,
 * film, because a leak there would drive the grid positive.
 */
package anabion.core.recap;
