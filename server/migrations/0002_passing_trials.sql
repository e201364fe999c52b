CREATE TABLE IF NOT EXISTS passing_trials (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  knot VARCHAR(60) CHARACTER SET ascii NOT NULL,
  device VARCHAR(40) CHARACTER SET ascii NOT NULL,
  opening_mm DOUBLE NULL,
  rope_diameter_mm DOUBLE NOT NULL,
  tail_mm DOUBLE NULL,
  result VARCHAR(20) CHARACTER SET ascii NOT NULL,
  caught VARCHAR(20) CHARACTER SET ascii NULL,
  note VARCHAR(400) NOT NULL,
  created_by CHAR(36) CHARACTER SET ascii NOT NULL,
  created_at DATETIME(3) NOT NULL,
  request_sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  KEY (organisation, created_at, id),
  FOREIGN KEY (organisation) REFERENCES organisations (id),
  FOREIGN KEY (created_by) REFERENCES people (id)
);
