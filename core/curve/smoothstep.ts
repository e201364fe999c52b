/** From 0 to 1 without a jolt at either end: 3 t^2 - 2 t^3, held at 0 below 0 and at 1 above 1. */
export const smoothstep = (t: number): number => (t <= 0 ? 0 : t >= 1 ? 1 : t * t * (3 - 2 * t));
