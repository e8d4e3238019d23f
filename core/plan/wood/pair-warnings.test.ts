import { describe, expect, it } from 'vitest';
import { pairWarnings } from './pair-warnings';

describe('pairWarnings', () => {
  it('says nothing of what usually lives, by usual practice and by the club', () => {
    expect(pairWarnings([{ scion: 'medlar', stock: 'quince' }], [])).toEqual([]);
    expect(pairWarnings([{ scion: 'Pear ', stock: 'pear' }], [])).toEqual([]);
    const own = [{ stock: 'quince', scion: 'pear', verdict: 'works' as const, note: '', source: 'the guild' }];
    expect(pairWarnings([{ scion: 'Pear', stock: 'Quince' }], own)).toEqual([]);
  });
  it('warns of a pair that wants care, of one not known to live and of one nobody knows, each once', () => {
    const warnings = pairWarnings(
      [
        { scion: 'pear', stock: 'quince' },
        { scion: 'Pear', stock: 'quince' },
        { scion: 'cherry', stock: 'plum' },
        { scion: 'mulberry', stock: 'pear' },
        { scion: 'marsh fruit', stock: 'reed tree' },
      ],
      [],
    );
    expect(warnings.map(({ id }) => id)).toEqual([
      'pear on quince',
      'cherry on plum',
      'mulberry on pear',
      'marsh fruit on reed tree',
    ]);
    expect(warnings[0]!.says).toMatch(/^Pear on quince wants care\. Needs a variety that agrees/);
    expect(warnings[1]!.says).toMatch(/^Cherry on plum is not known to live\. Cherries go on cherries only/);
    expect(warnings[2]!.says).toContain('nothing is known');
    expect(warnings[3]!.says).toContain('nothing is known');
  });
});
