import { mm, prose } from '../../units/prose';
import * as common from '../common/points';
import type { Point, Wood } from '../method';
import { chosen, type Choices } from '../school';
import { BINDING, COAT, SEALANT, TURNS } from '../schools/of-covering';
import { KNIFE, LINES, SCION_STAGE, TONGUE } from '../schools/of-cutting';
import { lengthFor } from './cuts';

/** What a whip-and-tongue is judged by, by school. The weights add up to 100. */
export function pointsFor(choices: Choices, wood: Wood): Point[] {
  const middle = chosen(choices, TONGUE) === 'middle';
  const tongue: Point = {
    id: 'tongue',
    letter: 't',
    name: 'Tongue',
    weight: 8,
    stage: 'joined',
    measured: false,
    good: middle ? 'shallow, in the middle, lets the pieces slide' : 'starts a third down, follows the grain, locks',
    correction: middle
      ? prose`Start the tongue in the middle and keep it about ${mm(6)}.`
      : 'Start the tongue a third down from the tip and rock the blade in along the grain.',
    faults: [
      { grade: 'poor', words: middle ? 'too deep to slide, or splits' : 'loose, too deep, overshoots or splits' },
      { grade: 'fatal', words: 'split runs out of the wood' },
    ],
  };
  return [
    chosen(choices, LINES) === 'cross' ? common.crossingCambium(30) : common.sidesCambium(30),
    common.flatness(12, chosen(choices, KNIFE)),
    common.cutLength(8, lengthFor(choices, wood).words),
    tongue,
    common.hold(8),
    common.bind(8, chosen(choices, TURNS), chosen(choices, BINDING)),
    common.daylight(6),
    common.strokes(4),
    common.seal(4, 'sealed', chosen(choices, COAT), chosen(choices, SEALANT)),
    common.dormantWood(3, chosen(choices, SCION_STAGE)),
    common.clean(3),
    common.wayUp(2),
    common.label(2),
    common.safeHands(2),
    common.time,
  ];
}
