/**
 * What may be wrong, and how likely that is before any evidence: each way in which a part fails, from its least to its greatest severity.
 *
 * <p>Law: priors are relative weights by kind of part, age, place in the circuit and what the workshop has found; they sum to one with the sound set and
 * what is on no list.
 *
 * <p>Example: {@link anabion.core.diagnosis.hypothesis.Priors} weighs a leaky coupling capacitor against a weak tube.
 */
package anabion.core.diagnosis.hypothesis;
