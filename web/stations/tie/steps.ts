/** A way as its steps: what is said of each, and the picture of where it comes to. */
import type { z } from 'zod';
import type { wayReply } from '../../../contract';
import { pictureUrl } from '../../parts/KnotPicture';

export type WayData = z.output<typeof wayReply>;
export interface StepShown {
  readonly caption: string;
  readonly hands: { readonly left: string; readonly right: string };
  readonly moving: string;
  /** key frames it takes, the last one is where it comes to; none for dressing and setting */
  readonly keys: readonly [number, number] | null;
  picture(size: number, theme: string): string;
}

export function stepsOf(knot: string, way: string, data: WayData): StepShown[] {
  const last = data.frames.at(-1)!.step;
  const made = Array.from({ length: last + 1 }, (_, step): StepShown => {
    const [first, end] = [
      data.frames.findIndex((f) => f.step === step),
      data.frames.findLastIndex((f) => f.step === step),
    ];
    const { caption, hands, moving } = data.frames[end]!;
    return {
      caption,
      hands,
      moving,
      keys: [Math.max(0, first - 1), end],
      picture: (size, theme) => `/api/v1/knots/${knot}/ways/${way}/frame.svg?frame=${end}&size=${size}&theme=${theme}`,
    };
  });
  // set it is what it was tied as: a wrong way's knot is the wrong one
  const form = data.ends_in ? { form: data.ends_in.fault } : data.form === 'right' ? {} : { variant: data.form };
  return [
    ...made,
    ...data.then.map(({ state, ...told }): StepShown => ({
      ...told,
      keys: null,
      picture: (size, theme) => pictureUrl({ knot, ...form, state, crop: 'knot', size, alt: '' }, theme),
    })),
  ];
}
