/** A process of the pool. Each task imports what it needs when it is first asked: what is not baked yet cannot be proved, but be baked. */
export const bake = async (knot, form) => (await import('./bakeTask.ts')).bake(knot, form);
export const prove = async (item) => (await import('./items.ts')).prove(item);
export const cheapFigures = async (knot) => (await import('./cheap.ts')).cheapFigures(knot);
