/** Work that takes longer than one waits for. */
import type { Endpoint } from './endpoint';
import { ROUTES } from '../routes';
import { workParams, workReply } from '../work';

export const WORK = {
  longWork: {
    ...ROUTES.longWork,
    summary: 'How far longer work is',
    access: 'session',
    params: workParams,
    reply: workReply,
  },
  stopWork: {
    ...ROUTES.stopWork,
    summary: 'Stop longer work',
    access: 'session',
    params: workParams,
    reply: workReply,
  },
  workResult: {
    ...ROUTES.workResult,
    summary: 'What came of longer work',
    access: 'session',
    params: workParams,
    files: ['application/pdf'],
  },
} as const satisfies Record<string, Endpoint>;
