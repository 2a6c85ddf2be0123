/**
 * The circuit as a sheet, drawn stage by stage from the nets alone: nobody places anything.
 *
 * <p>Law of the drawing: a net is one horizontal piece of wire. What leads to a rail stands above it, what leads to the chassis below,
 * what leads to another net of the stage lies in a lane between. Plates, grids and cathodes have a level each. A net that goes on in
 * another stage carries its name, so each stage can be read by itself.
 *
 * <p>Example: {@code CircuitDrawing.of(chassis).stage("Output")} holds the symbols of the output stage with their places in grid units; a
 * screen or a page has only to stroke them.
 */
package anabion.core.schematic;
