// Made by `npm run bake` from the folders beside it. Do not edit.
import type { CatalogueKnot } from './stored';
import { entry as bowline } from './bowline/entry';
import { baked as bowlineBaked } from './bowline/baked';
import { ways as bowlineWays } from './bowline/ways';
import { entry as bowlineLocked } from './bowline-locked/entry';
import { baked as bowlineLockedBaked } from './bowline-locked/baked';
import { ways as bowlineLockedWays } from './bowline-locked/ways';
import { entry as doubleBowline } from './double-bowline/entry';
import { baked as doubleBowlineBaked } from './double-bowline/baked';
import { ways as doubleBowlineWays } from './double-bowline/ways';
import { entry as figureEightFollowThrough } from './figure-eight-follow-through/entry';
import { baked as figureEightFollowThroughBaked } from './figure-eight-follow-through/baked';
import { ways as figureEightFollowThroughWays } from './figure-eight-follow-through/ways';

export const CATALOGUE: readonly CatalogueKnot[] = [
  { entry: bowline, baked: bowlineBaked, ways: bowlineWays },
  { entry: bowlineLocked, baked: bowlineLockedBaked, ways: bowlineLockedWays },
  { entry: doubleBowline, baked: doubleBowlineBaked, ways: doubleBowlineWays },
  { entry: figureEightFollowThrough, baked: figureEightFollowThroughBaked, ways: figureEightFollowThroughWays },
];
