-- What a shelf knows of a paper: how it was measured, its grain, what is trimmed, when to buy, where it lies, and what it was cut from.
ALTER TABLE papers ADD COLUMN stack_sheets INTEGER CHECK (stack_sheets > 0);
ALTER TABLE papers ADD COLUMN runs TEXT CHECK (runs IN ('width', 'height'));
ALTER TABLE papers ADD COLUMN margins_mm REAL NOT NULL DEFAULT 0 CHECK (margins_mm >= 0);
ALTER TABLE papers ADD COLUMN low_mark INTEGER CHECK (low_mark >= 0);
ALTER TABLE papers ADD COLUMN place TEXT NOT NULL DEFAULT '';
ALTER TABLE papers ADD COLUMN offcut INTEGER NOT NULL DEFAULT 0 CHECK (offcut IN (0, 1));
ALTER TABLE papers ADD COLUMN offcut_of TEXT REFERENCES papers (id) ON DELETE SET NULL;

-- How sheets came and went. The area is that of one sheet then, and stays when its paper is thrown away for good.
CREATE TABLE paper_moves (
  id INTEGER PRIMARY KEY,
  paper_id TEXT REFERENCES papers (id) ON DELETE SET NULL,
  at TEXT NOT NULL,
  why TEXT NOT NULL CHECK (why IN ('begun', 'counted', 'cut', 'put back', 'offcut', 'folded')),
  sheets INTEGER NOT NULL,
  area_mm2 REAL NOT NULL CHECK (area_mm2 >= 0),
  waste_mm2 REAL NOT NULL DEFAULT 0
) STRICT;

CREATE INDEX paper_moves_by_time ON paper_moves (at);
CREATE INDEX paper_moves_by_paper ON paper_moves (paper_id);

-- What lies there when counting begins.
INSERT INTO paper_moves (paper_id, at, why, sheets, area_mm2)
SELECT id, strftime('%Y-%m-%dT%H:%M:%fZ', 'now'), 'begun', count, width_mm * height_mm FROM papers WHERE count > 0;

-- Sheets of several makes, or of a typed list, cut together.
CREATE TABLE cutting_plans (
  id TEXT PRIMARY KEY,
  title TEXT NOT NULL,
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  removed_at TEXT,
  version INTEGER NOT NULL DEFAULT 1,
  lines TEXT NOT NULL CHECK (json_valid(lines)),
  options TEXT NOT NULL CHECK (json_valid(options)),
  missing TEXT NOT NULL CHECK (json_valid(missing)),
  proof TEXT NOT NULL CHECK (json_valid(proof))
) STRICT;

-- So many sheets of one paper, each cut alike: reserved until they are cut, then off the shelf. `kept` names the offcuts that
-- were put on it, and how many of each.
CREATE TABLE plan_parents (
  plan_id TEXT NOT NULL REFERENCES cutting_plans (id) ON DELETE CASCADE,
  id TEXT NOT NULL,
  position INTEGER NOT NULL,
  paper_id TEXT REFERENCES papers (id) ON DELETE SET NULL,
  sheets INTEGER NOT NULL CHECK (sheets > 0),
  done INTEGER NOT NULL DEFAULT 0 CHECK (done IN (0, 1)),
  sheet TEXT NOT NULL CHECK (json_valid(sheet)),
  pieces TEXT NOT NULL CHECK (json_valid(pieces)),
  cuts TEXT NOT NULL CHECK (json_valid(cuts)),
  offcuts TEXT NOT NULL CHECK (json_valid(offcuts)),
  kept TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(kept)),
  PRIMARY KEY (plan_id, id)
) STRICT;

CREATE INDEX plan_parents_by_paper ON plan_parents (paper_id, done);

CREATE TABLE plan_makes (
  plan_id TEXT NOT NULL REFERENCES cutting_plans (id) ON DELETE CASCADE,
  make_id TEXT NOT NULL REFERENCES makes (id) ON DELETE CASCADE,
  PRIMARY KEY (plan_id, make_id)
) STRICT;

CREATE INDEX plan_makes_by_make ON plan_makes (make_id);

-- Offcuts of a make's own plan that were put on the shelf, and how many of each.
ALTER TABLE makes ADD COLUMN cut_kept TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(cut_kept));
