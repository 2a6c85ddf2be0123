-- Readings and photos belong to their set: what comes from elsewhere may use the ids of another set's.
CREATE TABLE readings_of_sets (
  id TEXT NOT NULL,
  set_id TEXT NOT NULL REFERENCES sets(id) ON DELETE CASCADE,
  at TEXT NOT NULL,
  body TEXT NOT NULL,
  PRIMARY KEY (set_id, id)
);
INSERT INTO readings_of_sets(rowid, id, set_id, at, body) SELECT rowid, id, set_id, at, body FROM readings;
DROP TABLE readings;
ALTER TABLE readings_of_sets RENAME TO readings;
CREATE INDEX readings_of_set ON readings(set_id, at);
CREATE TABLE photos_of_sets (
  id TEXT NOT NULL,
  set_id TEXT NOT NULL REFERENCES sets(id) ON DELETE CASCADE,
  hash TEXT NOT NULL,
  suffix TEXT NOT NULL,
  caption TEXT NOT NULL,
  at TEXT NOT NULL,
  PRIMARY KEY (set_id, id)
);
INSERT INTO photos_of_sets(rowid, id, set_id, hash, suffix, caption, at)
  SELECT rowid, id, set_id, hash, suffix, caption, at FROM photos;
DROP TABLE photos;
ALTER TABLE photos_of_sets RENAME TO photos;
CREATE INDEX photos_of_set ON photos(set_id, at);
