-- What was drawn on a photo, and during which step it came.
ALTER TABLE photos ADD COLUMN body TEXT NOT NULL DEFAULT '{}';
