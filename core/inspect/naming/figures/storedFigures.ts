/** How the figures of the forms are stored: each text once, named by its number; a value with that of the mirror image. */
import type { Figures } from './formFigures';

export interface StoredFigures {
  readonly texts: readonly string[];
  readonly forms: Readonly<Record<string, Readonly<Record<string, readonly (readonly number[])[]>>>>;
}

export const figuresIn = ({ texts, forms }: StoredFigures): Record<string, Figures> =>
  Object.fromEntries(
    Object.entries(forms).map(([id, figures]) => [
      id,
      Object.fromEntries(
        Object.entries(figures).map(([name, values]) => [
          name,
          values.map(([a, b]) => ({ as: texts[a!]!, mirrored: texts[b!]! })),
        ]),
      ),
    ]),
  );
