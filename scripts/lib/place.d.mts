export function freePort(): Promise<number>;
export function isTemporary(path: string): boolean;
