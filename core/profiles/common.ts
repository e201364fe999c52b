/**
 * Common practice: what holds beneath every school where it says nothing of just that knot in just that use. Rules in the same form as a school's.
 * Of its own rules one that names the knot goes before one for a family, and that before one for any. It is stored beside the record like a rule
 * set, and a check names its version.
 */
import type { FaultId } from '../knots/facts/faultTable';
import type { PointVerdict, Source } from '../knots/facts/types';
import type { Companion, Use } from '../knots/facts/uses';
import type { Asked, LengthRule } from './types';

export interface CommonLength extends Omit<LengthRule, 'use' | 'stopper'> {
  readonly uses: readonly Use[] | 'any';
  /** applies only where one of them is tied */
  readonly with?: readonly Companion[];
  /** better than the least, mm */
  readonly recommended_mm?: number;
}

/** A use that practice keeps a knot from, whatever the rule set says and whether or not common practice counts. */
export interface Refused {
  readonly rule: string;
  readonly knots: readonly string[];
  readonly uses: readonly Use[] | 'any';
  readonly text: string;
  readonly source: Source;
}

/** What is looked at where another knot belongs to one: the question, the right answer and the wrong ones. */
export interface CompanionPoint {
  readonly companion: Companion;
  readonly question: string;
  readonly help: string;
  readonly right: string;
  readonly wrong: readonly {
    readonly fault: FaultId;
    readonly label: string;
    readonly verdict: PointVerdict;
    readonly what_to_do: string;
    /** asked of these knots alone: of others it is not said which strand is meant */
    readonly knots?: readonly string[];
  }[];
  readonly source: Source;
}

export interface CommonPractice {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  readonly lengths: readonly CommonLength[];
  readonly asked: readonly Asked[];
  readonly refused: readonly Refused[];
  readonly companions: readonly CompanionPoint[];
}

const TIED_IN: readonly Use[] = ['tie-in', 'end-loop', 'hitch-object'];

const missing = (what: string, label = 'none there'): CompanionPoint['wrong'][number] => ({
  fault: 'stopper-missing',
  label,
  verdict: 'put-right',
  what_to_do: what,
});
const GAP: CompanionPoint['wrong'][number] = {
  fault: 'stopper-gap',
  label: 'a gap before it',
  verdict: 'put-right',
  what_to_do: 'Move it up until it touches the knot, and draw it tight.',
};

