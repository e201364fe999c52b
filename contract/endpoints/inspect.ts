/** What a shape is, drills, and showing on another screen. */
import type { Endpoint } from './endpoint';
import {
  changesReply,
  drillBody,
  drillReply,
  identifyBody,
  identifyReply,
  lookalikesReply,
  touchedParams,
  touchedPictureQuery,
  touchedQuery,
  touchedReply,
} from '../inspect';
import { ROUTES } from '../routes';
import { movedShow, openedShow, showParams, showState } from '../shows';

export const INSPECT = {
  openShow: {
    ...ROUTES.openShow,
    summary: 'Show a way of tying on another screen: a code for it',
    access: 'session',
    body: showState,
    reply: openedShow,
  },
  moveShow: {
    ...ROUTES.moveShow,
    summary: 'Where the one who shows it stands now',
    access: 'session',
    params: showParams,
    body: showState,
    reply: movedShow,
  },
  followShow: {
    ...ROUTES.followShow,
    summary: 'Follow what is shown: a stream of server-sent events, each the state as JSON',
    access: 'open',
    params: showParams,
    files: ['text/event-stream'],
  },
  identify: {
    ...ROUTES.identify,
    summary: 'What was entered: a shape, or the Gauss code of its faces',
    access: 'open',
    body: identifyBody,
    reply: identifyReply,
  },
  touched: {
    ...ROUTES.touched,
    summary: 'The laid knot with crossings reversed: what it then is',
    access: 'open',
    params: touchedParams,
    query: touchedQuery,
    reply: touchedReply,
  },
  touchedPicture: {
    ...ROUTES.touchedPicture,
    summary: 'A face of the laid knot with crossings reversed',
    access: 'open',
    params: touchedParams,
    query: touchedPictureQuery,
    files: ['image/svg+xml'],
  },
  changes: {
    ...ROUTES.changes,
    summary: 'Its wrong forms, by the part of the knot where each shows',
    access: 'open',
    params: touchedParams,
    reply: changesReply,
  },
  lookalikes: {
    ...ROUTES.lookalikes,
    summary: 'Knots and faults within one crossing, one turn or one exchanged end',
    access: 'open',
    params: touchedParams,
    reply: lookalikesReply,
  },
  drill: {
    ...ROUTES.drill,
    summary: 'A knot, right or wrong, to be spotted, with its key',
    access: 'open',
    body: drillBody,
    reply: drillReply,
  },
} as const satisfies Record<string, Endpoint>;
