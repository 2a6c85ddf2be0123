/**
 * The record of a set on paper: one page template, as HTML and as PDF.
 *
 * <p>Law: the page shows what the verdict says and computes nothing itself.
 */
package anabion.workshop.report;
