/**
 * What a line-up of tubes, or of transistors, and a service chart say before a circuit is entered: a circuit that would read what the chart prints, and odds over its places.
 *
 * <p>Idea: each electrode's current follows from its tube's law at the charted volts, and from that the resistance that feeds it. A transistor takes what is usual, and ratios of resistances follow. What is found is spoken of by its place ("the coupling capacitor at
 * V4's grid"), since nobody knows yet what it is called on the drawing.
 *
 * <p>Laws: at the chart's line the circuit reads the chart; a tube without a charted plate or screen is left out, and a transistor without a charted collector.
 */
package anabion.core.lineup;
