import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { acknowledge, workshopBriefing } from '@/server/teach/briefing';
import { benchChanges, openBench } from './bench';
import { putJudgement, withdrawJudgement } from './judgements';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { addWalkIn, changeSeat } from '@/server/plan/seats';
import { putScoringSettings, USUAL_SCORING } from './scoring-settings';
import {
  judgementBody,
  refusalOf,
  testClub,
  testWorkshop,
  type TestClub,
  type TestWorkshop,
} from '@/server/testing/test-club';

let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club, 1);
});
const open = (role: 'lead' | 'assistant' | 'viewer' = 'assistant') => openBench(club.as(role), workshop.id);
const score = async (changes: object): Promise<string> => {
  const id = uuid();
  await putJudgement(club.as('assistant'), id, judgementBody(workshop, changes));
  return id;
};

describe('the bench', () => {
  it('is opened with everybody present, whether they heard the briefing, a place for each, and the tags', async () => {
    const { contentHash } = await workshopBriefing(club.as('viewer'), workshop.id);
    await acknowledge(club.as('assistant'), workshop.id, workshop.personIds[0]!, { contentHash });
    await makeKeepers(club.as('lead'), workshop.id, {
      woodLotId: workshop.woodLotId,
      stockLotId: workshop.stockLotId,
      each: 2,
    });
    const keepers = await listKeepers(club.as('viewer'), workshop.id);
    const bench = await open();
    expect(bench.seats).toEqual(
      workshop.seatIds.map((id, i) => ({ id, number: i + 1, name: `Person ${i + 1}`, briefed: i === 0 })),
    );
    expect(Object.keys(bench.room.seating).sort()).toEqual([...workshop.seatIds].sort());
    expect(bench.keepers.map(({ code, seatId }) => ({ code, seatId }))).toEqual(
      keepers.map(({ code, seatId }) => ({ code, seatId })),
    );
    expect(bench.assessor).toEqual({ id: club.as('assistant').actor.userId, name: 'The assistant' });
    // What a device keeps must survive being written down.
    expect(JSON.parse(JSON.stringify(bench))).toEqual(bench);
  });
  it('seats who walks in, and leaves out who is absent', async () => {
    const personId = uuid();
    await addWalkIn(club.as('assistant'), workshop.id, personId, { name: 'Late Comer', email: '' });
    const late = (await open()).seats.find(({ name }) => name === 'Late Comer')!;
    expect((await open()).room.seating).toHaveProperty(late.id);
    await changeSeat(club.as('assistant'), workshop.id, late.id, { absent: true });
    expect((await open()).seats.map(({ name }) => name)).not.toContain('Late Comer');
  });
  it('tells only what changed since, what has nothing to show any more, and again what may have come meanwhile', async () => {
    const first = await score({ number: 1 });
    const before = await open();
    expect(before.unions.map(({ number, counts }) => [number, counts])).toEqual([[1, first]]);
    // Far enough back that the overlap of late commits does not reach it.
    const since = new Date(before.takenAt + 60_000);
    expect(await benchChanges(club.as('assistant'), workshop.id, since)).toMatchObject({ unions: [], gone: [] });
    const second = await score({ number: 2 });
    const after = await benchChanges(club.as('assistant'), workshop.id, new Date(before.takenAt));
    expect(after.unions.map(({ counts }) => counts)).toContain(second);
    expect(after.takenAt).toBeGreaterThanOrEqual(before.takenAt);
    await withdrawJudgement(club.as('assistant'), second);
    const gone = await benchChanges(club.as('assistant'), workshop.id, new Date(before.takenAt));
    expect(gone.unions.map(({ number }) => number)).not.toContain(2);
    expect(gone.gone).toHaveLength(1);
  });
  it('corrects without losing what stood there before', async () => {
    const id = await score({ number: 3, marks: { hold: 'poor' } });
    const better = await score({ number: 3, correctsId: id });
    const union = (await open()).unions.find(({ number }) => number === 3)!;
    expect(union.counts).toBe(better);
    expect(union.judgements).toMatchObject([{ score: 100, earlier: [expect.closeTo(95.35, 2) as number] }]);
  });
  it('shows a viewer the scores and asks nothing of them', async () => {
    await putScoringSettings(club.as('lead'), workshop.id, {
      ...USUAL_SCORING,
      blindRate: 1,
      changeId: uuid(),
      version: 0,
    });
    await score({ number: 4 });
    expect((await open('lead')).unseen.map(({ number }) => number)).toEqual([4]);
    const seen = await open('viewer');
    expect(seen.unseen).toEqual([]);
    expect(seen.unions.map(({ number }) => number)).not.toContain(4);
    expect((await benchChanges(club.as('viewer'), workshop.id, new Date(0))).unseen).toEqual([]);
  });
  it('is opened by nobody of another club', async () => {
    const other = await testClub();
    expect(await refusalOf(openBench(other.as('lead'), workshop.id))).toMatchObject({ refusal: 'not-found' });
    expect(await refusalOf(benchChanges(other.as('lead'), workshop.id, new Date(0)))).toMatchObject({
      refusal: 'not-found',
    });
  });
});
