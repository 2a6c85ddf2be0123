-- The Shelf's summary of a set follows its changes: it carries the number of the change that it knows of.
ALTER TABLE sets ADD COLUMN changed INTEGER NOT NULL DEFAULT 0;
ALTER TABLE sets ADD COLUMN summarised INTEGER NOT NULL DEFAULT 0;
