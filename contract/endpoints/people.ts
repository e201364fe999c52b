/** Sessions, people and what is read in from files. */
import type { Endpoint } from './endpoint';
import {
  changePersonBody,
  credentialsReply,
  demoPeopleReply,
  newConfirmationBody,
  newPersonBody,
  newSignOffBody,
  ownPasswordBody,
  ownPinBody,
  peopleReply,
  person,
  personParams,
  personReply,
  preferencesBody,
  sessionReply,
  setupBody,
  signInBody,
} from '../people';
import { page } from '../common';
import { importBody, importReply } from '../ropes';
import { ROUTES } from '../routes';

export const PEOPLE = {
  session: {
    ...ROUTES.session,
    summary: 'Who is signed in',
    access: 'open',
    reply: sessionReply,
  },
  signIn: {
    ...ROUTES.signIn,
    summary: 'Sign in',
    access: 'open',
    body: signInBody,
    reply: sessionReply,
  },
  signOut: {
    ...ROUTES.signOut,
    summary: 'Sign out',
    access: 'open',
    reply: sessionReply,
  },
  demoPeople: {
    ...ROUTES.demoPeople,
    summary: 'The made-up people of the demo',
    access: 'open',
    reply: demoPeopleReply,
  },
  setup: {
    ...ROUTES.setup,
    summary: 'The first instructor, by the one-time link',
    access: 'open',
    body: setupBody,
    reply: sessionReply,
  },
  preferences: {
    ...ROUTES.preferences,
    summary: 'Own measures and habits',
    access: 'session',
    body: preferencesBody,
    reply: person,
  },
  people: {
    ...ROUTES.people,
    summary: 'People of the organisation',
    access: 'session',
    reply: peopleReply,
  },
  newPerson: {
    ...ROUTES.newPerson,
    summary: 'Add a person',
    access: ['instructor'],
    body: newPersonBody,
    reply: person,
  },
  personById: {
    ...ROUTES.personById,
    summary: 'One person: what each is signed off to tie and to check',
    access: 'session',
    params: personParams,
    reply: personReply,
  },
  changePerson: {
    ...ROUTES.changePerson,
    summary: 'Change a person’s name or roles, or give a new first password',
    access: ['instructor'],
    params: personParams,
    body: changePersonBody,
    reply: personReply,
  },
  ownPassword: {
    ...ROUTES.ownPassword,
    summary: 'Change the own password; every other session ends',
    access: 'session',
    withFirstPassword: true,
    body: ownPasswordBody,
    reply: sessionReply,
  },
  newConfirmation: {
    ...ROUTES.newConfirmation,
    summary: 'Say that one has seen the person face to face, and that it is they who have this account',
    access: ['instructor'],
    params: personParams,
    body: newConfirmationBody,
    reply: personReply,
  },
  credentials: {
    ...ROUTES.credentials,
    summary: 'What was set for whom and by whom: people made, passwords and PINs, names, roles, confirmations',
    access: ['instructor'],
    query: page,
    reply: credentialsReply,
  },
  ownPin: {
    ...ROUTES.ownPin,
    summary: 'Set the own PIN, by which one signs on somebody else’s device',
    access: 'session',
    body: ownPinBody,
    reply: person,
  },
  newSignOff: {
    ...ROUTES.newSignOff,
    summary: 'Sign a person off to tie or to check a knot, or take that back',
    access: ['instructor', 'assessor'],
    params: personParams,
    body: newSignOffBody,
    reply: personReply,
  },
  import: {
    ...ROUTES.import,
    summary:
      'Read a CSV of ropes or people: what is in it and what is wrong, row by row; all of it is read in, or nothing',
    access: ['instructor'],
    body: importBody,
    reply: importReply,
  },
} as const satisfies Record<string, Endpoint>;
