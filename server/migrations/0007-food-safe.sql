-- Whether a paper may touch food and drink: only what its maker says of it counts, so nobody knows of what is written down already.
ALTER TABLE papers ADD COLUMN food_safe TEXT NOT NULL DEFAULT 'unknown' CHECK (food_safe IN ('yes', 'no', 'unknown'));
