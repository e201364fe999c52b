/** Judging, version 2, as `npm run freeze-judging` wrote it: rule set, common practice and the knot's entry as they are stored with a record. */
export declare function judgeBy(
  rules: { readonly profile: object; readonly practice: object; readonly common: boolean },
  entry: object,
  input: object,
): unknown;
