/**
 * The dial drive, and the case as what keeps hands away.
 *
 * <p>A cord's length is that of its straight pieces, which are the tangents of the wheels, of its arcs, and of knots and ends. Example: a drum of 60 mm and a pulley of 12 mm,
 * 150 mm apart, gone around on the same side: the straight piece is √(150² − 24²) = 148.1 mm.
 */
package anabion.core.drive;
