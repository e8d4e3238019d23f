import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ownPath } from './own-path';

const OWN = 'https://bench.example:8443';

describe('ownPath', () => {
  it('keeps paths of this site', () => {
    for (const path of ['/season', '/workshops/1/score?seat=2', '/wood#lots', '/a%2Fb'])
      expect(ownPath(path, OWN)).toBe(path);
  });
  it.each([
    '//evil.example',
    '/\\evil.example',
    '/\t/evil.example',
    '/\n/evil.example',
    '\t//evil.example',
    'https://evil.example',
    'javascript:alert(1)',
    '/.//evil.example',
    '/%09/../..//evil.example',
    '',
    'season',
    '\\\\evil.example',
  ])('goes nowhere else for %j', (path) => {
    expect(new URL(ownPath(path, OWN), OWN).origin).toBe(OWN);
    expect(ownPath(path, OWN).startsWith('//')).toBe(false);
  });
  it('leads here for whatever text', () => {
    const nasty = fc
      .array(
        fc.constantFrom('/', '\\', '\t', '\n', '.', '..', ':', '@', 'evil.example', 'http', '?', '#', '%2f', ' '),
        { maxLength: 8 },
      )
      .map((parts) => parts.join(''));
    fc.assert(
      fc.property(nasty, (text) => {
        for (const wanted of [text, `/${text}`]) {
          const path = ownPath(wanted, OWN);
          expect(new URL(path, OWN).origin).toBe(OWN);
          expect(path).toMatch(/^\/(?![/\\])/);
        }
      }),
      { numRuns: 2000 },
    );
  });
  it('takes no lists', () => {
    expect(ownPath(['/a', '/b'], OWN)).toBe('/week');
    expect(ownPath(undefined, OWN)).toBe('/week');
  });
});
