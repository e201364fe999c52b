/** What routes are given: the database, the clock, settings. Nothing is global. */
import type { Database } from './database';
import type { Signer } from './record/signing';

export interface Settings {
  readonly version: string;
  /** requests per minute and address, 0 = off */
  readonly ratePerMinute: number;
  /** folder of the built interface; null serves none */
  readonly webRoot: string | null;
  /** one-time token for the first instructor; null when there are people already */
  readonly setupToken: string | null;
  /** where the server is reached from outside, for printed codes; null takes the address of the request */
  readonly publicUrl?: string | null;
  /** file of the thread in which long work is done; none: it is done where it is asked */
  readonly workFile?: string | null;
  /** addresses of proxies in front of the server, whose words on who asks are believed */
  readonly proxies?: readonly string[];
  /** the header by which they say it, where it is another than X-Forwarded-For */
  readonly clientHeader?: string | null;
  /** PEM file of the ed25519 key that heads are signed with; none: they are not */
  readonly signingKeyFile?: string | null;
  /** file or address that is told of signed heads */
  readonly witness?: string | null;
  readonly logLevel: string;
}

export interface Context {
  /** signs heads of chains; none where no key was given */
  readonly signer?: Signer;
  readonly db: Database;
  /** connections that recording has for itself, and those by which it is asked whether all is well; those of all where they are not given */
  readonly recordingDb?: Database;
  readonly healthDb?: Database;
  readonly now: () => Date;
  readonly settings: Settings;
}
