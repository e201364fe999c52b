/** The stage of a way: the rope large, where it will go, the hands, and what is said, all at one moment. The projector shows the same. */
import { useMemo, type Ref } from 'react';
import { Rope3D, type RopeHandle } from '../../parts/rope/Rope3D';
import type { SceneComponent } from '../../parts/rope/framing';
import { useTheme } from '../../parts/theme';
import { handsIn, type WayMotion } from './wayMotion';
import type { StepShown } from './steps';

export interface Looked {
  /** key frames done, with a fraction */
  readonly at: number;
  /** the step that is shown, of all */
  readonly shown: number;
  readonly mirrored: boolean;
  readonly ghost: boolean;
  readonly hands: boolean;
}

interface Props extends Looked {
  readonly name: string;
  readonly knot: string;
  readonly motion: WayMotion;
  readonly steps: readonly StepShown[];
  /** drawn up by the solver, in place of the picture of a state */
  readonly drawn?: readonly SceneComponent[] | null;
  readonly ref?: Ref<RopeHandle>;
  readonly onFace: (face: 'front' | 'back') => void;
}

export function WayStage({
  name,
  knot,
  motion,
  steps,
  at,
  shown,
  mirrored,
  ghost,
  hands,
  drawn = null,
  ref,
  onFace,
}: Props) {
  const theme = useTheme();
  const step = steps[shown]!;
  const now = useMemo(() => motion.at(at), [motion, at]);
  const { keys } = step;
  const end = keys?.[1];
  const ghostly = useMemo(() => (ghost && end !== undefined ? motion.at(end) : undefined), [ghost, motion, end]);
  const markers = useMemo(
    () => (hands && keys ? handsIn(motion, keys, now, mirrored) : undefined),
    [hands, motion, keys, now, mirrored],
  );
  const [camera, palm] = useMemo(() => [motion.cameraAt(at), motion.palmAt(at)] as const, [motion, at]);
  const shownNow = useMemo(() => {
    const joint = motion.jointAt(at);
    return joint ? [...now, joint] : now;
  }, [motion, at, now]);
  const still = keys === null && drawn === null;
  return still ? (
    <div className="cold d-grid" style={{ gridTemplate: 'minmax(0, 1fr) / minmax(0, 1fr)', padding: 8 }}>
      <img
        src={`${step.picture(700, theme)}${mirrored ? '&hand=left' : ''}`}
        alt={step.caption}
        style={{ width: '100%', height: '100%', objectFit: 'contain' }}
      />
    </div>
  ) : (
    <Rope3D
      ref={ref}
      name={`${name}, being tied`}
      picture={{ knot, state: 'laid' }}
      components={now}
      whole
      motion={drawn ?? shownNow}
      frame={drawn ? undefined : motion.frame}
      turn={drawn ? undefined : camera}
      palm={drawn ? null : palm}
      ghost={drawn ? undefined : ghostly}
      hands={drawn ? undefined : markers}
      onFace={onFace}
    />
  );
}
