-- How exactly the hands of this workshop fold.
ALTER TABLE settings ADD COLUMN hand TEXT NOT NULL DEFAULT 'practised';
