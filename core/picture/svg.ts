/** A picture written as SVG: pieces carry data-component, data-from, data-to (point indices), crossings data-crossing. */
import { UNITS, type Picture, type Piece, type Shape } from './drawing';

const f2 = (x: number) => (Math.round(x * 100) / 100 + 0).toString();

function shapeText(s: Shape): string {
  if (s.shape === 'path') {
    let d = '';
    for (const p of s.points) d += `${d === '' ? 'M' : 'L'}${p.x} ${p.y}`;
    const fill = s.fill === undefined ? '' : ` fill="${s.fill}"`;
    return `<path d="${d}${s.closed ? 'Z' : ''}"${fill} stroke="${s.stroke}" stroke-width="${s.width}"${s.round ? ' stroke-linecap="round"' : ''}/>`;
  }
  if (s.shape === 'circle')
    return `<circle cx="${s.centre.x}" cy="${s.centre.y}" r="${s.radius}" fill="${s.fill}" stroke="${s.stroke}" stroke-width="${s.width}"/>`;
  return `<g transform="translate(${s.at.x} ${s.at.y}) rotate(${f2(s.turned_deg)}) scale(${UNITS})"><ellipse rx="${CUT_END.sheath[0]}" ry="${CUT_END.sheath[1]}" fill="${s.sheath}" stroke="${s.casing}" stroke-width="${CUT_END.casing}"/><ellipse rx="${CUT_END.core[0]}" ry="${CUT_END.core[1]}" fill="${s.core}"/></g>`;
}

/** Half axes of a cut end's ellipses along the rope and across, and the width of its edge: rope diameters. */
export const CUT_END = { sheath: [0.26, 0.53], core: [0.16, 0.34], casing: 0.09 } as const;

function pieceText({ of, opacity, shapes }: Piece): string {
  const text = shapes.map(shapeText).join('');
  if (of === null) return text;
  if (of === 'palm') return `<g data-palm="" opacity="${opacity}">${text}</g>`;
  return `<g data-component="${of.component}" data-from="${of.from}" data-to="${of.to}">${text}</g>`;
}

export function svgOf({ width_px, height_px, box, title, inWords, ground, pieces, mark, crossings }: Picture): string {
  const [x, y, width, height] = box.map(f2);
  const spots = crossings.map((c) => `<circle data-crossing="${c.id}" cx="${f2(c.x)}" cy="${f2(c.y)}" r="0.7"/>`);
  const ring = (colour: string, across: number) =>
    `<circle cx="${f2(mark!.x)}" cy="${f2(mark!.y)}" r="${f2(mark!.radius)}" fill="none" stroke="${colour}" stroke-width="${across}"/>`;
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width_px}" height="${height_px}" viewBox="${x} ${y} ${width} ${height}" role="img">` +
    `<title>${title}</title>${inWords === null ? '' : `<desc>${inWords}</desc>`}` +
    (ground === null ? '' : `<rect x="${x}" y="${y}" width="${width}" height="${height}" fill="${ground}"/>`) +
    `<g fill="none" stroke-linejoin="round" transform="scale(${1 / UNITS})">${pieces.map(pieceText).join('')}</g>` +
    (mark ? `<g data-mark="here">${ring(mark.colours[0], 0.34)}${ring(mark.colours[1], 0.16)}</g>` : '') +
    `<g fill="none" stroke="none" pointer-events="all">${spots.join('')}</g></svg>`
  );
}
