-- Each row that is shown is an entry of the record when it is made or changed. What belongs to no organisation has a chain of its own, under
-- an id that no organisation has: so the two tables of the chain no longer point at organisations.
ALTER TABLE entries DROP FOREIGN KEY IF EXISTS entries_ibfk_1;
ALTER TABLE chain_heads DROP FOREIGN KEY IF EXISTS chain_heads_ibfk_1;
ALTER TABLE entries
  MODIFY COLUMN IF EXISTS kind ENUM('check','signature','correction','finding-closed','rope-event','round-finished','incident','rows','baseline') NOT NULL;
INSERT IGNORE INTO chain_heads (organisation, sequence, sha256)
  VALUES ('00000000-0000-0000-0000-000000000000', 0, '0000000000000000000000000000000000000000000000000000000000000000');
-- The record holds SHA-256 of the salt with the name: without the salt nothing of the name can be found from it.
ALTER TABLE people ADD COLUMN IF NOT EXISTS name_salt BINARY(32) NULL AFTER name;
