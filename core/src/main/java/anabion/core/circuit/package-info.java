/**
 * Circuits of named nets and elements, and the solver that finds where their voltages settle. It knows nothing of radios.
 *
 * <p>Idea: modified nodal analysis. Every net but the reference has an equation "the currents that leave it sum to zero"; every
 * ideal source has one more. Linear {@link anabion.core.circuit.Element elements} are written into a matrix once; a
 * {@link anabion.core.circuit.DeviceModel} is asked anew in every iteration of {@link anabion.core.circuit.DcSolver}.
 *
 * <p>Laws: a solution carries its residual, the iterations it took and, where it failed, the nets that would not settle. Currents
 * into an element sum to zero. Units are volts, amperes, ohms, siemens.
 *
 * <p>Example: {@code Circuit.of("gnd").source("E", "a", "gnd", 10).resistor("R1", "a", "b", 1e3).resistor("R2", "b", "gnd",
 * 1e3).build()} solves to 5 V at {@code b}.
 */
package anabion.core.circuit;
