/**
 * The classic patterns of readings, one class each: what a positive grid means, a missing screen voltage, a cathode at nought.
 *
 * <p>Idea: before any simulation, an experienced restorer reads these at a glance. Each
 * {@link anabion.core.reading.pattern.Pattern} looks at one {@link anabion.core.reading.Board} and names suspects among the
 * set's own parts, with the test that tells them apart.
 *
 * <p>Laws: no reading, no finding; a pattern that does not hold on the band in hand is silent there; suspects exist in the set.
 *
 * <p>Example: a control grid at +3 V, joined by C14 to the plate before it, yields "C14 leaky" and "V4 gassy", and the test
 * of lifting C14.
 */
package anabion.core.reading.pattern;
