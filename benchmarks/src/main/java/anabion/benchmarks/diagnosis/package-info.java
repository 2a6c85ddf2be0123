/**
 * How good the diagnosis is: random faults in random specimens, found by the tests that the diagnosis itself asks for.
 *
 * <p>What is simulated here shares the circuit solver with the diagnosis, and nothing else: severities are drawn continuously, ears and meters have
 * errors of their own, a slipped probe reads another pin, and a part of the faults is on no list.
 */
package anabion.benchmarks.diagnosis;
