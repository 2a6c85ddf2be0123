/**
 * Numbers without radios: dense linear systems, real and complex, complex numbers, and a cache that forgets what was asked longest ago.
 *
 * <p>Laws: nothing here knows of circuits; a matrix that is singular is said to be so by its solver's result, never by a wrong answer.
 */
package anabion.core.numeric;
