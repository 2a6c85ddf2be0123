/**
 * How readings scatter: parts within their tolerances, tubes within their spread, the line within its own.
 *
 * <p>Laws: what one standard deviation of a part moves is found by solving, linearised about the nominal set; a specimen is drawn from a seed.
 *
 * <p>Example: {@link anabion.core.simulation.tolerance.Spread} gives the standard deviation of each net and their correlation.
 */
package anabion.core.simulation.tolerance;
