import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { COLOURS } from '@/core/drawing/colours';

const sheet = readFileSync('app/globals.css', 'utf8');
const theme = /@theme static \{([^}]*)\}/.exec(sheet)![1]!;
const named = Object.fromEntries(
  [...theme.matchAll(/--color-([a-z-]+): (#[0-9a-f]{6});/g)].map(([, name, value]) => [name, value]),
);

describe('the theme', () => {
  it('has the same colours on pages as in drawings, charts and on paper', () => {
    // White and black are the same everywhere without being named.
    const { white, black, ...own } = COLOURS;
    expect([white, black]).toEqual(['#ffffff', '#000000']);
    expect(named).toEqual(own);
  });
});
