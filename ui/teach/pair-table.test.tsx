import { describe, expect, it } from 'vitest';
import { type Pairing, USUAL_PAIRINGS, VERDICT_WORDS } from '@/core/methods/compatibility/compatibility';
import { rendered } from '@/ui/testing/rendered';
import { PairTable } from './pair-table';

const own: (Pairing & { id: string })[] = [
  {
    id: 'o',
    scion: 'medlar',
    stock: 'hawthorn',
    verdict: 'mind',
    note: 'slow on wet ground',
    source: 'our row 4, 2026',
  },
];
const table = (mayChange: boolean, usual: Pairing[] = [...USUAL_PAIRINGS]) =>
  rendered(<PairTable own={own} usual={usual} mayChange={mayChange} />);

describe('the table of pairs', () => {
  it('has the club’s own pairs first and each with its source', () => {
    const { words } = table(false);
    expect(words).toContain(`medlar hawthorn ${VERDICT_WORDS.mind} slow on wet ground our row 4, 2026`);
    const [first] = USUAL_PAIRINGS as [Pairing];
    expect(words.indexOf('slow on wet ground')).toBeLessThan(words.indexOf(first.note || first.source));
    for (const { source } of USUAL_PAIRINGS) expect(words).toContain(source);
  });
  it('has all that are usual, each by how it fares', () => {
    const { html } = table(false);
    expect(html.match(/<tr/g)).toHaveLength(1 + own.length + USUAL_PAIRINGS.length);
    for (const verdict of new Set(USUAL_PAIRINGS.map((pair) => pair.verdict)))
      expect(html).toContain(VERDICT_WORDS[verdict]);
  });
  it('is changed for the club by whoever may: a usual pair, an own one, a new one', () => {
    const { buttons } = table(true);
    expect(buttons.filter((words) => words === 'Change it for the club')).toHaveLength(USUAL_PAIRINGS.length);
    expect(buttons.filter((words) => words === 'Take back')).toHaveLength(own.length);
    expect(buttons).toContain('Add a pair');
  });
  it('is read only by whoever may not', () => {
    const { buttons } = table(false);
    for (const words of ['Change', 'Take back', 'Change it for the club', 'Add a pair'])
      expect(buttons).not.toContain(words);
  });
});
