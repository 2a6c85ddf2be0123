/**
 * How the workshop gets onto the disk: lock, database, photo files, backups. Nothing here knows what a reading is.
 *
 * <p>Law: a photo's row commits only after its file is forced, renamed and its folder forced.
 */
package anabion.workshop.storage;
