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
-- What was set for a person by whom, and who confirmed in person that they are themselves. In the order of its numbers.
CREATE TABLE IF NOT EXISTS credential_events (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  number INT UNSIGNED NOT NULL AUTO_INCREMENT,
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  person CHAR(36) CHARACTER SET ascii NOT NULL,
  what ENUM('made','password','pin','passkey','own-password','own-pin','own-passkey','renamed','roles','confirmed') NOT NULL,
  roles SET('instructor','assessor','inspector','learner','owner') NULL,
  by_person CHAR(36) CHARACTER SET ascii NOT NULL,
  at DATETIME(3) NOT NULL,
  UNIQUE KEY (number),
  KEY (person, number),
  KEY (organisation, number),
  FOREIGN KEY (organisation) REFERENCES organisations (id),
  FOREIGN KEY (person) REFERENCES people (id)
);
-- A first password is known to whoever gave it: it is changed before anything else.
ALTER TABLE people ADD COLUMN IF NOT EXISTS must_change BOOLEAN NOT NULL DEFAULT FALSE AFTER pin_hash;
-- Heads of chains as they were signed: with the key that lies beside the data, not in them. Only added to.
CREATE TABLE IF NOT EXISTS signing_keys (
  id CHAR(16) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  public_key VARCHAR(400) CHARACTER SET ascii NOT NULL,
  since DATETIME(3) NOT NULL
);
CREATE TABLE IF NOT EXISTS signed_heads (
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  number INT UNSIGNED NOT NULL,
  sequence INT UNSIGNED NOT NULL,
  sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  why ENUM('start','hour','page','file','sign-off') NOT NULL,
  signed_at DATETIME(3) NOT NULL,
  previous_sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  signing_key CHAR(16) CHARACTER SET ascii NOT NULL,
  signature CHAR(128) CHARACTER SET ascii NOT NULL,
  PRIMARY KEY (organisation, number)
);
