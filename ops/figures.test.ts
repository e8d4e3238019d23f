import { readFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { describe, expect, it } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { ASSUMPTIONS } from '@/core/plan/phenology/assumptions';
import { OUR_GUESS, USUAL_PRACTICE } from '@/core/units/figure-source';
import { figureSections, figuresPage } from './list-figures';

describe('docs/figures.md', () => {
  const sections = figureSections();
  it('is what the code says; after a change, run node --import tsx ops/figures.ts', async () => {
    const path = 'docs/figures.md';
    expect(readFileSync(path, 'utf8')).toBe(
      await format(figuresPage(), { ...(await resolveConfig(path)), filepath: path }),
    );
  });
  it('names a source of ours and a margin for each figure, and guesses with a margin that is none', () => {
    for (const { title, rows } of sections)
      for (const { name, value, kind, margin } of rows) {
        expect([USUAL_PRACTICE, OUR_GUESS], `${title}: ${name}`).toContain(kind);
        expect(value.length, `${title}: ${name}`).toBeGreaterThan(0);
        expect(margin.length, `${title}: ${name}`).toBeGreaterThan(0);
        if (kind === OUR_GUESS) expect(margin, `${title}: ${name}`).not.toBe('none');
      }
  });
  it('leaves no method and no assumption out', () => {
    for (const { name } of METHODS) expect(sections.map(({ title }) => title)).toContain(name);
    expect(sections.find(({ title }) => title === 'Assumptions of a site')!.rows).toHaveLength(ASSUMPTIONS.length);
  });
});
