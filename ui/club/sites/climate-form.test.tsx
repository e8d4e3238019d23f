import type { ComponentProps } from 'react';
import { describe, expect, it } from 'vitest';
import { MONTH_NAMES } from '@/core/plan/climate/normals';
import { rendered } from '@/ui/testing/rendered';
import { ClimateForm } from './climate-form';

const climate = {
  normals: { low: [-4, -3, 0, 4, 8, 12, 14, 13, 9, 5, 1, -3], high: [2, 4, 9, 14, 19, 22, 25, 24, 20, 14, 7, 3] },
  lastFrost: '04-24',
  firstFrost: '10-28',
  frostMargin: 9,
};
const form = (changes: Partial<ComponentProps<typeof ClimateForm>> = {}) =>
  rendered(
    <ClimateForm
      siteId="s"
      hemisphere="north"
      version={3}
      climate={climate}
      source="the weather hut"
      offered={[{ id: 'lake', name: 'A cold lake', climate }]}
      unit="C"
      mayChange
      {...changes}
    />,
  );

describe('a site’s usual year', () => {
  it('has a field for the lowest and the highest of each month, called by its name', () => {
    const { html, fields } = form();
    for (const month of MONTH_NAMES)
      for (const list of ['lowest', 'highest']) expect(html).toContain(`aria-label="${month}, ${list}"`);
    for (let i = 0; i < 12; i++)
      for (const list of ['low', 'high']) expect(fields.has(`normals.${list}.${i}`)).toBe(true);
  });
  it('is read in the degrees of whoever reads', () => {
    const shown = (unit: 'C' | 'F'): string[] =>
      [...form({ unit, mayChange: false }).html.matchAll(/tabular-nums">(-?[\d.]+)</g)].map(([, figure]) => figure!);
    expect(shown('C')).toEqual([...climate.normals.low, ...climate.normals.high].map(String));
    // The first month's lowest and the seventh's highest, by hand: -4 and 25 degC.
    expect([shown('F')[0], shown('F')[18]]).toEqual(['24.8', '77']);
    expect(form({ unit: 'F' }).words).toContain('Lowest, °F');
    expect(form().words).toContain('Highest, °C');
  });
  it('is looked at, and not changed, by whoever may not', () => {
    const { buttons, fields, words } = form({ mayChange: false });
    expect(buttons).toEqual([]);
    expect(words).not.toContain('Take a simulated climate');
    for (const field of ['lastFrost', 'firstFrost', 'frostMargin', 'source'])
      expect(fields.get(field)).toHaveProperty('disabled');
  });
  it('can be taken of a simulated climate, which says that it is made up, or read from a file', () => {
    const { words, html } = form();
    expect(words).toContain('A cold lake');
    expect(words).toContain('Made up, for trying things out; nothing is saved until you say so');
    expect(html).toMatch(/<input type="file" accept="\.csv,text\/csv"/);
  });
  it('is given as a file once there is one', () => {
    expect(form().html).toContain('href="/api/sites/s/climate"');
    const none = form({ climate: null, source: '' });
    expect(none.html).not.toContain('href="/api/sites/s/climate"');
    expect(none.buttons).toContain('Save the year');
  });
});
