import { describe, expect, it } from 'vitest';
import { formatCode } from '@/core/codes/plant-code';
import type { PlacedPlant, PlaceView } from '@/core/aftercare/places/place-view';
import { rendered } from '@/ui/testing/rendered';
import { LostTagBoard } from './lost-tag-board';

const place = { id: 'p', name: 'Boathouse bed' } as PlaceView;
const plant = (i: number, row: number | null, lotId = 'heron', variety = 'Grey Heron'): PlacedPlant =>
  ({
    plantId: `plant-${i}`,
    code: `K7M4X${'QRSTUVWXY'[i % 9]}`,
    variety,
    lotId,
    ribbon: 'plum',
    standing: { placeId: 'p', spot: { row, position: i } },
  }) as unknown as PlacedPlant;
const board = (plants: PlacedPlant[]) => rendered(<LostTagBoard place={place} plants={plants} />);
/** What a choice offers, by its label. */
const offered = (html: string, label: string): string[] =>
  [...new RegExp(`${label}.*?<select[^>]*>(.*?)</select>`, 's').exec(html)![1]!.matchAll(/<option[^>]*>([^<]*)</g)].map(
    ([, words]) => words!,
  );

describe('looking for the plant that lost its tag', () => {
  it('asks in rows for both neighbours, each plant that stands there by its code', () => {
    const plants = [plant(0, 1), plant(1, 1), plant(2, 2)];
    const { html } = board(plants);
    for (const label of ['The tagged plant before it', 'The tagged plant after it']) {
      const choices = offered(html, label);
      expect(choices).toHaveLength(plants.length + 1);
      expect(choices[0]).toBe('none, or not known');
      for (const { code } of plants) expect(choices.some((words) => words.includes(formatCode(code)))).toBe(true);
    }
  });
  it('asks for no neighbours where nothing stands in rows', () => {
    const { words } = board([plant(0, null), plant(1, null)]);
    expect(words).not.toContain('The tagged plant before it');
    expect(words).toContain('Its lot, by flagging or wood');
  });
  it('offers each lot once, and that it cannot be told', () => {
    const plants = [plant(0, null), plant(1, null), plant(2, null, 'bittern', 'Late Bittern')];
    expect(offered(board(plants).html, 'Its lot, by flagging or wood')).toEqual([
      'cannot be told',
      'Grey Heron',
      'Late Bittern',
    ]);
  });
  it('lists the tags that may be read there, none ticked, and folds a long list', () => {
    const few = board([plant(0, null), plant(1, null)]);
    expect(few.words).toContain('Tags that can be read here (0 of 2)');
    expect(few.html).toContain('<details open="">');
    expect(few.html).not.toContain('checked=""');
    const many = board(Array.from({ length: 41 }, (_, i) => plant(i, null)));
    expect(many.words).toContain('(0 of 41)');
    expect(many.html).toContain('<details>');
  });
  it('keeps nothing of itself', () => {
    const { words, buttons } = board([plant(0, null)]);
    expect(words).toContain('nothing is kept before you say so');
    expect(buttons).toEqual(expect.arrayContaining(['Which plant is it?', 'All', 'None']));
  });
});
