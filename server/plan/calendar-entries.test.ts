import { beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { testClub, type TestClub, testWorkshop } from '@/server/testing/test-club';
import { CARE, type GivenOut, rememberEntries } from './calendar-entries';

let club: TestClub;
let workshopId = '';
beforeAll(async () => {
  club = await testClub();
});
beforeEach(async () => {
  workshopId = (await testWorkshop(club)).id;
});
const entry = (name: string, from = '2027-03-06', content: string[] = []): GivenOut => ({
  entry: name,
  from,
  to: from,
  title: `What is ${name}`,
  content,
});
const ofPlan = (name: string): boolean => !name.startsWith(CARE);
const give = (dates: GivenOut[], isOurs = ofPlan) => rememberEntries(club.as('viewer'), workshopId, dates, isOurs);
const sequences = (rows: Awaited<ReturnType<typeof give>>): Record<string, [number, boolean]> =>
  Object.fromEntries(rows.map(({ entry: name, sequence, cancelled }) => [name, [sequence, cancelled]]));

describe('entries of a calendar file', () => {
  it('are given out as they are, and stay as they were when nothing changed', async () => {
    expect(sequences(await give([entry('day'), entry('order')]))).toEqual({ day: [0, false], order: [0, false] });
    expect(sequences(await give([entry('day'), entry('order')]))).toEqual({ day: [0, false], order: [0, false] });
  });
  it('count up when day, title or content changed, so that a calendar takes the newer', async () => {
    await give([entry('day')]);
    expect(sequences(await give([entry('day', '2027-03-13')]))).toEqual({ day: [1, false] });
    expect(sequences(await give([entry('day', '2027-03-13', ['bring a vice'])]))).toEqual({ day: [2, false] });
    const renamed = { ...entry('day', '2027-03-13', ['bring a vice']), title: 'Another day' };
    expect(sequences(await give([renamed]))).toEqual({ day: [3, false] });
  });
  it('are cancelled when they are no more, and come back counted up', async () => {
    await give([entry('day'), entry('order')]);
    expect(sequences(await give([entry('day')]))).toEqual({ day: [0, false], order: [1, true] });
    // Cancelled once is cancelled; it does not count up at every look.
    expect(sequences(await give([entry('day')]))).toEqual({ day: [0, false], order: [1, true] });
    expect(sequences(await give([entry('day'), entry('order')]))).toEqual({ day: [0, false], order: [2, false] });
  });
  it('of another file of the workshop are left alone', async () => {
    await give([entry('day')]);
    const care = (name: string): boolean => name.startsWith(CARE);
    expect(sequences(await give([entry(`${CARE}tie`)], care))).toEqual({ [`${CARE}tie`]: [0, false] });
    expect(sequences(await give([], care))).toEqual({ [`${CARE}tie`]: [1, true] });
    expect(sequences(await give([entry('day')]))).toEqual({ day: [0, false] });
  });
  it('asked for by several at once are noted once', async () => {
    const all = await Promise.all(Array.from({ length: 4 }, () => give([entry('day'), entry('order')])));
    for (const rows of all) expect(sequences(rows)).toEqual({ day: [0, false], order: [0, false] });
  });
  it('come in the order of their days', async () => {
    const rows = await give([entry('later', '2027-05-01'), entry('first', '2027-01-01'), entry('day')]);
    expect(rows.map(({ entry: name }) => name)).toEqual(['first', 'day', 'later']);
  });
});
