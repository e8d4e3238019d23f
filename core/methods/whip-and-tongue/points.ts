import * as common from '../common/points';
import type { Point } from '../method';
import { chosen, type Choices } from '../school';
import { TONGUE } from '../schools';

/** What a whip-and-tongue is judged by, by school. The weights add up to 100. */
export function pointsFor(choices: Choices): Point[] {
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
      ? 'Start the tongue in the middle and keep it about 6 mm.'
      : 'Start the tongue a third down from the tip and rock the blade in along the grain.',
    faults: [
      { grade: 'poor', words: 'loose, overshoots or splits' },
      { grade: 'fatal', words: 'split runs out of the wood' },
    ],
  };
  return [
    common.sidesCambium(30),
    common.flatness(12),
    common.cutLength(8),
    tongue,
    common.hold(8),
    common.bind(8),
    common.daylight(6),
    common.strokes(4),
    common.seal(4),
    common.dormantWood(3),
    common.clean(3),
    common.wayUp(2),
    common.label(2),
    common.safeHands(2),
    common.time,
  ];
}
