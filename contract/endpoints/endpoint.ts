import type { z } from 'zod';
import type { Role } from '../roles';

export interface Endpoint {
  readonly method: 'GET' | 'POST' | 'PATCH' | 'DELETE';
  readonly path: string;
  readonly summary: string;
  /** 'open' needs no session; otherwise a session, and one of the roles if any are given */
  readonly access: 'open' | 'session' | readonly Role[];
  /** open too to somebody who has still to change a first password */
  readonly withFirstPassword?: true;
  readonly params?: z.ZodType;
  readonly query?: z.ZodType;
  readonly body?: z.ZodType;
  /** JSON reply; left out where the reply is a file */
  readonly reply?: z.ZodType;
  readonly files?: readonly string[];
}
