/** What is far down a page is made only when it comes near the screen, so that what is looked at first does not wait for it. */
import type { ReactNode } from 'react';
import { useInView } from 'react-intersection-observer';

/** How far below the screen it is begun. */
const NEAR = '400px';

export function OnSight({ children, height_px }: { readonly children: ReactNode; readonly height_px: number }) {
  // where a browser cannot tell, it is made at once
  const { ref, inView } = useInView({ triggerOnce: true, rootMargin: `0px 0px ${NEAR} 0px`, fallbackInView: true });
  return (
    <div ref={ref} style={inView ? undefined : { minHeight: height_px }}>
      {inView ? children : null}
    </div>
  );
}
