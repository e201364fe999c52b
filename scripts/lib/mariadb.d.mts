import type { ChildProcess } from 'node:child_process';
import type { TestDatabase } from './testbed.mjs';

export function startMariadb(
  folder: string,
  port: number | null,
  options?: { onDeath?: (code: number | null) => void; throwaway?: boolean },
): Promise<TestDatabase & { readonly child: ChildProcess; stop(): Promise<void> }>;

export const MARIADBD: string;
export function runningOn(folder: string): number | null;
export function endLeftDatabase(folder: string, within?: { up_ms?: number; stop_ms?: number }): Promise<void>;
