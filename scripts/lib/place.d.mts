export function freePort(): Promise<number>;
export function portFree(port: number, host?: string): Promise<boolean>;
export function isTemporary(path: string): boolean;
