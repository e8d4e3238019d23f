import { describe, expect, it } from 'vitest';
import { linesOnCard } from './card-lines';

describe('linesOnCard', () => {
  it('has looks and tasks together by their days, then what waits for the plant', () => {
    const on = (from: string, to = from): { due: { from: string; to: string }; when: string } => ({
      due: { from, to },
      when: 'day 0',
    });
    const lines = linesOnCard({
      looks: [{ from: '2027-03-20', to: '2027-03-27', lookFor: 'callus along the cut', method: 'Splice' }],
      tasks: [
        { name: 'Tie off', due: null, when: 'at 150 mm of growth', missed: 'It strangles.', method: '' },
        { name: 'Plant out', ...on('2027-05-10', '2027-05-31'), missed: 'Frosted growth.', method: '' },
        { name: 'Keep it warm', ...on('2027-03-06'), missed: null, method: 'Splice' },
      ],
    });
    expect(lines.map(({ when, what, look }) => [when, what, look])).toEqual([
      ['6 Mar 2027', 'Splice: Keep it warm', false],
      ['20 Mar 2027 to 27 Mar 2027', 'Splice, look: callus along the cut', true],
      ['10 May 2027 to 31 May 2027', 'Plant out', false],
      ['At 150 mm of growth', 'Tie off', false],
    ]);
    expect(lines.at(-1)!.missed).toBe('It strangles.');
  });
});
