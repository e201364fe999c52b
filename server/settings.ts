import type { Settings } from './context';

export const VERSION = '0.1.0';

/** @throws Error naming the variable */
export function settingsFrom(env: NodeJS.ProcessEnv): Settings & { port: number; host: string; databaseUrl: string } {
  const whole = (name: string, fallback: number, max: number) => {
    const text = env[name];
    if (text === undefined || text === '') return fallback;
    const v = Number(text);
    if (!Number.isInteger(v) || v < 0 || v > max)
      throw new Error(`${name} must be a whole number from 0 to ${max}, not "${text}".`);
    return v;
  };
  if (!env['IDIOM_DATABASE_URL']) throw new Error('IDIOM_DATABASE_URL is missing.');
  return {
    version: VERSION,
    port: whole('PORT', 8080, 65535),
    host: env['IDIOM_HOST'] ?? '127.0.0.1',
    databaseUrl: env['IDIOM_DATABASE_URL'],
    ratePerMinute: whole('IDIOM_RATE_PER_MINUTE', 1200, 10_000_000),
    webRoot: env['IDIOM_WEB_ROOT'] ?? null,
    setupToken: env['IDIOM_SETUP_TOKEN'] ?? null,
    publicUrl: env['IDIOM_PUBLIC_URL'] ?? null,
    workFile: env['IDIOM_WORK_FILE'] ?? null,
    proxies: (env['IDIOM_PROXIES'] ?? '')
      .split(',')
      .map((a) => a.trim())
      .filter(Boolean),
    clientHeader: env['IDIOM_CLIENT_HEADER']?.toLowerCase() ?? null,
    signingKeyFile: env['IDIOM_SIGNING_KEY'] ?? null,
    witness: env['IDIOM_WITNESS'] ?? null,
    logLevel: env['IDIOM_LOG'] ?? 'warn',
  };
}
