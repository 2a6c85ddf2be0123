/**
 * Tubes and semiconductors: their bases, pins and limits.
 *
 * <p>Idea: the library is data ({@code tubes.json}, {@code semiconductors.json}), one row per type, each row saying what kind of source its figures have.
 * {@link anabion.core.device.Base} knows where the pins of a socket lie, so that any socket can be drawn.
 *
 * <p>Laws: no pin stands twice in a type; every pin exists on the type's base; a type whose pins are uncertain is not in the
 * library, since a wrong pin is worse than a missing type.
 *
 * <p>Example: {@code DeviceLibrary.standard().find("6AQ5")} has its control grid on pins 1 and 7.
 */
package anabion.core.device;
