/** Short ways of writing the rows of an entry, so that thirty of them stay readable beside each other. */
import type { FaultId } from './faultTable';
import type {
  CheckPoint,
  CheckPointId,
  Face,
  Fact,
  Fault,
  PictureOf,
  PointVerdict,
  Pull,
  PullGrade,
  Grade,
  Source,
  Untying,
  ShapeState,
} from './types';

export const practice = (text: string): Fact => ({ text, source: 'practice' });
export const general = (text: string): Fact => ({ text, source: 'general' });

export const pulled = (
  pull: Pull,
  grade: Grade,
  condition: string,
  what_happens: string,
  source: Source = 'practice',
): PullGrade => ({ pull, grade, condition, what_happens, source });

export const undone = (
  condition: Untying['condition'],
  least: Untying['least'],
  most: Untying['most'],
  text: string,
  source: Source = 'practice',
): Untying => ({ condition, least, most, text, source });

export const faulty = (
  id: FaultId,
  name: string,
  arises: string,
  shows: string,
  verdict: PointVerdict,
  what_to_do: string,
  source: Source = 'practice',
): Fault => ({ id, name, arises, shows, verdict, what_to_do, source });

/** A form as it is pictured. */
export const seen = (face: Face, form = 'right', state: ShapeState = 'tight'): PictureOf => ({ form, face, state });

/** A form of another knot that is taken for it. */
export const lookalike = (knot: string, face: Face, form = 'right'): PictureOf => ({
  knot,
  form,
  face,
  state: 'tight',
});

type Wrong = CheckPoint['wrong'][number];
/** A wrong answer. @param picture the form that shows it, where there is one */
export const wrong = (fault: FaultId, label: string, picture: PictureOf | null = null): Wrong => ({
  fault,
  label,
  picture,
});

type Also = Partial<Pick<CheckPoint, 'region' | 'count' | 'source'>>;
export const point = (
  id: CheckPointId,
  question: string,
  help: string,
  label: string,
  picture: PictureOf,
  wrongs: readonly Wrong[],
  { source = 'practice', ...also }: Also = {},
): CheckPoint => ({
  id,
  question,
  help,
  right: { label, picture },
  wrong: wrongs,
  source,
  ...also,
});
