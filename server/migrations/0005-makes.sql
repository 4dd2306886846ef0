-- Jobs, progress and logbook knew a tray and its lid by name. Now a job holds makes of any form; progress goes by the ids of
-- steps and by copies; a log entry keeps what was made, on papers as they were. What old rows cannot know is null.

CREATE TABLE hands (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  miss_mm REAL NOT NULL CHECK (miss_mm > 0),
  removed_at TEXT,
  version INTEGER NOT NULL DEFAULT 1
) STRICT;

CREATE TABLE jobs_now (
  id TEXT PRIMARY KEY,
  title TEXT NOT NULL,
  folder_hand_id TEXT REFERENCES hands (id) ON DELETE SET NULL,
  archived_at TEXT,
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  removed_at TEXT,
  version INTEGER NOT NULL DEFAULT 1,
  -- What a search looks through, in small letters.
  words TEXT NOT NULL
) STRICT;

CREATE TABLE makes (
  id TEXT PRIMARY KEY,
  job_id TEXT NOT NULL REFERENCES jobs_now (id) ON DELETE CASCADE,
  position INTEGER NOT NULL,
  form_id TEXT NOT NULL,
  count INTEGER NOT NULL CHECK (count > 0),
  cut_done INTEGER NOT NULL DEFAULT 0 CHECK (cut_done IN (0, 1)),
  asked TEXT NOT NULL CHECK (json_valid(asked)),
  make TEXT NOT NULL CHECK (json_valid(make)),
  told TEXT CHECK (json_valid(told)),
  marks TEXT CHECK (json_valid(marks)),
  art TEXT CHECK (json_valid(art)),
  cut_plan TEXT CHECK (json_valid(cut_plan))
) STRICT;

CREATE INDEX makes_by_job ON makes (job_id, position, id);

CREATE TABLE progress_now (
  make_id TEXT NOT NULL REFERENCES makes (id) ON DELETE CASCADE,
  entry_key TEXT NOT NULL,
  copy INTEGER NOT NULL CHECK (copy >= 0),
  seconds INTEGER NOT NULL CHECK (seconds >= 0),
  done TEXT NOT NULL CHECK (json_valid(done)),
  PRIMARY KEY (make_id, entry_key, copy)
) STRICT;

-- Sheets that an accepted cutting plan keeps, or that were taken off the shelf when it was cut. `covered` of the latter are
-- already counted by entries of the logbook, so that no sheet is taken twice.
CREATE TABLE cut_sheets (
  make_id TEXT NOT NULL REFERENCES makes (id) ON DELETE CASCADE,
  paper_id TEXT NOT NULL REFERENCES papers (id) ON DELETE CASCADE,
  sheets INTEGER NOT NULL CHECK (sheets > 0),
  done INTEGER NOT NULL DEFAULT 0 CHECK (done IN (0, 1)),
  covered INTEGER NOT NULL DEFAULT 0 CHECK (covered BETWEEN 0 AND sheets),
  PRIMARY KEY (make_id, paper_id)
) STRICT;

CREATE INDEX cut_sheets_by_paper ON cut_sheets (paper_id, done);

CREATE TABLE log_entries (
  id TEXT PRIMARY KEY,
  job_id TEXT REFERENCES jobs_now (id) ON DELETE SET NULL,
  make_id TEXT REFERENCES makes (id) ON DELETE SET NULL,
  folder_hand_id TEXT REFERENCES hands (id) ON DELETE SET NULL,
  form_id TEXT NOT NULL,
  folded_at TEXT NOT NULL,
  removed_at TEXT,
  version INTEGER NOT NULL DEFAULT 1,
  copies INTEGER NOT NULL CHECK (copies > 0),
  fits TEXT,
  minutes REAL CHECK (minutes >= 0),
  title TEXT NOT NULL,
  note TEXT NOT NULL,
  words TEXT NOT NULL,
  make TEXT NOT NULL CHECK (json_valid(make)),
  papers TEXT NOT NULL CHECK (json_valid(papers)),
  predicted TEXT NOT NULL CHECK (json_valid(predicted)),
  measured TEXT NOT NULL CHECK (json_valid(measured))
) STRICT;

