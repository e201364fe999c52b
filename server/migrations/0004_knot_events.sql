CREATE TABLE IF NOT EXISTS knot_events (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  tied_knot CHAR(36) CHARACTER SET ascii NOT NULL,
  kind ENUM('moved','other-rope-took-load','reloaded','left-idle') NOT NULL,
  note VARCHAR(400) NOT NULL,
  noted_by CHAR(36) CHARACTER SET ascii NOT NULL,
  noted_at DATETIME(3) NOT NULL,
  request_sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  KEY (tied_knot, noted_at),
  FOREIGN KEY (organisation) REFERENCES organisations (id),
  FOREIGN KEY (tied_knot) REFERENCES tied_knots (id),
  FOREIGN KEY (noted_by) REFERENCES people (id)
);
ALTER TABLE tied_knots ADD KEY IF NOT EXISTS in_the_rope (organisation, ended_at, tied_at);
ALTER TABLE check_status ADD KEY IF NOT EXISTS by_tied_knot (tied_knot, seen_at);
