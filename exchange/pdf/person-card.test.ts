import { execFileSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';
import type { CardUnion, PersonCard } from '@/core/score/cards/person-card';
import { exampleMeasures } from '@/core/methods/example-measures';
import { METHODS } from '@/core/methods/registry';
import { shownTechnique } from '@/core/methods/shown-technique';
import { defaultRule, judgeUnion } from '@/core/score/rubric/judge-union';
import { faultShown } from '@/core/teach/fault-shown';
import { personCardsPdf } from './person-card';

const union = (number: number, score: number | null): CardUnion => ({
  number,
  method: '',
  score,
  contact: 0.8,
  words: 'both sides, 80 %',
  fatal: false,
  glyph: { runs: [{ from: 0, to: 3 }], fatal: null },
});

/** Something to train whose step is drawn. */
function trained(method: (typeof METHODS)[number], name: string, how: string) {
  const technique = shownTechnique(method);
  const point = technique.points.find(({ id }) => faultShown(technique, id, 'mm'))!.id;
  return { point, name, times: 2, outOf: 4, how, shown: faultShown(technique, point, 'mm') };
}

function cardOf(method: (typeof METHODS)[number], count: number): PersonCard {
  const { assessment } = judgeUnion(method, defaultRule(method), exampleMeasures(method), {}, 'joined');
  const pictured = (n: number) => ({
    union: union(n, 80 + n),
    side: assessment.side({ unit: 'mm' }),
    lines: assessment.lines({ unit: 'mm' }),
  });
  return {
    name: 'Łucja Ferrel',
    seat: 7,
    clubName: 'Reed Islet Grafters',
    workshop: 'Bench day',
    date: '2027-03-06',
    method: method.name,
    ready: true,
    unions: Array.from({ length: count }, (_, i) => union(i + 1, i === 1 ? null : 80 + i)),
    first: count > 0 ? pictured(1) : null,
    last: count > 1 ? pictured(count) : null,
    train:
      count > 0
        ? [
            trained(method, 'Hold', 'Push it home until the faces close.'),
            trained(method, 'Binding', 'Wrap from below upwards, each turn over the last.'),
          ]
        : [],
    keepers: [{ code: 'K7M4XQ', variety: 'Grey Heron', stock: 'Reedmoor', place: '', method: '', judged: null }],
    looks: [{ from: '2027-03-20', to: '2027-03-27', lookFor: 'callus along the cut', method: '' }],
    tasks: Array.from({ length: TASKS }, (_, i) => ({
      name: `Task ${i + 1}`,
      due: { from: '2027-03-06', to: '2027-03-08' },
      when: 'day 0 to 2',
      missed: null,
      method: '',
    })),
  };
}

/** More than one page holds. */
const TASKS = 60;

const text = (pdf: Buffer): string => execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf }).toString();
const pages = (pdf: Buffer): number =>
  Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', ['-'], { input: pdf }).toString())![1]);
/** Boxes of words in points: left, right, bottom. */
const boxes = (pdf: Buffer) =>
  [
    ...execFileSync('pdftotext', ['-bbox', '-', '-'], { input: pdf })
      .toString()
      .matchAll(/xMin="([\d.]+)" yMin="[\d.]+" xMax="([\d.]+)" yMax="([\d.]+)"/g),
  ].map((match) => match.slice(1, 4).map(Number) as [number, number, number]);

describe.each(METHODS.map((method) => [method.id, method] as const))('a card of %s', (_id, method) => {
  it('goes on over as many pages as it needs, none of its tasks cut off and nothing beyond the paper', async () => {
    for (const [paper, width, height] of [
      ['A4', 595.3, 841.9],
      ['Letter', 612, 792],
    ] as const) {
      const pdf = await personCardsPdf([cardOf(method, 6), cardOf(method, 1)], paper);
      const words = text(pdf);
      // Two people, and two pages each at least; what is due is there to its last line.
      expect(pages(pdf)).toBeGreaterThanOrEqual(4);
      for (let i = 1; i <= TASKS; i++) expect(words).toMatch(new RegExp(`Task ${i}\\b`));
      for (const [left, right, bottom] of boxes(pdf)) {
        expect(left).toBeGreaterThan(0);
        expect(right).toBeLessThan(width);
        expect(bottom).toBeLessThan(height);
      }
      for (const part of [
        'Łucja Ferrel',
        'seat 7',
        'First, attempt 1',
        'Last, attempt 6',
        'Hold, not good in 2 of your last 4',
        'Binding, not good in 2 of your last 4',
        'right',
        'wrong',
        'K7M 4XQ Grey Heron on Reedmoor',
        'Look: callus along the cut',
      ])
        expect(words).toContain(part);
    }
  });
});

describe('a card of somebody nobody scored', () => {
  it('says so, and still tells what goes home', async () => {
    const words = text(await personCardsPdf([cardOf(METHODS[0]!, 0)], 'A4'));
    expect(words).toContain('No practice union was scored.');
    expect(words).not.toContain('First, attempt');
    expect(words).toContain('What goes home with you');
  });
});
