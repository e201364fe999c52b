/** Pictures that are touched: fetched as text, because a picture in an img element cannot be, and where in one a pointer fell. */
import { useEffect, useState, type PointerEvent } from 'react';

/** The text of a picture; the last one stays until the next has come, and where it cannot be made. Null before the first. */
export function useSvg(url: string): string | null {
  const [svg, setSvg] = useState<string | null>(null);
  useEffect(() => {
    const left = new AbortController();
    void fetch(url, { signal: left.signal })
      .then(async (r) => {
        const text = await r.text();
        if (r.ok) setSvg(text);
      })
      .catch(() => undefined);
    return () => left.abort();
  }, [url]);
  return svg;
}

/** Where a pointer fell, in the picture's own coordinates; null where there is none yet. */
export function touchedPoint(
  box: HTMLElement | null,
  e: PointerEvent,
): { readonly svg: SVGSVGElement; readonly x: number; readonly y: number } | null {
  const svg = box?.querySelector('svg');
  const matrix = svg?.getScreenCTM();
  if (!svg || !matrix) return null;
  const { x, y } = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix.inverse());
  return { svg, x, y };
}
