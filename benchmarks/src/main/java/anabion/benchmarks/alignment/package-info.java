/** Alignments followed line by line on simulated specimens, and what comes of them. */
package anabion.benchmarks.alignment;
