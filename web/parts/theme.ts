/** The chosen theme, kept on the device. */
import { useSyncExternalStore } from 'react';
import { keep, kept } from '../store/kept';

export type Theme = 'paper' | 'headlamp';
const KEY = 'idiom.theme';
const listeners = new Set<() => void>();
let theme: Theme =
  (kept(KEY) as Theme | null) ??
  (typeof matchMedia === 'function' && matchMedia('(prefers-color-scheme: dark)').matches ? 'headlamp' : 'paper');
document.documentElement.dataset['bsTheme'] = theme;

export function setTheme(next: Theme): void {
  theme = next;
  document.documentElement.dataset['bsTheme'] = next;
  keep(KEY, next);
  listeners.forEach((l) => l());
}
export const useTheme = (): Theme =>
  useSyncExternalStore(
    (l) => (listeners.add(l), () => listeners.delete(l)),
    () => theme,
  );
