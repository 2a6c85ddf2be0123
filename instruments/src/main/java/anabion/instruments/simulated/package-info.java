/**
 * A simulated bench: a set with something wrong, a variac and a lamp, meters, a generator, an ear. It is a program of its own, which speaks the open command
 * language for instruments on the loopback address; whoever measures on it knows of it what its instruments say, and nothing else.
 *
 * <p>Laws: what is wrong never leaves but through measurements; volts, amperes and ohms are the engine's for this specimen as it is heated now; time passes
 * as the clock does, or quicker.
 */
package anabion.instruments.simulated;