-- What went into an entry of the logbook: `taken` off the shelf when it was written down, `covered` by sheets that had been
-- taken before, when they were cut. Of a paper that is not on the shelf any more nothing is counted.
CREATE TABLE sheets_used (
  entry_id TEXT NOT NULL REFERENCES log_entries (id) ON DELETE CASCADE,
  position INTEGER NOT NULL,
  paper_id TEXT REFERENCES papers (id) ON DELETE SET NULL,
  paper_name TEXT,
  sheets INTEGER NOT NULL CHECK (sheets >= 0),
  taken INTEGER NOT NULL CHECK (taken >= 0),
  covered INTEGER NOT NULL DEFAULT 0 CHECK (covered >= 0 AND taken + covered <= sheets),
  PRIMARY KEY (entry_id, position)
) STRICT;

CREATE INDEX sheets_used_by_paper ON sheets_used (paper_id);

-- Both parts of every tray were folded in these steps, in this order.
CREATE TEMP TABLE old_steps (n INTEGER PRIMARY KEY, id TEXT NOT NULL);
INSERT INTO old_steps (id) VALUES
  ('half-across'), ('half-up'), ('turn'), ('corners'), ('middle'), ('left-wall'), ('right-wall'), ('open-sides'),
  ('near-end'), ('far-end'), ('raise-sides'), ('far-lift'), ('far-flap'), ('half-round'), ('near-lift'), ('near-flap');

CREATE TEMP VIEW old_makes AS
SELECT 'job' AS whose, id, choice FROM jobs UNION ALL SELECT 'piece', id, choice FROM pieces;

CREATE TEMP VIEW new_makes AS
SELECT whose, id, json_object(
  'formId', choice ->> '$.formId',
  'params', json_object('lid', 'eared', 'wallMm', choice ->> '$.tray.wallMm'),
  'entries', json_array(
    json_object(
      'key', 'tray', 'pieceId', choice ->> '$.formId', 'params', json_object('wallMm', choice ->> '$.tray.wallMm'),
      'sheet', json_object('widthMm', choice ->> '$.tray.sheetMm', 'heightMm', choice ->> '$.tray.sheetMm'),
      'copies', 1, 'papers', json_array(choice ->> '$.paperId'), 'thicknessMm', choice ->> '$.thicknessMm'),
    json_object(
      'key', 'lid', 'pieceId', 'square-tray-lid', 'params', json_object('wallMm', choice ->> '$.lid.wallMm'),
      'sheet', json_object('widthMm', choice ->> '$.lid.sheetMm', 'heightMm', choice ->> '$.lid.sheetMm'),
      'copies', 1, 'papers', json_array(choice ->> '$.paperId'), 'thicknessMm', choice ->> '$.thicknessMm'))) AS make
FROM old_makes;

INSERT INTO jobs_now (id, title, created_at, updated_at, removed_at, version, words)
SELECT j.id, j.title, j.created_at, j.updated_at, j.removed_at, j.version, small(
  j.title || ' ' || (j.purpose ->> '$.text') || ' square tray and eared lid ' || coalesce(p.name, '') || ' '
  || (j.choice ->> '$.tray.sheetMm') || ' ' || (j.choice ->> '$.lid.sheetMm'))
FROM jobs j LEFT JOIN papers p ON p.id = j.paper_id;

-- The one make of an old job is called as its job is.
INSERT INTO makes (id, job_id, position, form_id, count, asked, make)
SELECT j.id, j.id, 0, j.choice ->> '$.formId', 1,
  json_object(
    'text', j.purpose ->> '$.text',
    'purpose', json_object('kind', 'hold', 'pieces', json_array(json_object(
      'name', 'thing', 'count', 1, 'thing', json_object(
        'shape', 'block',
        'lengthMm', j.purpose ->> '$.block.lengthMm',
        'widthMm', j.purpose ->> '$.block.widthMm',
        'heightMm', j.purpose ->> '$.block.heightMm')))),
    'options', json_object(
      'ease', j.purpose ->> '$.ease', 'turning', 'upright', 'fingerRoom', json('false'), 'confidence', NULL,
      'ruler', j.choice ->> '$.ruler', 'units', 1, 'lid', 'eared', 'nested', 1, 'most', NULL)),
  m.make
