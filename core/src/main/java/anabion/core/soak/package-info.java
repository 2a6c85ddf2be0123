/**
 * Whether a set holds out: hours at work without an event, its rail where it was, its transformer no hotter than its insulation bears.
 *
 * <p>The rail is corrected for the line: at 225 V of 230, 242 V count as 247. A transformer is judged by its rise over the room, not by its temperature. Whoever exchanges a part
 * begins anew. Example: four hours, a row every half hour, the last one after the end; a crackle after 40 minutes ends it and goes into the odds.
 */
package anabion.core.soak;
