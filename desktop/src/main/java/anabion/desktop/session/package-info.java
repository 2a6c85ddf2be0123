/**
 * What the screens look at and the things they can ask for. No arithmetic: judgements come from the core, on the compute
 * worker; changes go to the storage thread; snapshots come back on the interface thread.
 */
package anabion.desktop.session;
