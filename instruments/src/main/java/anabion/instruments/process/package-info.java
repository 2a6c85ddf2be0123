/**
 * Starts a simulated bench in a process of its own. What starts it speaks to it as to any instrument: by its address.
 */
package anabion.instruments.process;
