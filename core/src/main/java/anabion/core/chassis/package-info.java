/**
 * A receiver as data: its parts and the nets between them, stages and bands in signal order, service chart, adjusters.
 *
 * <p>Idea: one immutable {@link anabion.core.chassis.Chassis} describes the set as designed. Nets are named as people name
 * them ({@code V3.7} for a pin, {@code B2}, {@code CHASSIS}); a {@link anabion.core.chassis.Point} such as {@code V4.g2} is
 * found by pin or by function.
 *
 * <p>Laws: references are unique; every net of a stage's part exists; records never hold nulls; ids survive every change.
 *
 * <p>Example: {@code Points.of(chassis).find("V4.g2")} is pin 6 of V4 on net B2.
 */
package anabion.core.chassis;
