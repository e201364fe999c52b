/** An address of its own for each key. */
export const keyed = (key: string): string => `of ${key}`;
