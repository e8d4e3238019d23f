import { describe, expect, it } from 'vitest';
import { timePlan, USUAL_DAY } from '@/core/plan/benches/time-plan';
import { exampleMeasures } from '@/core/methods/example-measures';
import { METHODS } from '@/core/methods/registry';
import { shownTechnique } from '@/core/methods/shown-technique';
import { defaultRule, judgeUnion } from '@/core/score/rubric/judge-union';
import { faultShown } from '@/core/teach/fault-shown';
import type { WallState } from '@/core/score/wall/wall-state';
import { rendered } from '@/ui/testing/rendered';
import { Wall } from './wall';

const method = METHODS[0]!;
const { assessment } = judgeUnion(method, defaultRule(method), exampleMeasures(method), {}, 'joined');
const { blocks } = timePlan(USUAL_DAY, [{ method: method.name, practice: 4, keepers: 2 }], 3);
const state: WallState = {
  seq: 1,
  title: 'Bench day',
  totals: { people: 3, unions: 16, ready: 1, keepers: 0 },
  fault: null,
  day: { blocks, now: null },
  people: [
    { label: '1 Ona Ferrel', seen: 4, ready: true },
    { label: '2 Bram Odewick', seen: 12, ready: false },
    { label: '3 Cilla Varn', seen: 0, ready: false },
  ],
};
const wall = (changes: Partial<WallState> = {}) => rendered(<Wall workshopId="w" initial={{ ...state, ...changes }} />);
const fault = {
  name: 'Tongue',
  good: 'locks',
  how: 'Rock the blade in along the grain.',
  times: 5,
  outOf: 20,
  shown: null,
  union: null,
};

describe('the wall', () => {
  it('shows everybody with a leaf for each union seen, and ready only for those who are', () => {
    const { html, words } = wall();
    expect(words).toContain('16 unions seen, 1 of 3 ready');
    for (const [seen, leaves] of [
      [4, 4],
      [12, 9],
      [0, 0],
    ]) {
      const twig = new RegExp(`aria-label="${seen} unions seen">(.*?)</svg>`).exec(html)![1]!;
      expect(twig.match(/<path/g)).toHaveLength(1 + leaves!);
    }
    expect(html.match(/>ready</g)).toHaveLength(1);
    // More leaves than a twig has are told as a figure.
    expect(words).toMatch(/2 Bram Odewick\s?12/);
  });
  it('shows nobody where only totals are wanted', () => {
    const { html, words } = wall({ people: [] });
    expect(html).not.toContain('aria-label="Everybody"');
    expect(words).toContain('at the benches 3');
    expect(words).toContain('ready for living wood 1');
  });
  it('takes three columns for a large room, so that nobody falls off it', () => {
    const many = Array.from({ length: 30 }, (_, i) => ({ label: String(i + 1), seen: 1, ready: false }));
    expect(wall({ people: many }).html).toContain('grid-cols-3');
    expect(wall({ people: many.slice(0, 16) }).html).toContain('grid-cols-2');
  });
  it('draws the commonest fault right beside wrong where its step is drawn', () => {
    const shown = faultShown(shownTechnique(method), 'tongue', 'mm')!;
    const { html, words } = wall({ fault: { ...fault, shown } });
    expect(words).toContain('Right now most often: tongue 5 of the last 20 unions. Good is: locks.');
    expect(html.match(/<figure/g)).toHaveLength(2);
    expect(words).toContain('Right');
    expect(words).toContain('✕ Wrong');
    expect(words).toContain(shown.looks);
    expect(words).toContain(fault.how);
  });
  it('else draws a union of the room, the place in question ringed', () => {
    const { html, words } = wall({
      fault: {
        ...fault,
        union: { side: assessment.side({ unit: 'mm' }), lines: assessment.lines({ unit: 'mm' }), point: 'tongue' },
      },
    });
    expect(words).toContain('As it came out here');
    expect(html.match(/rounded-full border-\[0.7vh\] border-loud/g)).toHaveLength(1);
  });
  it('says so when nothing goes wrong more than once', () => {
    expect(wall().words).toContain('Nothing goes wrong more than once');
  });
  it('tells where the day stands: before it, in a block, after it, and on another day', () => {
    const at = (now: number | null): string => wall({ day: { blocks, now } }).words;
    expect(at(null)).toContain('The plan of the day');
    expect(at(9 * 60)).toContain('09:00 begins at 09:30');
    expect(at(9 * 60 + 40)).toContain('09:40 Safety briefing until 09:45');
    expect(at(22 * 60)).toContain('22:00 the day is over');
    expect(wall({ day: { blocks: [], now: null } }).html).not.toContain('aria-label="The day"');
  });
});
