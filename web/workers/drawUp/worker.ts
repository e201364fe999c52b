/** Draws a laid knot up, away from the page. To stop it the page ends the worker. */
import { drawUp } from '../../../core/knots/baking/drawUp';
import { IdiomError } from '../../../core/errors';
import type { LaidForms } from '../../../core/knots/shape/laid';
import type { Presentation } from '../../../core/knots/shape/presentation';
import type { DrawUpReply, DrawUpRequest } from './protocol';

const shapes = import.meta.glob<{ forms: LaidForms }>('../../../core/knots/shelf/*/shape.ts');
const presentations = import.meta.glob<{ presentation: Presentation }>('../../../core/knots/shelf/*/presentation.ts');
const port = self as unknown as {
  postMessage: (reply: DrawUpReply, transfer?: Transferable[]) => void;
  onmessage: ((e: MessageEvent<DrawUpRequest>) => void) | null;
};

async function work({ request, knot, form }: DrawUpRequest): Promise<void> {
  try {
    const at = `../../../core/knots/shelf/${knot}`;
    const [{ forms }, { presentation }] = await Promise.all([
      shapes[`${at}/shape.ts`]!(),
      presentations[`${at}/presentation.ts`]!(),
    ]);
    const laid = forms[form]!();
    if ('composed' in laid) throw new Error('no solver takes part');
    const { tight, parts, frames } = drawUp(laid, presentation, (share) =>
      port.postMessage({ request, kind: 'progress', share }),
    );
    port.postMessage(
      { request, kind: 'done', tight, parts, frames },
      frames.map((f) => f.buffer as ArrayBuffer),
    );
  } catch (error) {
    port.postMessage({ request, kind: 'failed', code: error instanceof IdiomError ? error.code : 'unknown' });
  }
}
port.onmessage = (e) => void work(e.data);
