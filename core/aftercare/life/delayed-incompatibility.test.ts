import { describe, expect, it } from 'vitest';
import { delayedIncompatibility } from './delayed-incompatibility';

describe('a pair that does not suit after all', () => {
  const signs = (about: string, seenOn: string) => delayedIncompatibility([{ about, seenOn }], '2027-03-06');
  it('shows from the second year to the tenth, by a break, an overgrowth, leaves red early', () => {
    for (const about of ['snapped', 'overgrown', 'red-early']) {
      expect(signs(about, '2027-09-01')).toEqual([]);
      expect(signs(about, '2028-09-01')).toHaveLength(1);
      expect(signs(about, '2036-09-01')).toHaveLength(1);
      expect(signs(about, '2038-09-01')).toEqual([]);
    }
  });
  it('is said once of each sign, and by no other', () => {
    expect(signs('eaten', '2030-09-01')).toEqual([]);
    const twice = ['2029-09-01', '2030-09-01'].map((seenOn) => ({ about: 'red-early', seenOn }));
    expect(delayedIncompatibility(twice, '2027-03-06')).toEqual(['its leaves turn red early']);
  });
});
