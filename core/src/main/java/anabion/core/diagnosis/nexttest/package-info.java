/**
 * What to measure next: the expected fall of entropy over the causes for each minute that a measurement takes.
 *
 * <p>Laws: only what can be done now is proposed; what lifts or swaps parts costs its minutes.
 *
 * <p>Example: {@link anabion.core.diagnosis.nexttest.InformationGain} of a reading is that of its bins over the posterior.
 */
package anabion.core.diagnosis.nexttest;
