/** The Bench: signal strip, work order, the sheet of the step, verdict. */
package anabion.desktop.bench;
