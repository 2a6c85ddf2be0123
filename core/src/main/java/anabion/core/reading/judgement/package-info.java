/**
 * All readings of a set judged at once: each against chart and circuit, the patterns that several make together, and the stages that bands share.
 *
 * <p>Laws: a judgement is a pure function of chassis, readings and tolerances; it never changes a reading.
 *
 * <p>Example: {@code Judge.judge(chassis, readings, …).findings()}, the gravest first.
 */
package anabion.core.reading.judgement;
