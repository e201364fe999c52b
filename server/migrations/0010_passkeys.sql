-- Passkeys: a public key whose private half lies on a person's own device. A removed one stays, so that what it stood for can be read.
CREATE TABLE IF NOT EXISTS passkeys (
  id CHAR(36) CHARACTER SET ascii NOT NULL PRIMARY KEY,
  organisation CHAR(36) CHARACTER SET ascii NOT NULL,
  person CHAR(36) CHARACTER SET ascii NOT NULL,
  name VARCHAR(60) NOT NULL,
  rp_id VARCHAR(253) CHARACTER SET ascii NOT NULL,
  credential_id VARBINARY(1023) NOT NULL,
  credential_sha256 CHAR(64) CHARACTER SET ascii NOT NULL,
  public_key VARBINARY(2048) NOT NULL,
  transports VARCHAR(100) CHARACTER SET ascii NOT NULL,
  counter INT UNSIGNED NOT NULL,
  made_at DATETIME(3) NOT NULL,
  removed_at DATETIME(3) NULL,
  UNIQUE KEY (credential_sha256),
  KEY (person, made_at),
  FOREIGN KEY (organisation) REFERENCES organisations (id),
  FOREIGN KEY (person) REFERENCES people (id)
);
ALTER TABLE credential_events
  MODIFY COLUMN IF EXISTS what ENUM('made','password','pin','own-password','own-pin','own-passkey','passkey-removed','renamed','roles','confirmed') NOT NULL;
