/** The chosen theme, kept on the device. */
import { useSyncExternalStore } from 'react';

export type Theme = 'paper' | 'headlamp';
const KEY = 'idiom.theme';
const listeners = new Set<() => void>();
let theme: Theme =
  (localStorage.getItem(KEY) as Theme | null) ??
  (typeof matchMedia === 'function' && matchMedia('(prefers-color-scheme: dark)').matches ? 'headlamp' : 'paper');
document.documentElement.dataset['bsTheme'] = theme;

export function setTheme(next: Theme): void {
  theme = next;
  document.documentElement.dataset['bsTheme'] = next;
  localStorage.setItem(KEY, next);
  listeners.forEach((l) => l());
}
export const useTheme = (): Theme =>
  useSyncExternalStore(
    (l) => (listeners.add(l), () => listeners.delete(l)),
    () => theme,
  );
