/**
 * What is broken, as a change of the circuit: which net a pin is on, what a part still is, and the list of ways in which parts fail.
 *
 * <p>Laws: a fault changes the circuit, never the answer; every fault of the list is a {@link anabion.core.chassis.FaultMode} of one part.
 *
 * <p>Example: {@code FaultList.ways(chassis)} gives each way with its severities rising.
 */
package anabion.core.simulation.fault;
