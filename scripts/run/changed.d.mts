export function testsThatReach(
  files: readonly string[],
  read: ReadonlyMap<string, string>,
): { readonly test: string; readonly steps: number }[];
export function withinTime(
  reached: readonly { readonly test: string; readonly steps: number }[],
  took: (test: string) => number,
  together_s?: number,
): { readonly run: string[]; readonly leftOut: string[] };
