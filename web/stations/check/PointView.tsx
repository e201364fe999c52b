import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { CheckPoint, KnotEntry, PictureOf } from '../../../core/knots/types';
import { useKeys } from '../../parts/keys';
import { pictureUrl } from '../../parts/KnotPicture';
import { useTheme } from '../../parts/theme';
import type { Walk } from '../../store/walks';

interface Props {
  readonly walk: Walk;
  readonly knot: KnotEntry;
  readonly point: CheckPoint;
  readonly onAnswer: (found: string) => void;
  readonly onBack: () => void;
}

function Picture({ of, walk, partner, over, alt }: { of: PictureOf; walk: Walk; partner: PictureOf | null; over: boolean; alt: string }) {
  const theme = useTheme();
  // right and wrong share camera, scale and places of the ends, and a ring lies where they differ
  const nameOf = (p: PictureOf) => (p.harness === 'one' ? 'one-harness-point' : p.form);
  const fit = partner && !partner.knot && !of.knot && nameOf(partner) !== nameOf(of) ? nameOf(partner) : undefined;
  const ring = fit !== undefined && (nameOf(of) === 'right') !== (fit === 'right');
  const face = over ? (of.face === 'front' ? 'back' : 'front') : of.face;
  const whole = of.harness !== undefined || of.form === 'eye-too-large' || of.form === 'half-finished' || partner?.form === 'half-finished' || of.state === 'dressed';
  const url = pictureUrl({ knot: of.knot ?? walk.knot, form: of.form, face, state: of.state, harness: of.harness, crop: whole ? 'whole' : 'knot', fit, ring, size: 420, alt }, theme);
  return <img src={`${url}${walk.hand === 'left' ? '&hand=left' : ''}`} alt={alt} draggable={false} />;
}

/** One point, one decision: the right form beside the wrong ones; each picture is the button. */
export function PointView({ walk, knot, point, onAnswer, onBack }: Props) {
  const options = [
    { found: 'right', label: point.right.label, picture: point.right.picture, key: 'a' },
    ...point.wrong.map((w, i) => ({ found: w.fault, label: w.label, picture: w.picture, key: String.fromCharCode(98 + i) })),
  ];
  const [over, setOver] = useState(false);
  const shown = walk.answers.find((a) => a.point === point.id)?.found;
  useKeys({ ...Object.fromEntries(options.map((o) => [o.key, () => onAnswer(o.found)])), x: () => onAnswer('cannot-see'), f: () => setOver(!over), ArrowLeft: onBack });
  const partner = point.wrong.find((w) => w.picture)?.picture ?? null;
  return (
    <>
      <h1>{point.question}</h1>
      <p className="quiet mt-1 mb-3 fs-5">{point.help}{walk.hand === 'left' ? ' Pictures mirrored for left-handers.' : ''}</p>
      <div className={`pair${options.length > 2 ? ' three' : ''}`}>
        {options.map((o) => (
          <button key={o.found} type="button" className={`choice${o.picture ? '' : ' words'}`} aria-pressed={shown === o.found} onClick={() => onAnswer(o.found)} style={shown === o.found ? { borderColor: 'var(--act)', boxShadow: 'inset 0 0 0 1px var(--act)' } : undefined}>
            <span className="cap d-flex justify-content-between gap-2 align-items-center"><span>{o.label}</span><kbd className="hide-narrow">{o.key}</kbd></span>
            <span className="pic">
              {o.picture ? <Picture of={o.picture} walk={walk} over={over} partner={o.found === 'right' ? partner : point.right.picture} alt={`${knot.names[0]}, ${over ? (o.picture.face === 'front' ? 'back' : 'front') : o.picture.face}: ${o.label}`} /> : knot.faults.find((f) => f.id === o.found)?.shows}
            </span>
          </button>
        ))}
      </div>
      <div className="answers">
        <Button variant="outline-primary" className="back" onClick={onBack}>Back <kbd>←</kbd></Button>
        <Button variant="outline-primary" onClick={() => setOver(!over)} aria-pressed={over}>Turn over <kbd>f</kbd></Button>
        <Button variant="outline-primary" onClick={() => onAnswer('cannot-see')} aria-pressed={shown === 'cannot-see'}>Cannot see <kbd>x</kbd></Button>
      </div>
    </>
  );
}
