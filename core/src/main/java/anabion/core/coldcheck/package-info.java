/**
 * The cold checks: what to measure with the set unplugged, and what it says.
 *
 * <p>Idea: the circuit predicts the ohms between any two nets with the tubes cold ({@link anabion.core.simulation.ColdOhms}); a list of the pairs worth
 * taking follows from the parts ({@link anabion.core.coldcheck.ColdTable}), those first that keep somebody from switching on.
 *
 * <p>Laws: in circuit a reading can only be low because of a parallel path, so one above nominal is proof; a rail far below what its electrolytics
 * explain stops the job; before hands go in, the filters are discharged ({@link anabion.core.coldcheck.Discharge}).
 *
 * <p>Example: 12 Ω from the rail of a transformer set to its chassis, where 15 kΩ or more is expected, is a short; mains stays off.
 */
package anabion.core.coldcheck;
