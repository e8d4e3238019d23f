import * as material from '../common/materials';
import * as point from '../common/points';
import * as tool from '../common/tools';
import type { Point, Technique, Wood } from '../method';
import { type AnswerTo, chosen, type Choices } from '../school';
import { SECOND_SHOOT, SUPPORT } from '../schools/of-aftercare';
import { DARK_SEAL } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import { wrapOffInWinter } from '../timetable/tasks-of-binding';
import { BLOSSOM, FIRST_CROP, LABEL, oneShoot, SECOND_CHANCE, support } from '../timetable/tasks-of-growth';
import { darkSeal, STILL_DORMANT, swell } from '../timetable/tasks-of-healing';
import { NONE_THEN_SOME } from '../timetable/tasks-of-stock';
import { stepsOf } from './steps';
import { cutsOf, startOf } from './cuts';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'flaps', 'core', 'band', 'slip', 'clean'];

const own = (knife: AnswerTo<typeof KNIFE>): Point[] => [
  {
    id: 'flaps',
    letter: 'l',
    name: 'Flaps',
    weight: 14,
    stage: 'joined',
    measured: true,
    good: 'four, alike, as wide as their flats',
    correction: 'Cut the four lines evenly round the stock, all of one length.',
    faults: [
      { grade: 'poor', words: 'narrower than the flats, or uneven' },
      { grade: 'fatal', words: 'torn off' },
    ],
  },
  {
    id: 'flats',
    letter: 'f',
    name: 'Flats',
    weight: 10,
    stage: 'joined',
    measured: true,
    good: 'to the green, corners left',
    correction:
      knife === 'single'
        ? 'Shave each flat only down to the green, the flat side of the blade on the wood.'
        : 'Strop the blade until it shaves, and take each flat only down to the green.',
    faults: [
      { grade: 'poor', words: 'too narrow, or too deep' },
      { grade: 'fatal', words: 'meet at the corners' },
    ],
  },
  {
    id: 'band',
    letter: 'i',
    name: 'Band',
    weight: 8,
    stage: 'joined',
    measured: false,
    good: 'on before the flaps, rolled up over them',
    correction: 'Slip the band on before the first flap is cut.',
    faults: [{ grade: 'poor', words: 'tied on afterwards' }],
  },
  {
    id: 'core',
    letter: 'r',
    name: 'Core',
    weight: 8,
    stage: 'joined',
    measured: false,
    good: 'snipped out level, the scion stands on it',
    correction: 'Snip the core at the foot of the flaps, square.',
    faults: [{ grade: 'poor', words: 'stub too long or too short' }],
  },
];

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { length } = cuts;
  const shaded = chosen(choices, DARK_SEAL);
  const splinted = chosen(choices, SUPPORT) === 'at-once';
  return {
    takes: { pieces: 1, buds: 3 },
    start: startOf(cuts),
    steps: stepsOf(cuts),
    points: [
      {
        ...point.edgeCambium(28),
        good: 'flaps cover the flats',
        correction: 'Make flap and flat alike in width and length.',
        faults: [
          { grade: 'poor', words: 'flats stand bare' },
          { grade: 'fatal', words: 'bark on bark' },
        ],
      },
      ...own(chosen(choices, KNIFE)),
      point.slip(8),
      point.bind(8),
      point.dormantWood(4),
      point.clean(3),
      point.wayUp(3),
      point.label(2),
      point.safeHands(4),
      point.time,
    ],
    materials: [
      material.BAND,
      material.darkTape(length + 8),
      shaded === 'paint' ? material.PAINT : material.FOIL,
      ...(splinted ? [material.SPLINT, material.BRACE] : [material.STAKE]),
      material.FLAG,
      material.LABEL,
    ],
    tools: [tool.SAW, tool.knife(chosen(choices, KNIFE)), tool.SHEARS, tool.GLOVE, tool.CALIPER],
    aftercare: [
      STILL_DORMANT,
      swell(),
      darkSeal(shaded, false),
      NONE_THEN_SOME,
      ...oneShoot(chosen(choices, SECOND_SHOOT)),
      BLOSSOM,
      ...support(chosen(choices, SUPPORT)),
      wrapOffInWinter(shaded === 'foil'),
      LABEL,
      SECOND_CHANCE,
      FIRST_CROP,
    ],
  };
}
