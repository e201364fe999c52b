/** Every endpoint once, by its route (routes.ts): what the server binds, what the interface calls, what the documentation shows. */
import type { Endpoint } from './endpoint';
import { INSPECT } from './inspect';
import { KNOTS } from './knots';
import { PEOPLE } from './people';
import { RECORDS } from './records';
import { ROPES } from './ropes';
import { WORK } from './work';

export type { Endpoint };

export const ENDPOINTS = { ...KNOTS, ...INSPECT, ...PEOPLE, ...ROPES, ...RECORDS, ...WORK } as const satisfies Record<
  string,
  Endpoint
>;
