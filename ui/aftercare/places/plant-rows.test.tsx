import { describe, expect, it } from 'vitest';
import type { PlacedPlant, PlaceMove } from '@/core/aftercare/places/place-view';
import { rendered } from '@/ui/testing/rendered';
import { MoveHistory } from './move-history';
import { PlantRows } from './plant-rows';

const plant = (i: number, changes: Partial<PlacedPlant> = {}): PlacedPlant => ({
  plantId: `p${i}`,
  code: 'K7M4XQ',
  workshopId: 'w',
  siteId: 's',
  variety: 'Grey Heron',
  species: 'pear',
  lotId: 'l',
  ribbon: 'plum',
  grower: 'Ona Ferrel',
  made: 'Whip-and-tongue at the bench',
  madeOn: '2027-03-06',
  dead: false,
  doubt: '',
  standing: { placeId: 'bed', spot: { row: 1, position: i, limb: '', side: '' }, since: '2027-04-10' },
  ...changes,
});
const rows = (plants: PlacedPlant[], selected: string[] = [], mayChange = true) =>
  rendered(<PlantRows plants={plants} selected={new Set(selected)} mayChange={mayChange} onSelect={() => undefined} />);

describe('plants of a place', () => {
  it('have their tag, spot, flagging, grower and since when', () => {
    const { words, html } = rows([plant(7)]);
    for (const part of ['K7M 4XQ', 'Grey Heron (pear)', 'Whip-and-tongue at the bench', 'Ona Ferrel', '10 Apr 2027'])
      expect(words).toContain(part);
    expect(html).toContain('aria-label="ribbon violet, dots"');
    expect(html).toContain('href="/plants/K7M4XQ"');
    expect(words).toContain('Spot');
  });
  it('have no column of spots where nobody said any', () => {
    const anywhere = {
      placeId: 'pail',
      spot: { row: null, position: null, limb: '', side: '' as const },
      since: '2027-04-10',
    };
    expect(rows([plant(1, { standing: anywhere })]).words).not.toContain('Spot');
  });
  it('say which are dead, and what is not sure since a tag fell off', () => {
    expect(rows([plant(1, { dead: true })]).words).toContain('dead');
    expect(rows([plant(1)]).words).not.toContain('dead');
    expect(rows([plant(1, { doubt: 'plant' })]).words).toContain('which of its lot: not sure');
    expect(rows([plant(1, { doubt: 'lot' })]).words).toContain('variety not sure');
  });
  it('are chosen one by one or all at once', () => {
    const ticked = (selected: string[]): number =>
      rows([plant(1), plant(2)], selected).html.split('checked=""').length - 1;
    expect([ticked([]), ticked(['p1']), ticked(['p1', 'p2'])]).toEqual([0, 1, 3]);
    expect(rows([], []).html).not.toContain('checked=""');
    expect(rows([plant(1)], [], false).html).not.toContain('type="checkbox"');
  });
  it('are shown 150 at a time, and the number of the others is said', () => {
    const many = rows(Array.from({ length: 400 }, (_, i) => plant(i)));
    expect(many.html.match(/<tr/g)).toHaveLength(151);
    expect(many.buttons).toEqual(['Show more: 250 are not shown']);
    expect(rows(Array.from({ length: 150 }, (_, i) => plant(i))).buttons).toEqual([]);
  });
});

describe('what came and went', () => {
  const move = (changes: Partial<PlaceMove>): PlaceMove => ({
    actionId: 'a',
    on: '2027-04-10',
    by: 'Joss',
    note: '',
    codes: ['K7M 4XQ'],
    from: 'Pail by the door',
    to: 'Boathouse bed',
    undone: false,
    ...changes,
  });
  const words = (...moves: PlaceMove[]): string => rendered(<MoveHistory moves={moves} />).words;
  it('is one plant by its code, or many counted with all their codes', () => {
    expect(words(move({}))).toContain('10 Apr 2027K7M 4XQ from Pail by the door to Boathouse bed');
    const many = words(move({ codes: ['K7M 4XQ', 'K7M 4XR'], note: 'before the frost' }));
    expect(many).toContain('2 plants from Pail by the door to Boathouse bed: before the frost');
    expect(many).toContain('K7M 4XQ, K7M 4XR');
  });
  it('says what was taken out of all places, and what was taken back', () => {
    expect(words(move({ to: '' }))).toContain('taken out of all places');
    expect(words(move({ from: '' }))).toContain('K7M 4XQ to Boathouse bed');
    const undone = rendered(<MoveHistory moves={[move({ undone: true })]} />);
    expect(undone.words).toContain('taken back');
    expect(undone.words).not.toContain('Joss');
    expect(undone.html).toContain('line-through');
  });
  it('is nothing where nothing was moved', () => {
    expect(words()).toBe('Nothing was moved yet.');
  });
});
