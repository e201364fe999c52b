import { Button } from 'react-bootstrap';
import { partOfRope, ROPE_PART_WORDS, type Picked, type RopePart } from '../../parts/rope/picking';
import { NOTHING, type Difference } from '../../parts/TouchWhatDiffers';

export interface PartTouched {
  /** null where it is no rope */
  readonly of: RopePart | null;
  readonly said: string;
}

/** What was touched: of a rope which part of it. */
export function partTouched(
  component: string,
  at: number,
  components: readonly { readonly name: string; readonly marks?: Parameters<typeof partOfRope>[1] }[] | undefined,
): PartTouched {
  if (component !== 'rope' && component !== 'second-rope')
    return { of: null, said: `the ${component.replaceAll('-', ' ')}` };
  const second = component === 'second-rope';
  const of = partOfRope(at, (second ? components?.find((c) => c.name === component) : components?.[0])?.marks);
  return { of, said: `${ROPE_PART_WORDS[of]}${second ? ', second rope' : ''}` };
}

/** From a touch on the turning rope to what is different there: its crossing, or the part. */
export function Otherwise({
  picked: { picked, part },
  crossings,
  onChosen,
}: {
  picked: { picked: Picked; part: PartTouched };
  crossings: number;
  onChosen: (d: Difference) => void;
}) {
  const { crossing } = picked;
  if (crossing !== null && crossing <= crossings)
    return (
      <Button variant="outline-primary" onClick={() => onChosen({ ...NOTHING, crossings: [crossing] })}>
        Crossing {crossing} is the other way round on mine
      </Button>
    );
  const its = part.of === 'tail' || part.of === 'eye' ? part.of : null;
  return its ? (
    <Button variant="outline-primary" onClick={() => onChosen({ ...NOTHING, part: its })}>
      The {its} is different on mine
    </Button>
  ) : null;
}
