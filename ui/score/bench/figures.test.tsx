import { written } from '@/core/units/prose';
import { describe, expect, it } from 'vitest';
import { exampleMeasures } from '@/core/methods/example-measures';
import { METHODS } from '@/core/methods/registry';
import { rendered } from '@/ui/testing/rendered';
import { BY_FIGURE, type Entry, newEntry } from './entry';
import { Figures } from './figures';

const whip = METHODS[0]!;
const figures = (changes: Partial<Entry> = {}, method = whip, errors = {}) => {
  const entry = { ...newEntry(method, null, 'mm'), ...changes };
  return rendered(
    <Figures
      method={method}
      entry={entry}
      unit="mm"
      measures={exampleMeasures(method)}
      errors={errors}
      onChange={() => undefined}
    />,
  );
};

describe.each(METHODS.map((method) => [method.id, method] as const))('the figures of %s', (_id, method) => {
  it('have a labelled field each, those asked on every union first, and every pick in words', () => {
    const { html, words, fields } = figures({}, method);
    const labelled = [...html.matchAll(/<label for="([^"]+)"/g)].map(([, id]) => id!);
    const typed = [...fields].filter(([, { type }]) => type !== 'radio');
    expect(typed.map(([, { id }]) => id)).toEqual(labelled);
    const asked = method.fields.filter(({ place }) => place === 'first').map(({ id }) => id);
    expect(typed.slice(0, asked.length).map(([name]) => name)).toEqual(asked);
    expect(typed.filter(([, attributes]) => 'data-first' in attributes).map(([name]) => name)).toEqual(asked);
    for (const { picks } of method.fields.filter(({ place }) => place === 'picked'))
      for (const { words: said } of picks!) expect(words).toContain(written(said, 'mm'));
  });
  it('offer quick picks for the first figure that is still empty, in targets for a thumb', () => {
    const [first] = method.fields.filter(({ place }) => place === 'first');
    const { html, buttons } = figures({}, method);
    expect(buttons.filter((label) => label.startsWith(`${first!.short} about `))).toHaveLength(6);
    for (const [button] of html.matchAll(/<button[^>]*>/g)) expect(button).toContain('min-h-11');
  });
});

describe('a figure', () => {
  it('says where it comes from: kept from the last union, picked, or typed', () => {
    const { words, fields } = figures({
      texts: { stockDiameter: '11', scionDiameter: '9', stockLength: '36' },
      kept: ['stockDiameter'],
      quick: ['scionDiameter'],
    });
    expect(words).toMatch(/Stock Ø\s?kept, assumed/);
    expect(words).toMatch(/Scion Ø\s?picked/);
    expect(fields.get('stockDiameter')!.class).toContain('border-dashed');
    expect(fields.get('scionDiameter')!.class).toContain('border-dotted');
    expect(fields.get('stockLength')!.class).not.toMatch(/border-d/);
  });
  it('tells what is wrong with it where it stands, for eyes and ears', () => {
    const { html, fields } = figures({ texts: { stockDiameter: 'abc' } }, whip, {
      stockDiameter: 'Enter it in figures.',
    });
    const { 'aria-describedby': about, 'aria-invalid': invalid } = fields.get('stockDiameter')!;
    expect(html).toMatch(new RegExp(`id="${about}"[^>]*>Enter it in figures\\.`));
    expect([invalid, fields.get('scionDiameter')!['aria-invalid']]).toEqual(['true', 'false']);
  });
  it('that is picked may be typed instead', () => {
    expect(figures({ picks: { placement: BY_FIGURE } }).fields.has('placement')).toBe(true);
    expect(figures().fields.has('placement')).toBe(false);
  });
});
