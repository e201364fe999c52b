// Made by `npm run bake` from the folders beside it. Do not edit.
import type { KnotEntry } from './types';
import { entry as bowline } from './bowline/entry';
import { entry as bowlineLocked } from './bowline-locked/entry';
import { entry as doubleBowline } from './double-bowline/entry';
import { entry as figureEightFollowThrough } from './figure-eight-follow-through/entry';

export const ENTRIES: readonly KnotEntry[] = [bowline, bowlineLocked, doubleBowline, figureEightFollowThrough];
