// Made by `npm run bake` from the folders beside it. Do not edit.
import type { KnotEntry } from './types';
import { entry as alpineButterfly } from './alpine-butterfly/entry';
import { entry as barrelNoose } from './barrel-noose/entry';
import { entry as bowline } from './bowline/entry';
import { entry as bowlineLocked } from './bowline-locked/entry';
import { entry as bowlineYosemite } from './bowline-yosemite/entry';
import { entry as butterflyRewoven } from './butterfly-rewoven/entry';
import { entry as doubleBowline } from './double-bowline/entry';
import { entry as doubleOverhandStopper } from './double-overhand-stopper/entry';
import { entry as figureEightFollowThrough } from './figure-eight-follow-through/entry';
import { entry as figureEightOnBight } from './figure-eight-on-bight/entry';
import { entry as figureEightStopper } from './figure-eight-stopper/entry';
import { entry as figureNineOnBight } from './figure-nine-on-bight/entry';
import { entry as figureNineStopper } from './figure-nine-stopper/entry';
import { entry as overhandOnBight } from './overhand-on-bight/entry';
import { entry as overhandStopper } from './overhand-stopper/entry';
import { entry as trefoilStopper } from './trefoil-stopper/entry';

export const ENTRIES: readonly KnotEntry[] = [alpineButterfly, barrelNoose, bowline, bowlineLocked, bowlineYosemite, butterflyRewoven, doubleBowline, doubleOverhandStopper, figureEightFollowThrough, figureEightOnBight, figureEightStopper, figureNineOnBight, figureNineStopper, overhandOnBight, overhandStopper, trefoilStopper];
