/**
 * What separates people from the mains: which nets the mains reaches, which a hand or a plug can touch, and what lies between them.
 *
 * <p>Laws: no name of a net decides, but {@code MAINS-L} and {@code MAINS-N}, the two sides of the mains; a name only adds to what the circuit shows. The
 * answers do not depend on the reference net.
 *
 * <p>Example: {@link anabion.core.isolation.MainsReach#worst} gives 117 V for a capacitor from a heater chain to B−, since an open heater puts the line there.
 */
package anabion.core.isolation;
