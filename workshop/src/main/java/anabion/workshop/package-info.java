/**
 * The workshop on disk: a folder with a database, photos by content, dated backups and a lock.
 *
 * <p>Idea: {@link anabion.workshop.Workshop} is used by one thread ({@link anabion.workshop.StorageThread} owns it in the
 * desktop). Every change is a list of small operations with its inverse, written in the transaction that carries it out, so
 * undo survives a restart.
 *
 * <p>Laws: what was acknowledged is on disk; a failed change changed nothing; a second instance is refused; a newer schema is
 * refused before a byte is written; a backup exists before any migration.
 *
 * <p>Example: {@code workshop.sets().change(id, label, List.of(new Op.PutReading(reading)))}, then {@code undo(id)}.
 */
package anabion.workshop;
