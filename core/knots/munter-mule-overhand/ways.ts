import type { Step } from '../stored';

export const ways: Readonly<Record<string, readonly Step[]>> = {};
