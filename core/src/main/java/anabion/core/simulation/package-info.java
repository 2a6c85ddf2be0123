/**
 * The engine: one chassis under one condition becomes circuits, and they answer what every pin should read.
 *
 * <p>Idea: {@link anabion.core.simulation.supply.AcSupply} is what alternates: mains, transformer windings, heaters, dial lamps, as effective volts
 * in a resistive circuit. It gives heater volts, and what each rectifier sees. {@link anabion.core.simulation.dc.DcCircuitBuilder} is the direct-current
 * circuit, with every rectifier as its mean {@link anabion.core.rectifier.Characteristic} and every tube and transistor as its law.
 * {@link anabion.core.simulation.Simulator} puts both together and keeps what is dear to compute.
 *
 * <p>Laws: a fault changes the circuit, never the answer; a solution that did not settle says so; the two sides of the mains are the
 * nets {@code MAINS-L} and {@code MAINS-N}.
 *
 * <p>Example: {@code new Simulator().solve(chassis, Setting.of(230)).volts("V4.2")}.
 */
package anabion.core.simulation;
