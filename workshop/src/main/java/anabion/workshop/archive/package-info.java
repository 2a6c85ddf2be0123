/**
 * A whole set as one zip: {@code chassis.json}, {@code job.json}, {@code readings.json}, {@code photos.json}, the pictures, and
 * {@code readings.csv} as a copy for spreadsheets, which is not read back.
 *
 * <p>Laws: what is written reads back equal, ids included; a hostile or damaged archive gives one clear error and changes
 * nothing: names that leave the archive, sizes that explode and pictures that are none are refused before anything is stored.
 */
package anabion.workshop.archive;
