export const root: string;
export function ensurePackages(): void;
export function ensureSystem(wanted: readonly (readonly [file: string, packageName: string])[]): void;
export function ensureBuilt(): boolean;
