/**
 * The desktop application: places, sheets and controls in JavaFX. Screens are small classes; none of them computes.
 */
package anabion.desktop;
