/** Small helpers of the benches: percentiles, and a fixed piece of arithmetic as the machine's own reference. */

export function percentile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)]!;
}

/** Milliseconds for a fixed piece of floating-point work: other times are given as multiples of it. */
export function reference_ms(): number {
  const begun = performance.now();
  let x = 0.5;
  for (let i = 0; i < 20_000_000; i++) x = Math.sin(x) * 1.0001 + 0.3;
  if (!Number.isFinite(x)) throw new Error('unreachable');
  return performance.now() - begun;
}

/** Runs `work` `times` and gives p50 and p95 in ms. */
export async function timed(times: number, work: () => unknown): Promise<{ p50_ms: number; p95_ms: number }> {
  for (let i = 0; i < Math.min(20, times); i++) await work();
  const ms: number[] = [];
  for (let i = 0; i < times; i++) {
    const begun = performance.now();
    await work();
    ms.push(performance.now() - begun);
  }
  return { p50_ms: percentile(ms, 0.5), p95_ms: percentile(ms, 0.95) };
}

export const JOB = {
  purpose: 'tie-in',
  profile: 'sport-crag',
  rope: { kind: 'dynamic', diameter_mm: 10.2 },
  second_rope: null,
  pulls: ['standing-eye'],
  object: 'harness',
  end_free: true,
  untie: 'after-hard-falls',
  must_pass: [],
  team: 'trained',
  life_load: true,
} as const;

/** A cookie of one of the demo's people, and what the session says. */
export async function signedIn(
  url: string,
): Promise<{ cookie: string; organisation: { id: string }; person: { id: string } }> {
  const r = await fetch(`${url}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ handle: 'tove', password: 'fulmar-sound-demo' }),
  });
  return {
    cookie: r.headers.get('set-cookie')!.split(';')[0]!,
    ...((await r.json()) as { organisation: { id: string }; person: { id: string } }),
  };
}
