-- How mass, volume and numbers are written, what money is counted in, which pages are printed.
ALTER TABLE settings ADD COLUMN mass TEXT NOT NULL DEFAULT 'g';
ALTER TABLE settings ADD COLUMN volume TEXT NOT NULL DEFAULT 'ml';
ALTER TABLE settings ADD COLUMN decimal TEXT NOT NULL DEFAULT 'point';
ALTER TABLE settings ADD COLUMN currency TEXT NOT NULL DEFAULT 'EUR';
ALTER TABLE settings ADD COLUMN page TEXT NOT NULL DEFAULT 'A4';

-- What so many sheets cost, in the currency's minor unit; all three or none.
ALTER TABLE papers ADD COLUMN price_minor INTEGER CHECK (price_minor >= 0);
ALTER TABLE papers ADD COLUMN price_currency TEXT;
ALTER TABLE papers ADD COLUMN price_sheets INTEGER CHECK (price_sheets > 0);
