import encodeQR from 'qr';
import { useMemo } from 'react';

/** A code that a camera opens; the address stands beside it for those who have none. */
export function QrCode({
  text,
  label,
  size = 168,
}: {
  readonly text: string;
  readonly label: string;
  readonly size?: number;
}) {
  const cells = useMemo(() => encodeQR(text, 'raw', { ecc: 'medium', border: 2 }), [text]);
  const n = cells.length;
  const d = cells.flatMap((row, y) => row.flatMap((dark, x) => (dark ? [`M${x} ${y}h1v1h-1z`] : []))).join('');
  return (
    <svg
      width={size}
      height={size}
      viewBox={`0 0 ${n} ${n}`}
      role="img"
      aria-label={label}
      shapeRendering="crispEdges"
      data-code={text}
    >
      <rect width={n} height={n} fill="#fff" />
      <path d={d} fill="#000" />
    </svg>
  );
}
