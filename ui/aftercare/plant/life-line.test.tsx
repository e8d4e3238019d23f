import { describe, expect, it } from 'vitest';
import type { LifeEvent, UnionLife } from '@/core/aftercare/life/plant-life';
import { addDays } from '@/core/units/iso-date';
import { rendered } from '@/ui/testing/rendered';
import { unionLife } from '@/ui/testing/union-life';
import { LifeLegend, LifeLine } from './life-line';

const MADE = '2027-03-06';
const event = (kind: LifeEvent['kind'], day: number, words: string, to?: number): LifeEvent => ({
  id: `${kind} ${day}`,
  on: addDays(MADE, day),
  kind,
  words,
  ...(to === undefined ? {} : { to: addDays(MADE, to) }),
});
const life = (changes: Partial<UnionLife> = {}): UnionLife =>
  unionLife({
    madeOn: MADE,
    today: addDays(MADE, 60),
    events: [event('made', 0, 'Made'), event('due', 50, 'Loosen the tie', 70), event('latest', 90, 'Tie off')],
    ...changes,
  });
const line = (changes: Partial<UnionLife> = {}): string => rendered(<LifeLine life={life(changes)} />).html;
const legend = (changes: Partial<UnionLife> = {}, unit: 'mm' | 'in' = 'mm'): string =>
  rendered(<LifeLegend life={life(changes)} unit={unit} />).words;
/** Where the bar of an event begins, by its words. */
const barAt = (html: string, words: string): { x: number; y: number; width: number } => {
  const [, x, y, width] = new RegExp(
    `<rect x="([\\d.]+)" y="([\\d.]+)" width="([\\d.]+)"[^>]*><title>[^<]*: ${words}<`,
  ).exec(html)!;
  return { x: Number(x), y: Number(y), width: Number(width) };
};

describe('the line of a union’s life', () => {
  it('has everything that was and is due with its day, in words that come as it is pointed at', () => {
    const html = line();
    for (const words of ['6 Mar 2027: Made', '25 Apr 2027: Loosen the tie', '4 Jun 2027: Tie off'])
      expect(html).toContain(`<title>${words}</title>`);
    expect(html).toContain('aria-label="Its life from 6 Mar 2027 on');
  });
  it('runs from left to right with the days', () => {
    const html = line({
      events: [event('due', 10, 'first', 12), event('due', 40, 'second', 44), event('due', 80, 'third', 90)],
    });
    const [first, second, third] = ['first', 'second', 'third'].map((words) => barAt(html, words));
    expect(first!.x).toBeLessThan(second!.x);
    expect(second!.x).toBeLessThan(third!.x);
    // Ten days are as wide as four and two together and then some.
    expect(third!.width).toBeGreaterThan(second!.width);
    expect(second!.width).toBeGreaterThan(first!.width);
  });
  it('lays bars that would cover one another under one another, and others in one row', () => {
    const html = line({
      events: [event('due', 10, 'long', 60), event('due', 20, 'beside', 30), event('due', 70, 'after', 80)],
    });
    expect(barAt(html, 'beside').y).toBeGreaterThan(barAt(html, 'long').y);
    expect(barAt(html, 'after').y).toBe(barAt(html, 'long').y);
  });
  it('leaves to the list what is due long after today', () => {
    const html = line({ events: [event('made', 0, 'Made'), event('due', 400, 'Next year', 420)] });
    expect(html).not.toContain('Next year');
    // What was long ago stays.
    expect(line({ today: addDays(MADE, 700) })).toContain('Loosen the tie');
  });
  it('marks the weather of the time it healed on its days', () => {
    const html = line({ frost: [addDays(MADE, 5)], heat: [addDays(MADE, 9)], rain: [addDays(MADE, 7)] });
    expect(html).toContain('<title>11 Mar 2027: frost</title>');
    expect(html).toContain('<title>15 Mar 2027: too hot to knit</title>');
    expect(html).toContain('<title>13 Mar 2027: much rain</title>');
  });
  it('draws heights higher the taller it grew', () => {
    const html = line({
      heights: [
        { on: addDays(MADE, 30), mm: 100, shortened: false },
        { on: addDays(MADE, 50), mm: 420, shortened: false },
      ],
    });
    const points = /<polyline points="([^"]+)"/
      .exec(html)![1]!
      .split(' ')
      .map((point) => point.split(',').map(Number));
    expect(points).toHaveLength(2);
    expect(points[1]![0]).toBeGreaterThan(points[0]![0]!);
    expect(points[1]![1]).toBeLessThan(points[0]![1]!);
  });
  it('stays whole for any life, however long', () => {
    for (const days of [0, 1, 30, 365, 1500])
      expect(line({ today: addDays(MADE, days) }), `${days} days`).not.toMatch(/NaN|Infinity|undefined/);
  });
});

describe('what the signs mean', () => {
  it('is told of those that stand on the line, and of no others', () => {
    const words = legend();
    expect(words).toContain('▬ due');
    expect(words).toContain('⚑ last day of a tie');
    for (const absent of ['missed', 'leaf:', 'line above', 'frost', 'too hot', 'much rain', 'Warmth by'])
      expect(words).not.toContain(absent);
  });
  it('tells the height in the unit of whoever reads, and where the warmth is from', () => {
    const heights = [{ on: addDays(MADE, 50), mm: 508, shortened: false }];
    expect(legend({ heights })).toContain('height, up to 508 mm');
    expect(legend({ heights }, 'in')).toContain('height, up to 20.00 in');
    expect(legend({ warmthFrom: 'the logger of the bed' })).toContain('Warmth by the logger of the bed');
    expect(legend({ frost: [MADE], heat: [MADE], rain: [MADE] })).toMatch(/frost.*too hot to knit.*much rain/);
  });
});
