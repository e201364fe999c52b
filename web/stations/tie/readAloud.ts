import { useEffect } from 'react';

export const canSpeak = () => 'speechSynthesis' in window;

/** Reads a step aloud, where the browser can. */
export function useReadAloud(on: boolean, words: string): void {
  useEffect(() => {
    if (!on || !canSpeak() || words === '') return;
    window.speechSynthesis.cancel();
    const said = new SpeechSynthesisUtterance(words);
    said.lang = 'en';
    window.speechSynthesis.speak(said);
    return () => window.speechSynthesis.cancel();
  }, [on, words]);
}
