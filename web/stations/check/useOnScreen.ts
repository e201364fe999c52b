/** Whether an element was wholly on screen, its pictures loaded: from then on it can be answered. Once it was, it stays so. */
import { useEffect, useRef, useState, type RefObject } from 'react';
import { observe } from 'react-intersection-observer';

/** Seconds since a moment by the clock of the device; what it took before goes along. To tenths. */
export const secondsSince = (at: number | null, before = 0): number =>
  Math.round((before + (at === null ? 0 : Math.max(0, Date.now() - at) / 1000)) * 10) / 10;

/** Nearly all of it: half a pixel at its edge does not count. */
const WHOLLY = 0.98;

/** When it first was wholly on screen, by the clock of the device; null before. Where nothing can be told nothing is held back. */
export function useOnScreen(): { readonly ref: RefObject<HTMLElement | null>; readonly since: number | null } {
  const ref = useRef<HTMLElement | null>(null);
  const [since, setSince] = useState<number | null>(() =>
    typeof IntersectionObserver === 'undefined' ? Date.now() : null,
  );
  useEffect(() => {
    const element = ref.current;
    if (!element || since !== null) return;
    const loaded = () => [...element.querySelectorAll('img')].every((i) => i.complete && i.naturalWidth > 0);
    let wholly = false;
    const look = () => {
      if (wholly && loaded()) setSince(Date.now());
    };
    const unobserve = observe(
      element,
      (_, entry) => {
        wholly = entry.intersectionRatio >= WHOLLY;
        look();
      },
      { threshold: [WHOLLY, 1] },
    );
    element.addEventListener('load', look, true);
    return () => {
      unobserve();
      element.removeEventListener('load', look, true);
    };
  }, [since]);
  return { ref, since };
}