export const COMMON_PRACTICE: CommonPractice = {
  id: 'common-practice',
  version: 2,
  name: 'Common practice',
  lengths: [
    {
      id: 'CP-T1',
      for: ['end-loop'],
      uses: ['tie-in', 'end-loop', 'hitch-object'],
      kind: 'tail',
      fixed_mm: 100,
      fists: 1,
      text: 'end loop: 100 mm or one fist of tail, the larger',
      source: 'practice',
    },
    {
      id: 'CP-T2',
      for: ['overhand-on-bight', 'figure-eight-on-bight'],
      uses: ['tether'],
      kind: 'tail',
      fixed_mm: 150,
      text: 'tether: a tag of at least 150 mm',
      source: 'practice',
    },
    {
      id: 'CP-T3',
      for: ['any'],
      uses: ['tether'],
      with: ['stopper-in-tag'],
      kind: 'beyond_stopper',
      fixed_mm: 75,
      recommended_mm: 100,
      text: 'stopper in the tag of a tether: 75 to 100 mm of tail of its own',
      source: 'practice',
    },
    {
      id: 'CP-T4',
      for: ['any'],
      uses: ['stopper'],
      kind: 'beyond_stopper',
      fixed_mm: 300,
      text: 'end of a rope: 300 mm beyond the stopper',
      source: 'practice',
    },
    {
      id: 'CP-T5',
      for: ['offset-overhand', 'offset-double-overhand'],
      uses: 'any',
      kind: 'tail',
      fixed_mm: 300,
      text: 'flat joint: 300 mm of each tail; it may roll, the long tail is the margin',
      source: 'general',
    },
    {
      id: 'CP-T6',
      for: ['bend'],
      uses: ['cord-loop'],
      kind: 'tail',
      fixed_mm: 100,
      ropeDiameters: 10,
      text: 'loop of cord: 100 mm or 10 diameters of each tail, the larger',
      source: 'general',
    },
    {
      id: 'CP-T7',
      for: ['bend'],
      uses: 'any',
      kind: 'tail',
      fixed_mm: 100,
      text: 'joint: 100 mm of each tail',
      source: 'general',
    },
    {
      id: 'CP-T8',
      for: ['water-knot'],
      uses: 'any',
      kind: 'tail',
      fixed_mm: 75,
      text: 'water knot: 75 mm of each tail',
      source: 'practice',
    },
    {
      id: 'CP-T9',
      for: ['buntline-hitch', 'barrel-noose'],
      uses: 'any',
      kind: 'tail',
      ropeDiameters: 5,
      text: 'termination: 5 rope diameters of tail',
      source: 'practice',
    },
    {
      id: 'CP-T10',
      for: ['any'],
      uses: 'any',
      kind: 'beyond_stopper',
      fixed_mm: 75,
      text: 'knot tied behind another: butted up, 75 mm of tail of its own',
      source: 'general',
    },
    {
      id: 'CP-T11',
      for: ['any'],
      uses: ['backup'],
      kind: 'tail',
      fixed_mm: 75,
      text: 'backup of another knot: 75 mm of tail of its own',
      source: 'general',
    },
    {
      id: 'CP-T12',
      for: ['any'],
      uses: 'any',
      kind: 'tail',
      fixed_mm: 100,
      text: 'any other tail: 100 mm',
      source: 'general',
    },
  ],
  asked: [
    {
      rule: 'CP-K1',
      knots: ['bowline'],
      uses: TIED_IN,
      asks: { kind: 'companion', companions: ['stopper-behind', 'two-strand-backup'], how: 'required' },
      text: 'simple bowline: a life only with a lock or a stopper',
      source: 'practice',
    },
    {
      rule: 'CP-K2',
      knots: ['bowline-yosemite'],
      uses: TIED_IN,
      asks: { kind: 'companion', companions: ['stopper-behind', 'two-strand-backup'], how: 'required' },
      text: 'Yosemite finish: only with a stopper',
      source: 'practice',
    },
    {
      rule: 'CP-K3',
      knots: ['overhand-on-bight'],
      uses: ['tether'],
      asks: { kind: 'companion', companions: ['stopper-in-tag'], how: 'required' },
      text: 'overhand on a bight as a tether: only with its stopper',
      source: 'practice',
    },
    {
      rule: 'CP-K4',
      knots: ['double-bowline'],
      uses: TIED_IN,
      asks: { kind: 'companion', companions: ['stopper-behind', 'two-strand-backup'], how: 'advised' },
      text: 'a stopper gives the double bowline a margin',
      source: 'practice',
    },
    {
      rule: 'CP-K5',
      knots: ['bowline-yosemite'],
      asks: { kind: 'point', points: ['eye'] },
      text: 'Yosemite finish: never a small eye, and nothing clipped into the loop of the finish',
      source: 'practice',
    },
    {
      rule: 'CP-K6',
      knots: ['slipped-eight'],
      asks: { kind: 'point', points: ['front', 'back'] },
      text: 'a half hitch on the eye’s neck, drawn tight: without it the slip can run',
      source: 'practice',
    },
    {
      rule: 'CP-K7',
      knots: ['munter-mule-overhand'],
      asks: { kind: 'point', points: ['name', 'back'] },
      text: 'the mule is backed by an overhand round everything',
      source: 'practice',
    },
    {
      rule: 'CP-K8',
      knots: ['tension-free-hitch'],
      asks: { kind: 'point', points: ['wraps'] },
      text: 'three or four turns, none crossing, whichever way they go',
      source: 'practice',
    },
    {
      rule: 'CP-K9',
      knots: ['buntline-hitch'],
      asks: { kind: 'point', points: ['name'] },
      text: 'the turns are worked toward the clip, the tail ends up trapped',
      source: 'practice',
    },
    {
      rule: 'CP-P1',
      knots: ['any'],
      asks: { kind: 'point', points: ['name', 'front', 'back', 'path', 'count'] },
      text: 'it is the knot that it is called, on both faces, strand by strand',
      source: 'practice',
    },
    {
      rule: 'CP-P2',
      knots: ['any'],
      asks: { kind: 'point', points: ['set'] },
      text: 'every strand drawn tight by itself, no daylight in the knot',
      source: 'practice',
    },
    {
      rule: 'CP-P3',
      knots: ['any'],
      asks: { kind: 'point', points: ['eye'] },
      text: 'the eye as it was meant: no larger than the job allows',
      source: 'practice',
    },
    {
      rule: 'CP-P4',
      knots: ['any'],
      asks: { kind: 'point', points: ['gate'] },
      text: 'the gate locked, and nothing that runs against it',
      source: 'practice',
    },
    {
      rule: 'CP-P5',
      knots: ['any'],
      asks: { kind: 'point', points: ['harness'] },
      text: 'through both harness points',
      source: 'practice',
    },
    {
      rule: 'CP-P6',
      knots: ['any'],
      asks: { kind: 'point', points: ['wraps', 'joint', 'slides'] },
      text: 'every wrap beside the next, the joint clear; slides by hand, bites, holds body weight',
      source: 'practice',
    },
    {
      rule: 'CP-P7',
      knots: ['any'],
      asks: { kind: 'point', points: ['object', 'otherwise'] },
      text: 'nothing loads it otherwise than it was made for',
      source: 'practice',
    },
    {
      rule: 'CP-P8',
      knots: ['any'],
      asks: { kind: 'point', points: ['stopper'] },
      text: 'a knot tied behind another is butted up to it',
      source: 'practice',
    },
  ],
  refused: [
    {
      rule: 'CP-U1',
      knots: ['square-knot'],
      uses: 'any',
      text: 'square knot: never the only thing that holds, and never joins two ropes',
      source: 'practice',
    },
    {
      rule: 'CP-U2',
      knots: ['half-hitches'],
      uses: ['hitch-object'],
      text: 'half hitches: only security behind something else',
      source: 'practice',
    },
    {
      rule: 'CP-U3',
      knots: ['overhand-stopper'],
      uses: ['stopper'],
      text: 'plain overhand: it pulls through wide slots; at a rope’s end take a double overhand, an eight or a nine',
      source: 'practice',
    },
    {
      rule: 'CP-U4',
      knots: ['autoblock'],
      uses: ['friction-climb', 'friction-escape'],
      text: 'autoblock: best under a descender; it is not climbed on, and no belay is escaped with it',
      source: 'practice',
    },
  ],
  companions: [
    {
      companion: 'stopper-behind',
      question: 'Is there a stopper, butted up to the knot?',
      help: 'Two turns of the tail round the strand it leaves beside, behind an eight the standing part; the end through both. It touches the knot: no gap in which something can be clipped.',
      right: 'a stopper, touching the knot',
      wrong: [
        missing('Tie the stopper, butted up to the knot.'),
        GAP,
        {
          fault: 'stopper-wrong-strand',
          label: 'round the tail alone',
          knots: ['figure-eight-follow-through'],
          verdict: 'put-right',
          what_to_do: 'Take the stopper out and tie it round the standing part.',
        },
      ],
      source: 'practice',
    },
    {
      companion: 'two-strand-backup',
      question: 'Is there an overhand round both strands, butted up to the knot?',
      help: 'The tail goes round standing part and tail together, and through: it touches the knot.',
      right: 'round both strands, touching the knot',
      wrong: [
        missing('Tie the overhand round both strands, butted up to the knot.'),
        GAP,
        {
          fault: 'stopper-wrong-strand',
          label: 'round one strand only',
          verdict: 'put-right',
          what_to_do: 'Take the overhand out and tie it round both strands.',
        },
      ],
      source: 'practice',
    },
    {
      companion: 'stopper-in-tag',
      question: 'Is there a stopper in the tag, close behind the knot?',
      help: 'A double overhand in the tag itself, so that the tag cannot slip back through the knot.',
      right: 'a stopper in the tag, close up',
      wrong: [missing('Tie a double overhand in the tag, close behind the knot.'), GAP],
      source: 'practice',
    },
    {
      companion: 'backed-both-sides',
      question: 'Is each tail backed by an overhand round the other strand, on both sides?',
      help: 'One on either side of the knot, close up to it.',
      right: 'backed on both sides',
      wrong: [
        missing('Back each tail with an overhand, close up to the knot.'),
        {
          fault: 'backup-one-side',
          label: 'on one side only',
          verdict: 'put-right',
          what_to_do: 'Back the other tail too.',
        },
        GAP,
      ],
      source: 'practice',
    },
  ],
};

/** Before uses of a friction hitch could be told apart. */
const VERSION_1: CommonPractice = {
  ...COMMON_PRACTICE,
  version: 1,
  refused: COMMON_PRACTICE.refused.filter((r) => r.rule !== 'CP-U4'),
};
/** Common practice in every version that ever shipped. */
export const PRACTICES: readonly CommonPractice[] = [VERSION_1, COMMON_PRACTICE];
/** Common practice as a check named it; null where this program does not know that version. */
export const practiceOf = (version: number): CommonPractice | null =>
  PRACTICES.find((p) => p.version === version) ?? null;
