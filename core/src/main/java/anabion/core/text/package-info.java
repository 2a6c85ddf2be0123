/**
 * The one place for wording.
 *
 * <p>Idea: judgements return {@link anabion.core.text.Phrase}s (a key and its figures); the bundle {@code words.properties}
 * holds every sentence once; {@link anabion.core.text.Words} puts them together in the user's vocabulary (valve or tube,
 * plate or anode, µF or mfd).
 *
 * <p>Law: every key that code names stands in the bundle (a test walks them all).
 *
 * <p>Example: {@code new Words(Vocabulary.STANDARD).say(Phrase.of("verdict.within"))} is {@code within}.
 */
package anabion.core.text;
