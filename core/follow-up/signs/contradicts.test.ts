import { describe, expect, it } from 'vitest';
import { contradicts } from './contradicts';

describe('a word and signs that cannot both be so', () => {
  it.each([
    ['dead', { growth: 60 }],
    ['dead', { buds: 'leaf' }],
    ['dead', { scratch: 'green' }],
    ['alive', { scratch: 'brown' }],
    ['alive', { shield: 'brown' }],
    ['not-found', { growth: 60 }],
    ['not-found', { patch: 'brown' }],
  ] as const)('%s with %o', (said, signs) => expect(contradicts(said, signs)).toBe(true));
  it.each([
    ['dead', {}],
    ['dead', { growth: 0, scratch: 'brown' }],
    // It grew from the stock's own sap, and is brown by now.
    ['dead', { growth: 60, scratch: 'brown' }],
    ['alive', { growth: 60 }],
    ['alive', { buds: 'asleep' }],
    ['unsure', { growth: 60 }],
    ['not-found', {}],
    ['', { scratch: 'brown' }],
  ] as const)('but not %s with %o', (said, signs) => expect(contradicts(said, signs)).toBe(false));
});