FROM jobs j JOIN new_makes m ON m.whose = 'job' AND m.id = j.id;

-- Who was at the lid had folded the tray.
INSERT INTO progress_now (make_id, entry_key, copy, seconds, done)
SELECT job_id, 'tray', 0, seconds,
  (SELECT json_group_array(s.id) FROM old_steps s WHERE part = 'lid' OR s.n <= step)
FROM progress WHERE part = 'lid' OR step > 0 OR seconds > 0;
INSERT INTO progress_now (make_id, entry_key, copy, seconds, done)
SELECT job_id, 'lid', 0, 0, (SELECT json_group_array(s.id) FROM old_steps s WHERE s.n <= step)
FROM progress WHERE part = 'lid' AND step > 0;

INSERT INTO log_entries (id, job_id, make_id, form_id, folded_at, version, copies, minutes, title, note, words, make, papers,
  predicted, measured)
SELECT e.id, e.job_id, e.job_id, e.choice ->> '$.formId', e.folded_at, e.version, 1, e.minutes, e.title, e.note,
  small(e.title || ' ' || e.note || ' square tray and eared lid ' || coalesce(e.paper_name, '') || ' '
    || (e.choice ->> '$.tray.sheetMm') || ' ' || (e.choice ->> '$.lid.sheetMm')),
  m.make,
  -- Of its paper then, only the name and the thickness it was sized for were kept.
  (SELECT json_object('tray', json_array(json(paper)), 'lid', json_array(json(paper))) FROM (SELECT json_object(
    'paperId', e.paper_id, 'name', e.paper_name, 'caliperMm', e.choice ->> '$.thicknessMm',
    'gsm', NULL, 'colourFront', NULL, 'colourBack', NULL) AS paper)),
  json_object(
    'tray/box.lengthMm', json_object('mm', e.predicted ->> '$.lengthMm', 'sdMm', NULL),
    'tray/box.widthMm', json_object('mm', e.predicted ->> '$.widthMm', 'sdMm', NULL),
    'tray/box.depthMm', json_object('mm', e.predicted ->> '$.depthMm', 'sdMm', NULL)),
  CASE WHEN e.measured IS NULL OR json_type(e.measured) = 'null' THEN '{}' ELSE json_object(
    'tray/box.lengthMm', e.measured ->> '$.lengthMm',
    'tray/box.widthMm', e.measured ->> '$.widthMm',
    'tray/box.depthMm', e.measured ->> '$.depthMm') END
FROM pieces e JOIN new_makes m ON m.whose = 'piece' AND m.id = e.id;

INSERT INTO sheets_used (entry_id, position, paper_id, paper_name, sheets, taken)
SELECT id, 0, paper_id, paper_name, sheets_used, CASE WHEN paper_id IS NULL THEN 0 ELSE sheets_used END FROM pieces WHERE paper_id IS NOT NULL OR sheets_used > 0;

DROP VIEW new_makes;
DROP VIEW old_makes;
DROP TABLE old_steps;
DROP TABLE progress;
DROP TABLE pieces;
DROP TABLE jobs;
ALTER TABLE jobs_now RENAME TO jobs;
ALTER TABLE progress_now RENAME TO progress;

-- Makes that were begun.
CREATE INDEX progress_begun ON progress (make_id) WHERE done <> '[]';

CREATE INDEX jobs_by_change ON jobs (updated_at, id) WHERE removed_at IS NULL;
CREATE INDEX log_by_time ON log_entries (folded_at, id) WHERE removed_at IS NULL;
CREATE INDEX log_by_job ON log_entries (job_id, removed_at);
-- A search reads these alone, not whole rows.
CREATE INDEX jobs_by_words ON jobs (words) WHERE removed_at IS NULL;
CREATE INDEX log_by_words ON log_entries (words) WHERE removed_at IS NULL;
