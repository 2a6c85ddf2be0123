-- Everything that can be found by its words, set by set; it is made anew where the set has changed since.
CREATE TABLE indexed (set_id TEXT PRIMARY KEY, change INTEGER NOT NULL);
CREATE VIRTUAL TABLE found USING fts5(set_id UNINDEXED, at UNINDEXED, kind UNINDEXED, text, tokenize = 'unicode61 remove_diacritics 2', prefix = '2 3');
