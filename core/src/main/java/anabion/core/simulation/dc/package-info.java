/**
 * The direct-current circuit of a set, with every rectifier as its mean characteristic and every tube and transistor as its law, and the operating
 * point that its solution is.
 *
 * <p>Law: a solution that did not settle says so.
 *
 * <p>Example: {@code operatingPoint.volts("V4.2")}; {@link anabion.core.simulation.dc.Overload} says what burns there.
 */
package anabion.core.simulation.dc;
