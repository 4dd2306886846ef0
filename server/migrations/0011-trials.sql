-- Whether answers follow what the logbook says of a hand.
ALTER TABLE settings ADD COLUMN learning TEXT NOT NULL DEFAULT 'on';

-- What was tried of a form before or after it was folded: poured into, floated, rolled down, stacked, left in water.
CREATE TABLE trials (
  id TEXT PRIMARY KEY,
  kind TEXT NOT NULL,
  job_id TEXT REFERENCES jobs (id) ON DELETE SET NULL,
  make_id TEXT REFERENCES makes (id) ON DELETE SET NULL,
  entry_id TEXT REFERENCES log_entries (id) ON DELETE SET NULL,
  paper_id TEXT REFERENCES papers (id) ON DELETE SET NULL,
  folder_hand_id TEXT REFERENCES hands (id) ON DELETE SET NULL,
  form_id TEXT NOT NULL,
  tried_at TEXT NOT NULL,
  removed_at TEXT,
  version INTEGER NOT NULL DEFAULT 1,
  title TEXT NOT NULL,
  words TEXT NOT NULL,
  make TEXT NOT NULL CHECK (json_valid(make)),
  what TEXT NOT NULL,
  asked TEXT NOT NULL CHECK (json_valid(asked)),
  unit TEXT NOT NULL,
  guess REAL,
  -- What the simulation told: JSON, null where there is none.
  foretold TEXT CHECK (foretold IS NULL OR json_valid(foretold)),
  truth REAL,
  role TEXT NOT NULL,
  note TEXT NOT NULL
) STRICT;

CREATE INDEX trials_by_time ON trials (tried_at, id);
CREATE INDEX trials_by_make ON trials (make_id);

-- Photographs of a job, of an entry of the logbook or of a trial: gone with it.
CREATE TABLE photographs (
  id TEXT PRIMARY KEY,
  job_id TEXT REFERENCES jobs (id) ON DELETE CASCADE,
  entry_id TEXT REFERENCES log_entries (id) ON DELETE CASCADE,
  trial_id TEXT REFERENCES trials (id) ON DELETE CASCADE,
  added_at TEXT NOT NULL,
  words TEXT NOT NULL,
  width INTEGER NOT NULL CHECK (width > 0),
  height INTEGER NOT NULL CHECK (height > 0),
  -- As base64, so that the file of a workshop holds it as it holds all else.
  picture TEXT NOT NULL,
  CHECK ((job_id IS NOT NULL) + (entry_id IS NOT NULL) + (trial_id IS NOT NULL) = 1)
) STRICT;

CREATE INDEX photographs_by_job ON photographs (job_id);
CREATE INDEX photographs_by_entry ON photographs (entry_id);
CREATE INDEX photographs_by_trial ON photographs (trial_id);
