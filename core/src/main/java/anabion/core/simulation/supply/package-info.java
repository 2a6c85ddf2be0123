/**
 * What alternates, and what is made of it: mains, windings, heaters and lamps as effective volts in a resistive circuit, the rectifiers found in a
 * chassis, and their reservoirs.
 *
 * <p>Laws: the two sides of the mains are the nets {@code MAINS-L} and {@code MAINS-N}; a rectifier is known by what its ends join, not by its name.
 *
 * <p>Example: {@link anabion.core.simulation.supply.SupplyFinder} names the rails with the {@link anabion.core.simulation.supply.Port}s that feed them.
 */
package anabion.core.simulation.supply;
