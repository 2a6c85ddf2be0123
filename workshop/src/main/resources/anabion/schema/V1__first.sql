CREATE TABLE sets (
  id TEXT PRIMARY KEY,
  chassis TEXT NOT NULL,
  job TEXT NOT NULL,
  summary TEXT NOT NULL,
  place TEXT NOT NULL DEFAULT 'shelf' CHECK (place IN ('shelf', 'archive', 'trash')),
  added TEXT NOT NULL
);
CREATE TABLE readings (
  id TEXT PRIMARY KEY,
  set_id TEXT NOT NULL REFERENCES sets(id) ON DELETE CASCADE,
  at TEXT NOT NULL,
  body TEXT NOT NULL
);
CREATE INDEX readings_of_set ON readings(set_id, at);
CREATE TABLE photos (
  id TEXT PRIMARY KEY,
  set_id TEXT NOT NULL REFERENCES sets(id) ON DELETE CASCADE,
  hash TEXT NOT NULL,
  suffix TEXT NOT NULL,
  caption TEXT NOT NULL,
  at TEXT NOT NULL
);
CREATE INDEX photos_of_set ON photos(set_id, at);
CREATE TABLE changes (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  version INTEGER NOT NULL,
  set_id TEXT NOT NULL REFERENCES sets(id) ON DELETE CASCADE,
  label TEXT NOT NULL,
  at TEXT NOT NULL,
  forward TEXT NOT NULL,
  inverse TEXT NOT NULL,
  undone INTEGER NOT NULL DEFAULT 0
);
CREATE INDEX changes_of_set ON changes(set_id, seq);
CREATE TABLE settings (
  name TEXT PRIMARY KEY,
  value TEXT NOT NULL
);
