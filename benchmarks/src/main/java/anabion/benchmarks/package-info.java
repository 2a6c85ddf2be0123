/** Measurements of speed, kept apart from the tests: nothing here fails a build. */
package anabion.benchmarks;
