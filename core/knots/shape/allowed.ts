/** What a form may have otherwise than the others, each with the reason. */
export interface Allowed {
  /** laid with less room than others: strands nearer than 1.2, no nearer than 0.65 */
  readonly narrow?: string;
  /** drawn up it begins with strands nearer than others have them, no nearer than 0.65 */
  readonly closeOnTheWay?: string;
  /** its ends do not lead straight out as laid */
  readonly bentEnds?: string;
  /** its ends lie otherwise when it is drawn up: joined far away they go round each other another number of times; it is compared rope by rope */
  readonly endsPart?: string;
  /** the second rope's end is loose: only the first rope is compared */
  readonly fallsApart?: string;
}
/** By form. */
export type AllowedForms = Readonly<Record<string, Allowed>>;
