/** Stored as laid only: how it is drawn up is not computed yet. */
export const presentation = null;
