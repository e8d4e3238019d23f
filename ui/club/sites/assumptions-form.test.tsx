import type { ComponentProps } from 'react';
import { describe, expect, it } from 'vitest';
import { ASSUMPTIONS } from '@/core/plan/phenology/assumptions';
import { rendered } from '@/ui/testing/rendered';
import { AssumptionsForm } from './assumptions-form';

const form = (changes: Partial<ComponentProps<typeof AssumptionsForm>> = {}) =>
  rendered(
    <AssumptionsForm
      siteId="s"
      version={1}
      edits={{}}
      quarantine={['citrus', 'walnut']}
      region="Tarn isles"
      units={{ length: 'mm', temperature: 'C' }}
      mayChange
      {...changes}
    />,
  );
const plain = (text: string): string => text.replaceAll("'", '’').replaceAll(' ', ' ');

describe('the figures that dates are reckoned from', () => {
  it('are all there, each with its value, its margin and who says so', () => {
    const { words, html } = form();
    for (const { name } of ASSUMPTIONS) expect(words).toContain(plain(name));
    for (const column of ['Figure', 'Value', 'Give or take', 'Source']) expect(words).toContain(column);
    expect(html.match(/aria-label="[^"]*: value"/g)).toHaveLength(ASSUMPTIONS.length);
    expect(html.match(/aria-label="[^"]*: give or take"/g)).toHaveLength(ASSUMPTIONS.length);
    expect(html.match(/placeholder="nobody: our guess"/g)).toHaveLength(ASSUMPTIONS.length);
  });
  it('say which of them the site has changed', () => {
    const [first] = ASSUMPTIONS;
    expect(form().words).not.toContain('changed here');
    const edits = { [first!.id]: { value: first!.value + 1, margin: first!.margin, source: 'our own log' } };
    expect(form({ edits }).words.match(/changed here/g)).toHaveLength(1);
  });
  it('are in the degrees of whoever reads', () => {
    expect(form({ units: { length: 'mm', temperature: 'C' } }).words).toContain('°C');
    const fahrenheit = form({ units: { length: 'in', temperature: 'F' } }).words;
    expect(fahrenheit).toContain('°F');
    expect(fahrenheit).not.toContain('°C');
  });
  it('are looked at, and not changed, by whoever may not', () => {
    const { html, buttons } = form({ mayChange: false });
    expect(buttons).not.toContain('Save the figures');
    const inputs = [...html.matchAll(/<input [^>]*aria-label="[^"]*: (?:value|give or take|source)"[^>]*>/g)];
    expect(inputs).toHaveLength(3 * ASSUMPTIONS.length);
    for (const [input] of inputs) expect(input).toContain('disabled');
    expect(form().buttons).toContain('Save the figures');
  });
  it('stand beside the region and the list of what may not travel, which the authority decides', () => {
    expect(form().words).toContain('The local authority decides.');
    expect(form().fields.has('quarantine')).toBe(true);
  });
});
