-- How the copies of a make are folded, and by whom: JSON, null where nobody has said anything.
ALTER TABLE makes ADD COLUMN batch TEXT;

-- How long single steps took at the table: JSON, by the ids of steps.
ALTER TABLE progress ADD COLUMN step_seconds TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(step_seconds));
