-- What a knot was checked for, and who tied it where that is no member: somebody outside in a few words, or nobody knows. A short look counts as
-- no look. Rows from before have none of it and say so.
-- A trial of passing that was withdrawn: the trial stays, and says so.
CREATE TABLE IF NOT EXISTS passing_trial_withdrawals (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  trial CHAR(36) CHARACTER SET ascii NOT NULL,
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  reason VARCHAR(400) NOT NULL,
  withdrawn_by CHAR(36) CHARACTER SET ascii NOT NULL,
  withdrawn_at DATETIME(3) NOT NULL,
  request_sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  UNIQUE KEY (trial),
  FOREIGN KEY (trial) REFERENCES passing_trials (id),
  FOREIGN KEY (organisation) REFERENCES organisations (id),
  FOREIGN KEY (withdrawn_by) REFERENCES people (id)
);
ALTER TABLE knot_events ADD COLUMN IF NOT EXISTS moved_to VARCHAR(160) NULL;
-- What happened, cause unsettled: an entry of its own kind.
ALTER TABLE entries
  MODIFY COLUMN IF EXISTS kind ENUM('check','signature','correction','finding-closed','rope-event','round-finished','incident') NOT NULL,
  ADD KEY IF NOT EXISTS by_kind (organisation, kind, sequence);
ALTER TABLE tied_knots
  MODIFY COLUMN IF EXISTS tied_by CHAR(36) CHARACTER SET ascii NULL,
  ADD COLUMN IF NOT EXISTS tied_by_words VARCHAR(160) NULL;
ALTER TABLE check_status
  MODIFY COLUMN IF EXISTS tied_by CHAR(36) CHARACTER SET ascii NULL,
  ADD COLUMN IF NOT EXISTS tied_by_words VARCHAR(160) NULL,
  ADD COLUMN IF NOT EXISTS made_for VARCHAR(40) CHARACTER SET ascii NULL,
  ADD COLUMN IF NOT EXISTS short_look BOOLEAN NOT NULL DEFAULT FALSE;
