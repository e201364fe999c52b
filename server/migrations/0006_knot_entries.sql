-- Each version of a knot's entry that a check was judged by, once: with it the verdict can be computed again. Those from before this table
-- stand in entries-before-0006.jsonl.gz and are put here when the program starts.
CREATE TABLE IF NOT EXISTS knot_entries (
  sha256 CHAR(64) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  knot VARCHAR(80) CHARACTER SET ascii NOT NULL,
  content LONGTEXT NOT NULL,
  created_at DATETIME(3) NOT NULL,
  KEY (knot)
);
