import { BUD_COUNTS } from '../bud-counts';
import { mm, prose } from '../../units/prose';
import { fieldGraftAftercare, fieldGraftCover } from '../common/field-graft';
import * as material from '../common/materials';
import * as point from '../common/points';
import * as tool from '../common/tools';
import type { Point, Technique, Wood } from '../method';
import { type AnswerTo, chosen, type Choices } from '../school';
import { COVER_OPEN, TAPE_OFF } from '../schools/of-aftercare';
import { type COVER, TAPE_OFF_BY } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import { tapeOff } from '../timetable/tasks-of-binding';
import { coverOff } from '../timetable/tasks-of-growth';
import { handsOff, swell } from '../timetable/tasks-of-healing';
import { type Cuts, cutsOf } from './cuts';
import { stepsOf } from './steps';

export const FACE_LENGTH = { from: 40, to: 60 };

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'hold', 'slip', 'slots', 'clean'];

const SLOTS: Point = {
  id: 'slots',
  letter: 'l',
  name: 'Slots',
  weight: 10,
  stage: 'joined',
  measured: true,
  good: 'the scion fills them',
  correction: 'Trace both sides of the stick without moving it.',
  faults: [
    { grade: 'poor', words: 'wider than the scion' },
    { grade: 'fatal', words: 'strip torn off' },
  ],
};

const COVERED: Record<AnswerTo<typeof COVER>, Pick<Point, 'good' | 'correction' | 'faults'>> = {
  'foil-bag': {
    good: 'foil over all cut wood, bag tied over foil',
    correction: 'Foil first, shiny side out; tie the bag below only where foil is under it.',
    faults: [
      { grade: 'poor', words: 'cut wood shows' },
      { grade: 'fatal', words: 'bag tied on bare wood' },
    ],
  },
  shellac: {
    good: 'shellac on all cuts, foil over them, bag tied over foil',
    correction: 'Shellac first and let it dry, then foil; tie the bag below only where foil is under it.',
    faults: [
      { grade: 'poor', words: 'a cut without shellac' },
      { grade: 'fatal', words: 'bag tied on bare wood' },
    ],
  },
  film: {
    good: 'film over scion and rim',
    correction: 'Stretch film over the whole scion and down over the rim.',
    faults: [
      { grade: 'poor', words: 'cut wood shows' },
      { grade: 'fatal', words: 'not covered' },
    ],
  },
};

function pointsFor({ choices, cover, wedge, pared }: Cuts): Point[] {
  const flat = point.flatness(10, chosen(choices, KNIFE));
  const cambium = point.laidCambium(25);
  return [
    pared ? { ...cambium, good: 'edges lie on the wood, the pared back under the flap' } : cambium,
    point.slip(10),
    wedge ? { ...flat, good: 'no light under a straight edge, on both faces' } : flat,
    SLOTS,
    { id: 'cover', letter: 'v', name: 'Cover', weight: 8, stage: 'wrapped', measured: false, ...COVERED[cover] },
    point.cutLength(5, prose`${mm(FACE_LENGTH.from, FACE_LENGTH.to)} long`, false),
    point.windowShown(6),
    point.hold(8),
    { ...point.seal(4), correction: 'Brush shellac or glue over the scion’s tip as soon as it is fixed.' },
    point.dormantWood(4),
    point.clean(3),
    point.wayUp(2),
    point.label(2),
    point.safeHands(3),
    point.time,
  ];
}

/** What holds it, by how it is fixed. */
function bindings({ fix, deep, choices }: Cuts): {
  materials: Technique['materials'];
  aftercare: Technique['aftercare'];
} {
  if (fix === 'nail') return { materials: [material.NAIL], aftercare: [] };
  const [tape, name] =
    fix === 'driven' ? [material.clothTape(deep + 5), 'cloth tape'] : [material.darkTape(deep + 5), 'insulating tape'];
  return {
    materials: [tape],
    aftercare: [tapeOff(name, chosen(choices, TAPE_OFF_BY), chosen(choices, TAPE_OFF))],
  };
}

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { shape, fix, cover, buds, scions, tip } = cuts;
  const bound = bindings(cuts);
  // Where a bag is tied, foil lies over the dark tape already.
  const dark = fix === 'tape' && cover === 'film';
  return {
    takes: { pieces: scions, buds: BUD_COUNTS.get(buds)! },
    start: shape.start,
    steps: stepsOf(cuts),
    points: pointsFor(cuts),
    materials: [
      ...bound.materials,
      ...(cover === 'film'
        ? [material.film((tip + shape.start.stock.diameter) * scions)]
        : [material.FOIL, material.BAG]),
      material.shellac(cover === 'shellac' ? 6 : 1),
      ...fieldGraftCover(choices, dark),
    ],
    tools: [
      tool.SAW,
      tool.knife(chosen(choices, KNIFE)),
      tool.BARK_LIFTER,
      tool.HAMMER,
      tool.STRAIGHT_EDGE,
      tool.GLOVE,
      tool.CALIPER,
    ],
    aftercare: fieldGraftAftercare(choices, {
      buds,
      dark,
      sealed: false,
      first: [handsOff(14, 21), swell()],
      binding: [...(cover === 'film' ? [] : coverOff(chosen(choices, COVER_OPEN))), ...bound.aftercare],
    }),
  };
}
