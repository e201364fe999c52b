import type { ChildProcess } from 'node:child_process';

export interface TestDatabase {
  readonly adminUrl: string;
  readonly socket: string;
}
export interface TestServer {
  readonly url: string;
  readonly databaseUrl: string;
  readonly child: ChildProcess;
  stop(): Promise<void>;
}
export function testServer(db: TestDatabase, name: string, env?: Record<string, string>): Promise<TestServer>;
export function preparedDatabase(db: TestDatabase, name: string, env?: Record<string, string>): string;
export function testDatabase(options?: { throwaway?: boolean }): Promise<TestDatabase & { stop(): Promise<void> }>;
