/**
 * The inline eight once more: as an eight slipped round the rope's own strand. Its bight is drawn through a single eight, only the last pass
 * is doubled, and the end goes away at once; the first derivation doubles nearly the whole eight.
 */
import { forms } from '../slipped-eight/shape';
import type { LaidKnot } from '../../shape/laid';

export const inlineEightSlipped = (): LaidKnot => forms['half-hitch-missing']();
