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
  readonly logLevel: string;
}

export interface Context {
  readonly db: Database;
  readonly now: () => Date;
  readonly settings: Settings;
}
