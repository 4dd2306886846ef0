CREATE TABLE papers (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  width_mm REAL NOT NULL CHECK (width_mm > 0),
  height_mm REAL NOT NULL CHECK (height_mm > 0),
  count INTEGER NOT NULL CHECK (count >= 0),
  gsm REAL NOT NULL CHECK (gsm > 0),
  kind TEXT NOT NULL,
  caliper_mm REAL CHECK (caliper_mm > 0),
  colour_front TEXT NOT NULL,
  colour_back TEXT NOT NULL,
  removed_at TEXT,
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

CREATE TABLE things (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  length_mm REAL NOT NULL CHECK (length_mm > 0),
  width_mm REAL NOT NULL CHECK (width_mm > 0),
  height_mm REAL NOT NULL CHECK (height_mm > 0),
  removed_at TEXT,
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

CREATE TABLE jobs (
  id TEXT PRIMARY KEY,
  title TEXT NOT NULL,
  purpose TEXT NOT NULL CHECK (json_valid(purpose)),
  choice TEXT NOT NULL CHECK (json_valid(choice)),
  paper_id TEXT REFERENCES papers (id),
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  removed_at TEXT,
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

CREATE INDEX jobs_by_change ON jobs (updated_at);

-- How far the hand has come; kept apart from the job so that writing it at every step touches nothing else.
CREATE TABLE progress (
  job_id TEXT PRIMARY KEY REFERENCES jobs (id),
  part TEXT NOT NULL CHECK (part IN ('tray', 'lid')),
  step INTEGER NOT NULL CHECK (step >= 0),
  seconds INTEGER NOT NULL CHECK (seconds >= 0)
) STRICT;

CREATE TABLE pieces (
  id TEXT PRIMARY KEY,
  job_id TEXT REFERENCES jobs (id),
  title TEXT NOT NULL,
  choice TEXT NOT NULL CHECK (json_valid(choice)),
  paper_id TEXT REFERENCES papers (id),
  paper_name TEXT,
  sheets_used INTEGER NOT NULL CHECK (sheets_used >= 0),
  predicted TEXT NOT NULL CHECK (json_valid(predicted)),
  measured TEXT CHECK (json_valid(measured)),
  minutes REAL CHECK (minutes >= 0),
  note TEXT NOT NULL,
  folded_at TEXT NOT NULL,
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

CREATE INDEX pieces_by_time ON pieces (folded_at);
CREATE INDEX pieces_by_job ON pieces (job_id);

CREATE TABLE settings (
  one INTEGER PRIMARY KEY CHECK (one = 1),
  unit TEXT NOT NULL,
  ruler TEXT NOT NULL,
  ease TEXT NOT NULL,
  scheme TEXT NOT NULL,
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

INSERT INTO settings (one, unit, ruler, ease, scheme) VALUES (1, 'mm', 'mm', 'easy', 'system');
