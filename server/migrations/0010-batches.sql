-- How the copies of a make are folded, and by whom: JSON, null where nobody has said anything.
ALTER TABLE makes ADD COLUMN batch TEXT;
