/**
 * The made-up demo workshop: a lighthouse museum's shelf of receivers, each at another step of the work.
 *
 * <p>Law: everything in it comes from the resource files beside this package; nothing in the program knows their contents.
 */
package anabion.workshop.demo;
