/** How well a power-up is judged: simulated sets behind a lamp, with meters that are off. */
package anabion.benchmarks.power;
