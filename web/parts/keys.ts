/** Keys. Alt+digit goes to a place; single keys never fire in a field and can be switched off per person. */
import { useLayoutEffect, useRef } from 'react';
import { useSessionQuery } from '../store/api';

const inField = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) &&
  !(target instanceof HTMLInputElement && /^(radio|checkbox|button)$/.test(target.type));

/** Single keys while the component is shown; letters are given in lower case. */
export function useKeys(handlers: Readonly<Record<string, () => void>>): void {
  const { data } = useSessionQuery();
  const enabled = data?.person?.single_keys ?? true;
  const latest = useRef(handlers);
  // before the browser paints: a key pressed at what is seen must not reach what was seen before
  useLayoutEffect(() => {
    latest.current = handlers;
  });
  useLayoutEffect(() => {
    if (!enabled) return;
    const down = (e: KeyboardEvent) => {
      if (
        e.altKey ||
        e.ctrlKey ||
        e.metaKey ||
        e.defaultPrevented ||
        inField(e.target) ||
        document.querySelector('.modal.show, .dropdown-menu.show')
      )
        return;
      const handler = latest.current[e.key.length === 1 ? e.key.toLowerCase() : e.key];
      if (!handler) return;
      e.preventDefault();
      handler();
    };
    document.addEventListener('keydown', down);
    return () => document.removeEventListener('keydown', down);
  }, [enabled]);
}

/** Alt+digit, everywhere. */
export function useAltDigits(go: (digit: number) => void): void {
  const latest = useRef(go);
  useLayoutEffect(() => {
    latest.current = go;
  });
  useLayoutEffect(() => {
    const down = (e: KeyboardEvent) => {
      if (!e.altKey || e.ctrlKey || e.metaKey) return;
      const digit = /^Digit([0-7])$/.exec(e.code)?.[1];
      if (digit === undefined) return;
      e.preventDefault();
      latest.current(Number(digit));
    };
    document.addEventListener('keydown', down);
    return () => document.removeEventListener('keydown', down);
  }, []);
}
