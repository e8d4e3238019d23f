import type { ComponentProps } from 'react';
import { describe, expect, it } from 'vitest';
import { rendered } from '@/ui/testing/rendered';
import { PhotoMeasuring } from './photo-measuring';

type Props = ComponentProps<typeof PhotoMeasuring>;

const ruler = {
  kind: 'ruler' as const,
  points: [
    { x: 100, y: 100 },
    { x: 500, y: 100 },
  ],
  size: 50.8,
};
const measuring = (photo: Partial<Props['photo']> = {}, changes: Partial<Props> = {}) =>
  rendered(
    <PhotoMeasuring
      photo={{ id: 'f', width: 800, height: 600, scale: ruler, version: 1, ...photo }}
      mayChange
      unit="mm"
      fields={[
        { id: 'stockDiameter', short: 'stock Ø', unit: 'mm' },
        { id: 'turn', short: 'turned', unit: 'degrees' },
      ]}
      busy={false}
      onScale={() => undefined}
      onRemove={() => undefined}
      onTake={() => undefined}
      {...changes}
    />,
  );
/** What the marks can be for, and whether it can be chosen yet. */
const tools = (html: string): Record<string, boolean> =>
  Object.fromEntries(
    [...html.matchAll(/<option value="(ruler|coin|length|angle|hollow)"([^>]*)>/g)].map(([, name, attributes]) => [
      name!,
      !attributes!.includes('disabled'),
    ]),
  );

describe('a picture that is measured on', () => {
  it('says by what its scale was set, in the unit of whoever reads', () => {
    expect(measuring().words).toContain('Scale set: a stretch of ruler of 50.8 mm.');
    expect(measuring({}, { unit: 'in' }).words).toContain('of 2.00 in.');
    const coin = { kind: 'coin' as const, points: [...ruler.points, { x: 300, y: 300 }], size: 24.25 };
    expect(measuring({ scale: coin }).words).toContain('a coin of 24.3 mm.');
  });
  it('measures no length before there is a scale, and angles all the same', () => {
    const { words, html } = measuring({ scale: null });
    expect(words).toContain('No scale yet: nothing can be measured until a ruler or a coin sets it.');
    expect(tools(html)).toEqual({ ruler: true, coin: true, length: false, angle: true, hollow: false });
    expect(Object.values(tools(measuring().html)).every(Boolean)).toBe(true);
  });
  it('begins with the scale where there is none, else with a length', () => {
    const chosen = (html: string): string => /<option value="(\w+)" selected=""/.exec(html)![1]!;
    expect(chosen(measuring({ scale: null }).html)).toBe('ruler');
    expect(chosen(measuring().html)).toBe('length');
  });
  it('can be marked without a pointer', () => {
    expect(measuring().buttons).toContain('Mark in the middle');
    expect(measuring().html).toMatch(/<button[^>]*disabled=""[^>]*>Undo a mark/);
  });
  it('takes a figure only for what is measured in its unit', () => {
    const { html } = measuring();
    const choice = /aria-label="Figure it is"[^>]*>(.*?)<\/select>/.exec(html)?.[1] ?? '';
    expect(choice).toContain('stock Ø');
    expect(choice).not.toContain('turned');
    expect(html).toMatch(/<button[^>]*disabled=""[^>]*>Take this figure/);
  });
  it('is looked at only by whoever may not change it', () => {
    const { buttons, html } = measuring({}, { mayChange: false });
    expect(buttons).toEqual([]);
    expect(html).not.toContain('<select');
  });
});
