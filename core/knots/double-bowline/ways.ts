import type { Step } from '../catalogue';

export const ways: Readonly<Record<string, readonly Step[]>> = {};
