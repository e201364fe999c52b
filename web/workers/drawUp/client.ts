/** The page's side of drawing a knot up: one worker a run, ended when the run is done, stopped or left. */
import type { DrawnPart } from '../../../core/knots/baking/drawUp';
import type { BakedShape } from '../../../core/knots/shape/stored';
import type { DrawUpReply, DrawUpRequest } from './protocol';

export interface DrawnUpHere {
  readonly tight: BakedShape;
  readonly parts: readonly DrawnPart[];
  readonly frames: readonly Float32Array[];
}
export interface DrawUpRun {
  /** null when stopped; rejects with the code of a run that was thrown away */
  readonly result: Promise<DrawnUpHere | null>;
  readonly stop: () => void;
}

let requests = 0;

export function drawUpHere(knot: string, form: string, onProgress: (share: number) => void): DrawUpRun {
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
  const request = ++requests;
  let end: (value: null) => void;
  const result = new Promise<DrawnUpHere | null>((resolve, reject) => {
    end = resolve;
    worker.onmessage = ({ data }: MessageEvent<DrawUpReply>) => {
      if (data.request !== request) return;
      if (data.kind === 'progress') return onProgress(data.share);
      worker.terminate();
      if (data.kind === 'failed') reject(new Error(data.code));
      else resolve({ tight: data.tight, parts: data.parts, frames: data.frames });
    };
    worker.onerror = () => {
      worker.terminate();
      reject(new Error('worker-failed'));
    };
  });
  worker.postMessage({ request, knot, form } satisfies DrawUpRequest);
  return {
    result,
    stop: () => {
      worker.terminate();
      end(null);
    },
  };
}
