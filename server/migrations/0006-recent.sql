-- What was asked last, so that it can be asked again: a question that means the same is kept once.
CREATE TABLE recent (
  purpose TEXT PRIMARY KEY CHECK (json_valid(purpose)),
  text TEXT NOT NULL,
  asked_at TEXT NOT NULL
) STRICT;
