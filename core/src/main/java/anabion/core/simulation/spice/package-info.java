/**
 * The circuit as a netlist for a general solver, in SPICE-style syntax: operating point, transient of the supply, small signals.
 *
 * <p>Law: everything that goes into a netlist is one line of allowed characters.
 *
 * <p>Example: {@link anabion.core.simulation.spice.SpiceNetlist} writes what {@code export --to deck} gives.
 */
package anabion.core.simulation.spice;
