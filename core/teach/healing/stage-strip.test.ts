import { describe, expect, it } from 'vitest';
import { METHODS } from '../../methods/registry';
import { woodOf } from '../../methods/shown-technique';
import { HEALING_AGES } from './healing-stages';
import { stageStrip } from './stage-strip';

const cases = METHODS.flatMap((method) => method.variants.map(({ id }) => [`${method.id} ${id}`, method, id] as const));
const strip = (method: (typeof METHODS)[number], variant: (typeof cases)[number][2], unit: 'mm' | 'in' = 'mm') =>
  stageStrip(method, { choices: {}, wood: woodOf(method.shownWith), variant, unit });

describe.each(cases)('stages of %s', (_name, method, variant) => {
  const stages = strip(method, variant);
  it('are drawn at four ages, a good and a failed one, each within its paper', () => {
    expect(stages.map(({ age }) => age)).toEqual(HEALING_AGES.map(({ id }) => id));
    for (const { good, failed } of stages)
      for (const { drawing, words } of [good, failed]) {
        expect(words.length).toBeGreaterThan(5);
        expect(drawing.items.length).toBeGreaterThan(8);
        for (const item of drawing.items)
          for (const [x, y] of item.kind === 'path' ? item.points : [item.at]) {
            expect(x).toBeGreaterThan(-1);
            expect(x).toBeLessThan(drawing.width + 1);
            expect(y).toBeGreaterThan(-1);
            expect(y).toBeLessThan(drawing.height + 1);
          }
      }
  });
  it('tell a good one from a failed one in the drawing at every age', () => {
    for (const { good, failed } of stages) {
      const roles = (items: typeof good.drawing.items): string =>
        items
          .map(({ role }) => role)
          .sort()
          .join(' ');
      expect(roles(good.drawing.items)).not.toBe(roles(failed.drawing.items));
    }
  });
});

describe('a bud', () => {
  const shoots = (id: string, variant: (typeof cases)[number][2]): boolean[] =>
    strip(
      METHODS.find((method) => method.id === id)!,
      variant,
    ).map(({ good }) => good.drawing.items.some(({ role }) => role === 'shoot'));
  it('of late summer sleeps until spring, and one of early summer is forced', () => {
    expect(shoots('t-bud', 'late-summer')).toEqual([false, false, false, true]);
    expect(shoots('t-bud', 'early-summer')).toEqual([false, true, true, true]);
    expect(shoots('patch', 'autumn')).toEqual([false, false, false, true]);
  });
  it('is told in the reader’s unit', () => {
    const method = METHODS.find(({ id }) => id === 'whip-and-tongue')!;
    expect(
      strip(method, 'bench', 'in')
        .map(({ good }) => good.words)
        .join(' '),
    ).not.toMatch(/\bmm\b/);
  });
});
