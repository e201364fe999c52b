import { ANOTHER_KNOT, LOOSE, OTHER_ENDS_LOADED, otherwisePoint, setPoint } from '../../facts/common-faults';
import { faulty, general, lookalike, point, practice, pulled, seen, undone, wrong } from '../../facts/entry-parts';
import type { KnotEntry } from '../../facts/types';

export const entry = {
  id: 'girth-hitch',
  names: ['Girth hitch', 'lark’s foot', 'cow hitch of a sling'],
  family: 'hitch',
  purposes: ['hitch-object', 'sling'],
  needs: { free_end: false, thicknesses_through_object: 2, text: 'a sling or loop; its other end must go through its own bight', source: 'practice' },
  tape: 'also',
  pulls: [
    pulled('standing-eye', 'ok', 'both strands loaded together', 'it grips, and weakens sling or cord noticeably'),
    pulled('ring', 'avoid', 'one strand loaded alone', 'it can run round the object', 'general'),
  ],
  untying: [undone('ordinary-load', 1, 2, 'push the bight back', 'general'), undone('after-hard-falls', 2, 4, 'not known from trials', 'general')],
  set: general('both strands together'),
  adjust: general('push the bight back, move it, draw both strands'),
  loosens: general('loosens when it is not loaded'),
  look_again: general('after the object turned or the sling was unloaded'),
  front_because: 'the face on which the bight lies across both strands',
  faces: [
    { face: 'front', shows: 'the bight across, two strands come out under it', source: 'general' },
    { face: 'back', shows: 'two turns on the bar, side by side', source: 'general' },
  ],
  check_points: [
    point('name', 'Do both strands come out under one bight?', 'A bight through or round, everything through the bight.', 'both under the bight', seen('front'), [wrong('another-knot', 'one strand crosses: a clove or something else', lookalike('clove-hitch', 'front'))], { count: { of: 'strands under the bight', is: 'two' } }),
    point('back', 'Turn it over. Two turns side by side?', 'No strand across.', 'two turns', seen('back'), [wrong('another-knot', 'something else')]),
    setPoint('front', 'both strands together'),
    otherwisePoint('Both strands must carry. One alone can run round the object.', 'general', [wrong('one-strand-only', 'one strand alone carries')]),
  ],
  faults: [
    faulty('one-strand-only', 'one strand loaded', 'the sling was clipped by one strand', 'one strand hangs slack', 'take-out-and-retie', 'Clip both strands.', 'general'),
    LOOSE, OTHER_ENDS_LOADED, ANOTHER_KNOT,
  ],
  tail_rule_key: 'none',
  recognised: { by: 'anyone', text: 'a bight with both strands under it', source: 'general' },
  cautions: [practice('weakens sling or cord noticeably')],
  good_for: [general('put on without an end')],
  form_certainty: 'settled',
  form_text: 'a wound form, a turn either way under one bridge; agrees with an independent figure',
  ways: [],
} as const satisfies KnotEntry;
