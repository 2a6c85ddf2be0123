/**
 * The condition under which a set is solved: line, band, controls, switches, faults, warm or cold.
 *
 * <p>Law: a setting is a value; two equal ones give one answer.
 *
 * <p>Example: {@code Setting.of(230).withBand("MW").withControls(Controls.volume(chassis, 1))}.
 */
package anabion.core.simulation.setting;
