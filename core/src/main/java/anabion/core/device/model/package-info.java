/**
 * The static laws of tubes and semiconductors, as elements of a circuit.
 *
 * <p>Idea: a law gives the currents of a device from its voltages, smoothly and without a jump, over the whole range that an
 * iteration may visit. What a type's published figures say is turned into a law's constants by
 * {@link anabion.core.device.model.Fit}.
 *
 * <p>Laws, tested for every one: currents sum to zero; plate current rises with grid and plate volts; the screen takes what the
 * plate leaves; a cold tube carries nothing.
 *
 * <p>Sources: space charge after Child and Langmuir; the soft cut-off after N. Koren (1996); remote cut-off as two grids of
 * different pitch in parallel; junctions after Shockley, transistors after Ebers and Moll (1954).
 */
package anabion.core.device.model;
