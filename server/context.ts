/** What routes are given: the database, the clock, settings. Nothing is global. */
import type { Database } from './database';

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
  readonly logLevel: string;
}

export interface Context {
  readonly db: Database;
  /** connections that recording has for itself, and those by which it is asked whether all is well; those of all where they are not given */
  readonly recordingDb?: Database;
  readonly healthDb?: Database;
  readonly now: () => Date;
  readonly settings: Settings;
}
