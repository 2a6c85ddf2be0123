/**
 * Values with units, as people write and read them.
 *
 * <p>Idea: restorers meet the same value in many spellings: {@code 6k8}, {@code .05 mfd}, {@code 50@12}, {@code M47},
 * colour bands. One parser ({@link anabion.core.quantity.Notation}) reads them all, and one writer
 * ({@link anabion.core.quantity.Figures}) prints them. Inside, every value is SI.
 *
 * <p>Laws: a printed value reads back as itself; a text that can mean two things says so
 * ({@link anabion.core.quantity.Decoded#alternatives()}); a text that means nothing names the character where sense ends.
 *
 * <p>Example: {@code Notation.decode("20+20/350")} is a capacitor of two sections of 20 µF at 350 V.
 */
package anabion.core.quantity;
