/**
 * What a point should read: the circuit brought into line with its service chart, with the meter in it.
 *
 * <p>Laws: the chart calibrates the parts within their tolerances and nothing else; a meter loads the net that it reads.
 *
 * <p>Example: {@link anabion.core.simulation.chart.CircuitPredictor} answers for every point of a chassis.
 */
package anabion.core.simulation.chart;
