-- An entry is about a check, a rope or a walked round; the column was made when there were checks alone.
ALTER TABLE entries
  CHANGE COLUMN IF EXISTS check_id about CHAR(36) CHARACTER SET ascii NOT NULL,
  MODIFY COLUMN IF EXISTS kind ENUM('check','signature','correction','finding-closed','rope-event','round-finished') NOT NULL;
ALTER TABLE chain_heads ADD COLUMN IF NOT EXISTS checks INT UNSIGNED NOT NULL DEFAULT 0;
UPDATE chain_heads h SET checks = (SELECT COUNT(*) FROM check_status s WHERE s.organisation = h.organisation);
ALTER TABLE check_status
  ADD COLUMN IF NOT EXISTS faults VARCHAR(600) CHARACTER SET ascii NOT NULL DEFAULT '' AFTER alone,
  ADD COLUMN IF NOT EXISTS differs BOOLEAN NOT NULL DEFAULT FALSE AFTER faults,
  ADD COLUMN IF NOT EXISTS round_walk CHAR(36) CHARACTER SET ascii NULL AFTER profile_version,
  ADD COLUMN IF NOT EXISTS round_stop INT NULL AFTER round_walk,
  ADD KEY IF NOT EXISTS by_seen (organisation, seen_at),
  ADD KEY IF NOT EXISTS by_tier (organisation, tied_by, sequence),
  ADD KEY IF NOT EXISTS by_checker (organisation, checker, sequence),
  ADD KEY IF NOT EXISTS by_signer (organisation, signer, sequence),
  ADD KEY IF NOT EXISTS by_round (round_walk, sequence),
  ADD KEY IF NOT EXISTS findings_of_rope (organisation, rope, open_finding);
-- What rope lists show. Made from the entries alone, like check_status.
CREATE TABLE IF NOT EXISTS rope_status (
  rope CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  sequence INT UNSIGNED NOT NULL,
  retired BOOLEAN NOT NULL,
  open_damages INT NOT NULL,
  hard_falls INT NOT NULL,
  cut_m DOUBLE NOT NULL,
  KEY (organisation),
  FOREIGN KEY (organisation) REFERENCES organisations (id),
  FOREIGN KEY (rope) REFERENCES ropes (id)
);
ALTER TABLE ropes
  ADD COLUMN IF NOT EXISTS thing ENUM('rope','cord','sling','karabiner') NOT NULL DEFAULT 'rope' AFTER tag,
  MODIFY COLUMN IF EXISTS kind ENUM('dynamic','low-stretch','accessory-cord','high-modulus-cord','webbing','hollow-braid') NULL,
  MODIFY COLUMN IF EXISTS diameter_mm DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS request_sha256 CHAR(64) CHARACTER SET ascii NULL;
ALTER TABLE people ADD COLUMN IF NOT EXISTS pin_hash VARCHAR(200) CHARACTER SET ascii NULL AFTER password_hash;
CREATE TABLE IF NOT EXISTS wrong_pins (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  person CHAR(36) CHARACTER SET ascii NOT NULL,
  on_device_of CHAR(36) CHARACTER SET ascii NOT NULL,
  tried_at DATETIME(3) NOT NULL,
  KEY (person, tried_at),
  KEY (organisation, tried_at),
  FOREIGN KEY (organisation) REFERENCES organisations (id),
  FOREIGN KEY (person) REFERENCES people (id)
);
-- What each is signed off to tie and, apart, to check. Taken back by a later row.
CREATE TABLE IF NOT EXISTS sign_offs (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  person CHAR(36) CHARACTER SET ascii NOT NULL,
  knot VARCHAR(60) CHARACTER SET ascii NOT NULL,
  may ENUM('tie','check') NOT NULL,
  given BOOLEAN NOT NULL,
  signed_by CHAR(36) CHARACTER SET ascii NOT NULL,
  signed_at DATETIME(3) NOT NULL,
  request_sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  KEY (person, signed_at),
  FOREIGN KEY (organisation) REFERENCES organisations (id),
  FOREIGN KEY (person) REFERENCES people (id),
  FOREIGN KEY (signed_by) REFERENCES people (id)
);
CREATE TABLE IF NOT EXISTS rounds (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  name VARCHAR(120) NOT NULL,
  stops LONGTEXT NOT NULL,
  created_by CHAR(36) CHARACTER SET ascii NOT NULL,
  created_at DATETIME(3) NOT NULL,
  request_sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  KEY (organisation, created_at, id),
  FOREIGN KEY (organisation) REFERENCES organisations (id),
  FOREIGN KEY (created_by) REFERENCES people (id)
);
CREATE TABLE IF NOT EXISTS round_walks (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  round CHAR(36) CHARACTER SET ascii NOT NULL,
  begun_by CHAR(36) CHARACTER SET ascii NOT NULL,
  begun_at DATETIME(3) NOT NULL,
  finished_at DATETIME(3) NULL,
  request_sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  KEY (organisation, finished_at, begun_at),
  KEY (organisation, begun_at, id),
  FOREIGN KEY (organisation) REFERENCES organisations (id),
  FOREIGN KEY (round) REFERENCES rounds (id),
  FOREIGN KEY (begun_by) REFERENCES people (id)
);
-- A file of ropes or people that was read in; one request, all of its rows or none.
CREATE TABLE IF NOT EXISTS imports (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  what ENUM('ropes','people') NOT NULL,
  rows_read INT NOT NULL,
  read_by CHAR(36) CHARACTER SET ascii NOT NULL,
  read_at DATETIME(3) NOT NULL,
  request_sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  FOREIGN KEY (organisation) REFERENCES organisations (id),
  FOREIGN KEY (read_by) REFERENCES people (id)
);
