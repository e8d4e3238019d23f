import { aroundZero } from '@/core/chance/seeded-random';
import { exampleMeasures } from '@/core/methods/example-measures';
import type { Measures } from '@/core/methods/measures';
import { METHODS } from '@/core/methods/registry';
import type { Marks } from '@/core/score/rubric/judge-union';

/** Of which method unions are drawn. */
export const DRAWN_METHOD = METHODS[0]!;

/** A union as a hand of some skill makes it, drawn by chance. */
export function drawnUnion(random: () => number, skill: number): { measures: Measures; marks: Marks; note: string } {
  const clumsy = 1 - skill;
  const tenth = (value: number): number => Math.round(value * 10) / 10;
  const stock = tenth(Math.max(7, 10 + 1.2 * aroundZero(random)));
  const scion = tenth(Math.max(6, stock - Math.abs(0.9 * aroundZero(random)) * (0.4 + clumsy)));
  const cut = Math.max(22, 36 + 4 * aroundZero(random));
  const hollow = (): string => {
    const roll = random() + clumsy * 0.55;
    return roll > 1.4 ? 'deep' : roll > 1.12 ? 'hollow' : roll > 0.82 ? 'hairline' : 'none';
  };
  const roll = random();
  const placement =
    stock - scion < 0.8
      ? 'middle'
      : roll < skill
        ? roll < skill / 2
          ? 'left-lines'
          : 'right-lines'
        : roll < skill + clumsy * 0.5
          ? 'middle'
          : 'left-flush';
  const marks: Marks = {};
  const slip = (id: string, poor: number, fatal = 0): void => {
    const chance = random();
    if (chance < fatal * clumsy) marks[id] = 'fatal';
    else if (chance < (poor + fatal) * clumsy) marks[id] = 'poor';
  };
  slip('tongue', 0.7, 0.08);
  slip('hold', 0.45, 0.1);
  slip('daylight', 0.5, 0.04);
  slip('clean', 0.4);
  slip('safe-hands', 0.25, 0.05);
  if (random() < 0.35 * clumsy) marks.strokes = random() < 0.3 ? 'recut' : 'poor';
  const measures = exampleMeasures(DRAWN_METHOD, {
    stockDiameter: stock,
    scionDiameter: scion,
    stockLength: tenth(cut),
    scionLength: tenth(cut * (1 + 0.16 * clumsy * aroundZero(random))),
    stockHollow: hollow(),
    scionHollow: hollow(),
    placement,
    ...(random() < 0.25 * clumsy ? { lift: tenth(2.5 * aroundZero(random)) } : {}),
  });
  return { measures, marks, note: marks.tongue === 'fatal' ? 'pushed the blade instead of rocking it' : '' };
}
