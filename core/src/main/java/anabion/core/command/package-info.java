/**
 * Lines that people type: one grammar each, one style of errors. What a line means is said by values of other packages; nothing here computes.
 */
package anabion.core.command;
