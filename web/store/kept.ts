/** What is kept on this device. A device that keeps nothing, or has no room, is no error: what is kept then holds for this visit. */

/** @returns null where nothing is kept, or nothing can be */
export function kept(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

/** @returns whether it is kept */
export function keep(key: string, text: string): boolean {
  try {
    localStorage.setItem(key, text);
    return true;
  } catch {
    return false;
  }
}
