import { useEffect, useState } from 'react';

/** The present: looked at anew each minute, when the page is seen again and before it is printed. */
export function useNow(): Date {
  const [now, setNow] = useState(() => new Date());
  useEffect(() => {
    const look = () => setNow(new Date());
    const each = setInterval(look, 60_000);
    window.addEventListener('beforeprint', look);
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(each);
      window.removeEventListener('beforeprint', look);
      document.removeEventListener('visibilitychange', look);
    };
  }, []);
  return now;
}

/** The present in words; only these are drawn anew as time goes on, not the page around them. */
export function Now({ say }: { say: (now: Date) => string }) {
  return say(useNow());
}
