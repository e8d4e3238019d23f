import { describe, expect, it } from 'vitest';
import type { CardUnion, PersonCard } from '@/core/score/cards/person-card';
import { exampleMeasures } from '@/core/methods/example-measures';
import { METHODS } from '@/core/methods/registry';
import { shownTechnique } from '@/core/methods/shown-technique';
import { defaultRule, judgeUnion } from '@/core/score/rubric/judge-union';
import { faultShown } from '@/core/teach/fault-shown';
import { rendered } from '@/ui/testing/rendered';
import { PersonCardPage } from './person-card-page';

const method = METHODS[0]!;
const union = (number: number, score: number | null): CardUnion => ({
  number,
  method: '',
  score,
  contact: 0.8,
  words: `attempt ${number} in words`,
  fatal: false,
  glyph: { runs: [], fatal: null },
});
const pictured = (number: number, scionDiameter: number) => {
  const { assessment } = judgeUnion(
    method,
    defaultRule(method),
    exampleMeasures(method, { scionDiameter }),
    {},
    'joined',
  );
  return {
    union: union(number, 70 + number),
    side: assessment.side({ unit: 'mm' }),
    lines: assessment.lines({ unit: 'mm' }),
  };
};
const card: PersonCard = {
  name: 'Ona Ferrel',
  seat: 7,
  clubName: 'Reed Islet Grafters',
  workshop: 'Bench day',
  date: '2027-03-06',
  method: method.name,
  ready: true,
  unions: [union(1, 71), union(2, null), union(3, 73)],
  first: pictured(1, 10),
  last: pictured(3, 8),
  train: [
    {
      point: 'tongue',
      name: 'Tongue',
      times: 2,
      outOf: 3,
      how: 'Rock the blade in along the grain.',
      shown: faultShown(shownTechnique(method), 'tongue', 'mm'),
    },
  ],
  keepers: [{ code: 'K7M4XQ', variety: 'Grey Heron', stock: 'Reedmoor', place: '', method: '', judged: null }],
  looks: [{ from: '2027-03-20', to: '2027-03-27', lookFor: 'callus along the cut', method: '' }],
  tasks: [
    {
      name: 'Keep it moist',
      due: { from: '2027-03-06', to: '2027-03-06' },
      when: 'at once',
      missed: 'it dries out',
      method: '',
    },
  ],
};
const page = (changes: Partial<PersonCard> = {}) => rendered(<PersonCardPage card={{ ...card, ...changes }} />);

describe('the card on the phone', () => {
  it('has everything the day gave: unions, first against last, what to train, what goes home and when to look', () => {
    const { words } = page();
    for (const part of [
      'Ona Ferrel',
      'Bench day, 6 Mar 2027, seat 7',
      'You are ready for living wood',
      'First: 71',
      'Last: 73',
      'Tongue, not good in 2 of your last 3.',
      'Rock the blade in along the grain.',
      'K7M 4XQ Grey Heron on Reedmoor',
      '20 Mar 2027 to 27 Mar 2027 Look: callus along the cut.',
      'Keep it moist. Else: it dries out',
      'follow the rules where you live',
    ])
      expect(words).toContain(part);
  });
  it('draws first and last to one scale, none wider than a phone', () => {
    const { html } = page();
    const scales = [card.first!, card.last!]
      .flatMap(({ side, lines }) => [side, lines])
      .map(({ width, height }) => {
        // Drawings are written to a hundredth of a millimetre.
        const [wide, high] = [width, height].map((mm) => Math.round(mm * 100) / 100);
        const [, shown] =
          new RegExp(`width="([\\d.]+)"[^>]*viewBox="0 0 ${wide} ${high}"`).exec(html) ??
          new RegExp(`viewBox="0 0 ${wide} ${high}"[^>]* width="([\\d.]+)"`).exec(html)!;
        return Number(shown) / width;
      });
    for (const scale of scales) expect(scale).toBeCloseTo(scales[0]!, 2);
    expect(scales[0]! * (card.first!.side.width + card.first!.lines.width)).toBeLessThanOrEqual(330);
  });
  it('draws what to train right beside wrong, where its step is drawn', () => {
    expect(page().words).toMatch(/Right.*✕ Wrong/);
    expect(page({ train: card.train.map((entry) => ({ ...entry, shown: null })) }).words).not.toContain('✕ Wrong');
  });
  it('says what there is not instead of leaving holes', () => {
    const bare = page({ unions: [], first: null, last: null, train: [], keepers: [], ready: false }).words;
    expect(bare).toContain('No practice union was scored that day.');
    expect(bare).not.toContain('What goes home');
    expect(page({ train: [] }).words).toContain('Nothing to train in particular: the same again');
    expect(page({ ready: false }).words).toContain('The line of readiness is still ahead.');
  });
});
