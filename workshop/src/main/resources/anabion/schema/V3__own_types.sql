-- The workshop's own library: each change keeps the whole of it, so that changes can be undone.
CREATE TABLE own_types (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  label TEXT NOT NULL,
  body TEXT NOT NULL,
  undone INTEGER NOT NULL DEFAULT 0
);
