CREATE TABLE IF NOT EXISTS organisations (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  demo BOOLEAN NOT NULL DEFAULT FALSE,
  created_at DATETIME(3) NOT NULL
);
CREATE TABLE IF NOT EXISTS people (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  handle VARCHAR(40) CHARACTER SET ascii NOT NULL,
  name VARCHAR(120) NOT NULL,
  password_hash VARCHAR(200) CHARACTER SET ascii NOT NULL,
  roles SET('instructor','assessor','inspector','learner','owner') NOT NULL,
  fist_mm DOUBLE NOT NULL DEFAULT 100,
  calibrated BOOLEAN NOT NULL DEFAULT FALSE,
  length_unit ENUM('mm','in','fist') NOT NULL DEFAULT 'mm',
  hand ENUM('right','left') NOT NULL DEFAULT 'right',
  single_keys BOOLEAN NOT NULL DEFAULT TRUE,
  about VARCHAR(200) NOT NULL DEFAULT '',
  created_at DATETIME(3) NOT NULL,
  UNIQUE KEY (handle),
  KEY (organisation, name),
  FOREIGN KEY (organisation) REFERENCES organisations (id)
);
CREATE TABLE IF NOT EXISTS sessions (
  token_sha256 CHAR(64) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  person CHAR(36) CHARACTER SET ascii NOT NULL,
  created_at DATETIME(3) NOT NULL,
  expires_at DATETIME(3) NOT NULL,
  KEY (person),
  KEY (expires_at),
  FOREIGN KEY (person) REFERENCES people (id)
);
CREATE TABLE IF NOT EXISTS ropes (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  tag VARCHAR(40) NOT NULL,
  kind ENUM('dynamic','low-stretch','accessory-cord','high-modulus-cord','webbing','hollow-braid') NOT NULL,
  diameter_mm DOUBLE NOT NULL,
  length_m DOUBLE NULL,
  state ENUM('in-service','retired') NOT NULL DEFAULT 'in-service',
  in_service_since DATE NULL,
  note VARCHAR(2000) NOT NULL DEFAULT '',
  created_at DATETIME(3) NOT NULL,
  UNIQUE KEY (organisation, tag),
  FOREIGN KEY (organisation) REFERENCES organisations (id)
);
CREATE TABLE IF NOT EXISTS profile_versions (
  profile VARCHAR(60) CHARACTER SET ascii NOT NULL,
  version INT NOT NULL,
  organisation CHAR(36) CHARACTER SET ascii NULL,
  content LONGTEXT NOT NULL,
  sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  created_at DATETIME(3) NOT NULL,
  PRIMARY KEY (profile, version)
);
CREATE TABLE IF NOT EXISTS jobs (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  name VARCHAR(120) NOT NULL,
  rope CHAR(36) CHARACTER SET ascii NULL,
  job LONGTEXT NOT NULL,
  created_by CHAR(36) CHARACTER SET ascii NOT NULL,
  created_at DATETIME(3) NOT NULL,
  request_sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  KEY (organisation, created_at, id),
  FOREIGN KEY (organisation) REFERENCES organisations (id),
  FOREIGN KEY (created_by) REFERENCES people (id),
  FOREIGN KEY (rope) REFERENCES ropes (id)
);
CREATE TABLE IF NOT EXISTS tied_knots (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  knot VARCHAR(60) CHARACTER SET ascii NOT NULL,
  rope CHAR(36) CHARACTER SET ascii NOT NULL,
  place VARCHAR(160) NOT NULL,
  tied_by CHAR(36) CHARACTER SET ascii NOT NULL,
  tied_at DATETIME(3) NOT NULL,
  ended_at DATETIME(3) NULL,
  ended_why VARCHAR(200) NULL,
  request_sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  KEY (organisation, tied_at, id),
  FOREIGN KEY (organisation) REFERENCES organisations (id),
  FOREIGN KEY (rope) REFERENCES ropes (id),
  FOREIGN KEY (tied_by) REFERENCES people (id)
);
-- The record. Append-only: the application's account may neither change nor remove a row.
CREATE TABLE IF NOT EXISTS entries (
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  sequence INT UNSIGNED NOT NULL,
  id CHAR(36) CHARACTER SET ascii NOT NULL,
  check_id CHAR(36) CHARACTER SET ascii NOT NULL,
  kind ENUM('check','signature','correction','finding-closed') NOT NULL,
  bytes LONGBLOB NOT NULL,
  sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  previous_sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  request_sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  recorded_at DATETIME(3) NOT NULL,
  recorded_by CHAR(36) CHARACTER SET ascii NOT NULL,
  PRIMARY KEY (organisation, sequence),
  UNIQUE KEY (id),
  KEY (check_id),
  FOREIGN KEY (organisation) REFERENCES organisations (id)
);
CREATE TABLE IF NOT EXISTS chain_heads (
  organisation CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  sequence INT UNSIGNED NOT NULL,
  sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  FOREIGN KEY (organisation) REFERENCES organisations (id)
);
-- What lists show of each check. Made from the entries alone; `npm run verify` makes it again and compares.
CREATE TABLE IF NOT EXISTS check_status (
  check_id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  sequence INT UNSIGNED NOT NULL,
  tied_knot CHAR(36) CHARACTER SET ascii NOT NULL,
  seen_at DATETIME(3) NOT NULL,
  knot VARCHAR(60) CHARACTER SET ascii NOT NULL,
  rope CHAR(36) CHARACTER SET ascii NOT NULL,
  place VARCHAR(160) NOT NULL,
  tied_by CHAR(36) CHARACTER SET ascii NOT NULL,
  checker CHAR(36) CHARACTER SET ascii NOT NULL,
  signer CHAR(36) CHARACTER SET ascii NULL,
  verdict ENUM('meets-the-rule','put-right','take-out-and-retie','not-judged') NOT NULL,
  points_verdict ENUM('meets-the-rule','put-right','take-out-and-retie','not-judged') NOT NULL,
  open_finding BOOLEAN NOT NULL,
  awaits_signature BOOLEAN NOT NULL,
  corrected BOOLEAN NOT NULL,
  alone BOOLEAN NOT NULL,
  tail_mm DOUBLE NULL,
  tail_margin_mm DOUBLE NULL,
  profile VARCHAR(60) CHARACTER SET ascii NOT NULL,
  profile_version INT NOT NULL,
  demo BOOLEAN NOT NULL,
  KEY by_time (organisation, sequence),
  KEY by_rope (organisation, rope, sequence),
  KEY by_verdict (organisation, verdict, sequence),
  KEY by_finding (organisation, open_finding, sequence),
  KEY by_signature (organisation, awaits_signature, sequence),
  FOREIGN KEY (organisation) REFERENCES organisations (id)
);
