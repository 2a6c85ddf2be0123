/**
 * Readings, and what they say against the service chart.
 *
 * <p>Idea: a chart was taken on another mains voltage with another meter. {@link anabion.core.reading.Expectation} restates
 * a charted value for today's line and meter; {@link anabion.core.reading.Judge} compares, row by row, and then looks for the
 * classic patterns ({@code reading.pattern}) among the set's actual parts.
 *
 * <p>Laws: restating for the chart's own conditions gives the chart's own value; a reading is judged against the state of
 * the set it was taken in; a suspect is always a part of this set; the same evidence gives the same verdict.
 *
 * <p>Example: 74 V charted at 220 V line with 20 kΩ/V on the 250 V range, behind 60 kΩ, should read 78 V on a 10 MΩ meter at 231 V.
 */
package anabion.core.reading;
