/**
 * Odds from evidence: likelihoods of what was seen, the posterior over all hypotheses, single and in pairs, and how much of it hangs on one reading.
 *
 * <p>Laws: Bayes; readings of one specimen share its tolerances, and their correlation is in the likelihood; causes that nothing seen tells apart are one
 * {@link anabion.core.diagnosis.inference.RankedCause}.
 *
 * <p>Example: {@link anabion.core.diagnosis.inference.Posterior}.
 */
package anabion.core.diagnosis.inference;
