/**
 * The set unplugged: ohms between nets as an ohmmeter shows them, with electrolytics and junctions as they are when cold.
 *
 * <p>Law: what depends on the polarity of the leads says so.
 *
 * <p>Example: {@link anabion.core.simulation.cold.ColdSet} answers for two nets.
 */
package anabion.core.simulation.cold;
