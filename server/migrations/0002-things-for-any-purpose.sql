-- A thing was a block; it can be a set, a liquid, a load, anything that something is folded for.
CREATE TABLE things_for_any_purpose (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  purpose TEXT NOT NULL CHECK (json_valid(purpose)),
  removed_at TEXT,
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

INSERT INTO things_for_any_purpose (id, name, purpose, removed_at, version)
SELECT id, name,
  json_object('kind', 'hold', 'pieces', json_array(json_object(
    'name', 'thing',
    'count', 1,
    'thing', json_object('shape', 'block', 'lengthMm', length_mm, 'widthMm', width_mm, 'heightMm', height_mm)))),
  removed_at, version
FROM things;

DROP TABLE things;

ALTER TABLE things_for_any_purpose RENAME TO things;
