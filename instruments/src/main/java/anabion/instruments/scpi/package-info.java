/**
 * Instruments that speak the open command language for instruments (SCPI-99 over IEEE 488.2), a line a message, over a network socket or a serial line.
 *
 * <p>Laws: an answer counts for the question after which it came, and for no other; after any doubt the connection is made anew; an answer is bounded in
 * length and in time as a whole.
 */
package anabion.instruments.scpi;
