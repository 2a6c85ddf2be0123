/**
 * What to say when something that came in cannot be used.
 *
 * <p>Idea: one error type for all bad input, from a mistyped value to a broken archive. It always says <em>what</em> is
 * wrong, <em>where</em> (file, line, field or character) and <em>what to do</em>.
 *
 * <p>Law: whoever throws {@link anabion.core.error.InputException} has changed nothing yet.
 *
 * <p>Example: {@code InputException.at("line 3, field ohms").because("\"12q\" is not a value").so("write it as 12k or 12000")}.
 */
package anabion.core.error;
