import type { WayOfTying } from '../tying';

export const ways: Readonly<Record<string, WayOfTying>> = {};
