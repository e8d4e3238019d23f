import type { ComponentProps } from 'react';
import { describe, expect, it } from 'vitest';
import { seasonWindow } from '@/core/plan/dates/season-line';
import type { Stretch } from '@/core/plan/dates/season-finder';
import { rendered } from '@/ui/testing/rendered';
import { type Band, YearBands } from './year-bands';

const DAY = '2027-03-06';
const shown = seasonWindow(DAY, 1);
const stretch = (from: string, to: string, chance: Stretch['chance']): Stretch => ({
  from,
  to,
  chance,
  season: null,
  why: '',
});
const spring: Band = {
  id: 'cleft',
  name: 'Cleft',
  where: 'pear on quince, on the bench',
  planned: true,
  stretches: [
    stretch('2027-01-01', '2027-01-31', 'shut'),
    stretch('2027-02-01', '2027-02-14', 'edge'),
    stretch('2027-02-15', '2027-04-10', 'open'),
  ],
};
const never: Band = { ...spring, id: 't-bud', name: 'T-bud', planned: false, stretches: [] };
const bands = (changes: Partial<ComponentProps<typeof YearBands>> = {}) =>
  rendered(
    <YearBands
      shown={shown}
      bands={[spring, never]}
      day={DAY}
      original={DAY}
      today="2027-01-10"
      onMove={() => undefined}
      {...changes}
    />,
  );

describe('the year of each method', () => {
  it('is said in words for whoever does not see the bands', () => {
    const label = /role="img" aria-label="([^"]+)"/.exec(bands().html)![1]!;
    expect(label).toBe('Cleft: 15 Feb 2027 to 10 Apr 2027; T-bud: never here');
    const kind = { ...spring, stretches: [stretch('2027-02-01', '2027-02-14', 'edge')] };
    expect(bands({ bands: [kind] }).html).toContain('aria-label="Cleft: only in a kind year"');
    const twice = {
      ...spring,
      stretches: [stretch('2027-02-15', '2027-04-10', 'open'), stretch('2027-08-01', '2027-08-20', 'open')],
    };
    expect(bands({ bands: [twice] }).html).toContain('15 Feb 2027 to 10 Apr 2027 and 1 Aug 2027 to 20 Aug 2027');
  });
  it('names each method with the wood it is planned on', () => {
    const { words } = bands();
    for (const part of ['Cleft', 'T-bud', 'pear on quince, on the bench']) expect(words).toContain(part);
  });
  it('is leafed where it can be taught, hatched where only a kind year allows it, bare where not', () => {
    const green = (html: string): number => html.match(/<rect x=/g)?.length ?? 0;
    const only = (chance: Stretch['chance']): string =>
      bands({ bands: [{ ...spring, stretches: [stretch('2027-02-15', '2027-04-10', chance)] }] }).html;
    expect(green(only('open'))).toBe(1);
    expect(green(only('edge'))).toBe(0);
    // Hatching is strokes; a bare twig has none.
    const strokes = (html: string): number => html.match(/d="M[\d.]+ [\d.]+L[\d.]+ [\d.]+"/g)?.length ?? 0;
    expect(strokes(only('edge'))).toBeGreaterThan(3);
    expect(strokes(only('shut'))).toBe(0);
  });
  it('is as wide as its days', () => {
    const width = (to: string): number =>
      Number(
        /<rect x="[\d.]+" y="[\d.]+" width="([\d.]+)"/.exec(
          bands({ bands: [{ ...spring, stretches: [stretch('2027-02-01', to, 'open')] }] }).html,
        )![1],
      );
    // 10 and 20 days with their last.
    expect(width('2027-02-20') / width('2027-02-10')).toBeCloseTo(2, 6);
  });
  it('has a handle that says its day and can be reached by keys', () => {
    const { html } = bands();
    expect(html).toContain('aria-label="Day of the workshop"');
    expect(html).toContain('aria-valuetext="6 Mar 2027"');
    expect(html).toMatch(/role="slider"[^>]*tabindex="0"/);
  });
  it('shows where the workshop still is while another day is tried out, and today where it lies in the year', () => {
    const dashed = (html: string, dash: string): number => html.split(`stroke-dasharray="${dash}"`).length - 1;
    expect(dashed(bands().html, '6 4')).toBe(0);
    expect(dashed(bands({ day: '2027-03-20' }).html, '6 4')).toBe(1);
    expect(dashed(bands().html, '2 3')).toBe(1);
    expect(dashed(bands({ today: '2031-01-01' }).html, '2 3')).toBe(0);
  });
});
