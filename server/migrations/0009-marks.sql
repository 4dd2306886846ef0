-- How this workshop likes to find its marks: as it did before, with a ruler.
ALTER TABLE settings ADD COLUMN school TEXT NOT NULL DEFAULT 'ruler';

-- Tries to find a place by eye, of a hand or of the workshop's usual one.
CREATE TABLE eye_tries (
  id TEXT PRIMARY KEY,
  hand_id TEXT REFERENCES hands (id) ON DELETE CASCADE,
  share REAL NOT NULL CHECK (share > 0 AND share < 1),
  set_at REAL NOT NULL CHECK (set_at BETWEEN 0 AND 1),
  side_mm REAL NOT NULL CHECK (side_mm > 0),
  at TEXT NOT NULL
) STRICT;

CREATE INDEX eye_tries_by_hand ON eye_tries (hand_id, at);
