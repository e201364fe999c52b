/** Ropes and what belongs to them, rounds over places. */
import type { Endpoint } from './endpoint';
import { page } from '../common';
import { recordedReply } from '../records';
import { RECORDING_ROLES } from '../roles';
import { labelsQuery, newRopeBody, newRopeEventBody, ropeLifeReply, ropeParams, ropeReply, ropesReply } from '../ropes';
import {
  finishRoundWalkBody,
  newRoundBody,
  newRoundWalkBody,
  roundParams,
  roundReply,
  roundsReply,
  roundWalkReply,
  roundWalksQuery,
  roundWalksReply,
} from '../rounds';
import { ROUTES } from '../routes';

export const ROPES = {
  ropes: {
    ...ROUTES.ropes,
    summary: 'Ropes of the organisation',
    access: 'session',
    reply: ropesReply,
  },
  newRope: {
    ...ROUTES.newRope,
    summary: 'Add a rope',
    access: ['instructor', 'inspector', 'owner'],
    body: newRopeBody,
    reply: ropeReply,
  },
  ropesCsv: {
    ...ROUTES.ropesCsv,
    summary: 'Ropes as CSV',
    access: 'session',
    files: ['text/csv'],
  },
  ropesJson: {
    ...ROUTES.ropesJson,
    summary: 'Ropes as a JSON file',
    access: 'session',
    files: ['application/json'],
  },
  ropeLabels: {
    ...ROUTES.ropeLabels,
    summary: 'Labels with a QR code for ropes, cords, slings and karabiners',
    access: 'session',
    query: labelsQuery,
    files: ['application/pdf'],
  },
  rope: {
    ...ROUTES.rope,
    summary: 'The life of a rope; PDF with Accept: application/pdf',
    access: 'session',
    params: ropeParams,
    reply: ropeLifeReply,
  },
  ropePdf: {
    ...ROUTES.ropePdf,
    summary: 'The life of a rope as PDF',
    access: 'session',
    params: ropeParams,
    files: ['application/pdf'],
  },
  newRopeEvent: {
    ...ROUTES.newRopeEvent,
    summary:
      'Note what happened to a rope: looked over, damage and what was done about it, hard fall, end cut off, retired',
    access: RECORDING_ROLES,
    params: ropeParams,
    body: newRopeEventBody,
    reply: recordedReply,
  },
  rounds: {
    ...ROUTES.rounds,
    summary: 'Rounds, newest first',
    access: 'session',
    query: page,
    reply: roundsReply,
  },
  newRound: {
    ...ROUTES.newRound,
    summary: 'Keep a round: places in walking order, with the knots expected there',
    access: RECORDING_ROLES,
    body: newRoundBody,
    reply: roundReply,
  },
  round: {
    ...ROUTES.round,
    summary: 'One round',
    access: 'session',
    params: roundParams,
    reply: roundReply,
  },
  roundWalks: {
    ...ROUTES.roundWalks,
    summary: 'Walks of rounds, newest first',
    access: 'session',
    query: roundWalksQuery,
    reply: roundWalksReply,
  },
  newRoundWalk: {
    ...ROUTES.newRoundWalk,
    summary: 'Begin to walk a round',
    access: RECORDING_ROLES,
    body: newRoundWalkBody,
    reply: roundWalkReply,
  },
  roundWalk: {
    ...ROUTES.roundWalk,
    summary: 'A walk of a round, stop by stop',
    access: 'session',
    params: roundParams,
    reply: roundWalkReply,
  },
  finishRoundWalk: {
    ...ROUTES.finishRoundWalk,
    summary: 'Finish a round: what was not reached is not judged',
    access: RECORDING_ROLES,
    params: roundParams,
    body: finishRoundWalkBody,
    reply: recordedReply,
  },
  roundWalkPdf: {
    ...ROUTES.roundWalkPdf,
    summary: 'A walked round as PDF',
    access: 'session',
    params: roundParams,
    files: ['application/pdf'],
  },
  roundWalkCsv: {
    ...ROUTES.roundWalkCsv,
    summary: 'A walked round as CSV',
    access: 'session',
    params: roundParams,
    files: ['text/csv'],
  },
} as const satisfies Record<string, Endpoint>;
