import { describe, expect, it } from 'vitest';
import { datesOnCard } from './card-dates';

describe('datesOnCard', () => {
  it('has looks and tasks together, by their days', () => {
    const dates = datesOnCard({
      looks: [{ from: '2027-03-20', to: '2027-03-27', lookFor: 'callus along the cut', method: 'Splice' }],
      tasks: [
        { name: 'Plant out', from: '2027-05-10', to: '2027-05-31', missed: 'Frosted growth.', method: '' },
        { name: 'Keep it warm', from: '2027-03-06', to: '2027-03-20', missed: null, method: 'Splice' },
      ],
    });
    expect(dates.map(({ what, look }) => [what, look])).toEqual([
      ['Splice: Keep it warm', false],
      ['Splice, look: callus along the cut', true],
      ['Plant out', false],
    ]);
  });
});
