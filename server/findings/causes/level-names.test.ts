import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { LEVEL_KINDS } from '@/core/findings/shared/shared-factors';
import { putPlace } from '@/server/aftercare/places/put-place';
import { erasePersonRows } from '@/server/club/erase-person';
import { putRoom } from '@/server/plan/bench-plan';
import { getWorkshop } from '@/server/plan/workshops';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { testClub, type TestClub, testWorkshop, type TestWorkshop } from '@/server/testing/test-club';
import { levelNames, lotName, type NameOfLevel } from './level-names';

let club: TestClub;
let workshop: TestWorkshop;
let nameOf: NameOfLevel;
const placeId = uuid();

beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club);
  const lead = club.as('lead');
  const { siteId } = await getWorkshop(lead, workshop.id);
  await putPlace(lead, placeId, { siteId, kind: 'home', name: 'Gardens by the reeds', capacity: 9, version: 0 });
  await putRoom(lead, workshop.id, {
    changeId: uuid(),
    version: 0,
    width: 6,
    depth: 5,
    benches: [{ id: 'b1', name: 'Window bench', x: 1, y: 1, length: 2, turned: false, places: 2 }],
    spots: [],
    helpers: [],
    seating: {},
  });
  nameOf = await levelNames(club.as('viewer'));
});

describe('what deaths have in common', () => {
  it('is called by its wood, with source and day of cutting where those tell lots apart', () => {
    const lot = { kind: 'wood-lot', level: workshop.woodLotId } as const;
    expect(nameOf(lot)).toBe('the lot of Grey Heron from row 3, cut 20 Jan 2027');
    expect(nameOf(lot, 'plain')).toBe('Grey Heron from row 3, cut 20 Jan 2027');
    expect(nameOf(lot, 'short')).toBe('Grey Heron, cut 20 Jan 2027');
    expect(lotName({ variety: 'Grey Heron', source: '', cutOn: null })).toBe('Grey Heron');
    const stocks = { kind: 'stock-lot', level: workshop.stockLotId } as const;
    expect([nameOf(stocks), nameOf(stocks, 'plain')]).toEqual(['the stocks Reedmoor', 'Reedmoor']);
  });
  it('is called by hand, bench and whoever helped', () => {
    const [person] = workshop.personIds as [string];
    expect(nameOf({ kind: 'grafter', level: person })).toBe('Person 1');
    expect(nameOf({ kind: 'bench', level: `bench ${workshop.id} b1` })).toBe('Window bench');
    expect(nameOf({ kind: 'bench', level: 'assistant Joss Pelling' })).toBe('benches of Joss Pelling');
    expect(nameOf({ kind: 'bench', level: `helper user ${club.as('lead').actor.userId}` })).toBe('help of The lead');
    expect(nameOf({ kind: 'bench', level: `helper person ${person}` })).toBe('help of Person 1');
  });
  it('is called by day and hour, by place and home', () => {
    expect(nameOf({ kind: 'day', level: '2027-05-14 noon' })).toBe('noon of 14 May 2027');
    expect(nameOf({ kind: 'day', level: '2027-05-14' })).toBe('14 May 2027');
    expect(nameOf({ kind: 'place', level: placeId })).toBe('Gardens by the reeds');
    expect(nameOf({ kind: 'place', level: `home ${workshop.personIds[1]}` })).toBe('home of Person 2');
    expect(nameOf({ kind: 'tie', level: 'late' })).toBe('a tie past its last day');
    expect(nameOf({ kind: 'pair', level: 'Grey Heron on Reedmoor' })).toBe('Grey Heron on Reedmoor');
  });
  it('has some name also when what it was is gone', () => {
    for (const kind of LEVEL_KINDS) {
      const name = nameOf({ kind, level: kind === 'day' ? '2026-01-01' : 'gone-since' });
      expect(name, kind).not.toMatch(/undefined|null|^\s*$/);
    }
    expect(nameOf({ kind: 'material', level: 'some-old-tape' })).toBe('some old tape');
  });
  it('names nobody who was erased, and nothing of another club', async () => {
    const third = workshop.personIds[2]!;
    await erasePersonRows(club.services, club.clubId, third, null);
    const now = await levelNames(club.as('viewer'));
    expect(now({ kind: 'grafter', level: third })).toBe(ERASED_NAME);
    const other = await levelNames((await testClub()).as('viewer'));
    expect(other({ kind: 'wood-lot', level: workshop.woodLotId })).toBe('a lot of wood');
    expect(other({ kind: 'grafter', level: workshop.personIds[0]! })).toBe(ERASED_NAME);
    expect(other({ kind: 'place', level: placeId })).toBe('a place');
  });
});
