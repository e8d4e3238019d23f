import { QueryTypes } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { takePartsOfFacts } from '@/core/findings/boards/take-parts';
import { takePartsOfCounts } from '@/core/findings/boards/take-parts-of-counts';
import { EVERYTHING, type FindingsFilter } from '@/core/findings/facts/findings-filter';
import { TAKE_KINDS } from '@/core/findings/facts/take-by';
import { MILESTONES } from '@/core/methods/milestones';
import { enterReport } from '@/server/follow-up/entering/enter-report';
import { sendRound } from '@/server/follow-up/letters/send-round';
import { addRound } from '@/server/follow-up/rounds';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { foundTakes } from '@/server/plan/found-takes';
import { getWorkshop, putWorkshop } from '@/server/plan/workshops';
import { METHODS } from '@/core/methods/registry';
import { keptCounts } from '@/server/platform/keeper-counts';
import { rebuildUnionFacts } from '@/server/platform/union-facts';
import { testClub, testKeepers, type TestClub, type TestWorkshop } from '@/server/testing/test-club';
import { countedKeepers, hasMoreKeepers, isCounted } from './counted-keepers';
import { keeperFacts } from './keeper-facts';

let club: TestClub;
let workshop: TestWorkshop;
const roundId = uuid();
const lead = () => club.as('lead', new Date('2027-06-01T08:00:00Z'));

beforeAll(async () => {
  club = await testClub();
  workshop = await testKeepers(club);
  await addRound(club.as('lead'), workshop.id, roundId, {
    milestone: 'growing',
    opensOn: '2027-05-01',
    closesOn: '2027-05-20',
  });
});

/** The parts without what only single keepers have. */
async function both(filter: Partial<FindingsFilter>) {
  const whole = { ...EVERYTHING, ...filter };
  const [facts, counts] = [await keeperFacts(lead(), whole), await countedKeepers(lead(), whole)];
  return [takePartsOfFacts(facts, null), takePartsOfCounts(counts, null)].map((parts) => ({
    ...parts,
    runs: [...parts.runs].map(([method, run]) => [method, [...run]]),
    kinds: TAKE_KINDS.map((kind) => parts.kinds[kind].map(({ level, take }) => ({ level, take }))),
  }));
}

async function answer(place: number, said: 'alive' | 'dead'): Promise<void> {
  const keepers = await listKeepers(lead(), workshop.id);
  await enterReport(lead(), uuid(), {
    unionId: keepers[place]!.unionId,
    roundId,
    said,
    signs: {},
    source: 'phone',
    seenOn: '2027-05-25',
    cameOn: '',
  });
}

const changes = async (): Promise<number> =>
  Number(
    (
      await club.services.db.sequelize.query<{ left: number }>(
        'SELECT COUNT(*) AS `left` FROM keeper_changes WHERE club_id = :clubId',
        { replacements: { clubId: club.clubId }, type: QueryTypes.SELECT },
      )
    )[0]!.left,
  );

describe('keepers in numbers', () => {
  it('say what single keepers say, also after an answer', async () => {
    const [facts, counts] = await both({});
    expect(counts).toEqual(facts);
    expect(counts!.keepers).toBe(6);
    await answer(0, 'alive');
    await answer(1, 'dead');
    expect(await changes()).toBeGreaterThan(0);
    const [factsNow, countsNow] = await both({});
    expect(countsNow).toEqual(factsNow);
    expect(countsNow!.whole.unions).toMatchObject({ alive: 1, dead: 1, unknown: 4 });
    expect(await changes()).toBe(0);
  });
  it('follow a filter, and know which they cannot follow', async () => {
    const { siteId } = await getWorkshop(lead(), workshop.id);
    for (const filter of [{ year: 2027 }, { year: 2026 }, { siteId }, { siteId: uuid() }, { workshopId: workshop.id }])
      expect((await both(filter))[1]).toEqual((await both(filter))[0]);
    expect((await both({ method: METHODS.at(-1)!.id }))[1]!.keepers).toBe(0);
    expect(isCounted({ ...EVERYTHING, year: 2027, milestone: 'growing' })).toBe(true);
    expect(isCounted({ ...EVERYTHING, scoreTo: 80 })).toBe(false);
  });
  it('are counted once by readers that come together, and by none where nothing changed', async () => {
    await answer(2, 'dead');
    const read = await Promise.all([1, 2, 3, 4].map(() => keptCounts(club.services.db, club.clubId)));
    const dead = read.map((kept) =>
      kept.get(workshop.id)!.byLot.reduce((sum, { at }) => sum + at[MILESTONES.indexOf('growing') * 5 + 1]!, 0),
    );
    expect(dead).toEqual([2, 2, 2, 2]);
    const before = await club.services.db.keeperCounts.findAll({ where: { clubId: club.clubId }, raw: true });
    await keptCounts(club.services.db, club.clubId);
    expect(await club.services.db.keeperCounts.findAll({ where: { clubId: club.clubId }, raw: true })).toEqual(before);
  });
  it('stay true while answers come in as fast as they are read', async () => {
    await Promise.all([answer(3, 'alive'), keptCounts(club.services.db, club.clubId), answer(4, 'dead')]);
    const [facts, counts] = await both({});
    expect(counts).toEqual(facts);
    expect(counts!.whole.unions).toMatchObject({ alive: 2, dead: 3, unknown: 1 });
  });
  it('move with the day of a workshop, and are as before when facts are built anew', async () => {
    const known = await getWorkshop(lead(), workshop.id);
    const { title, siteId, method, promisedKeepers, promise } = known;
    await putWorkshop(lead(), workshop.id, { title, siteId, method, promisedKeepers, promise, date: '2027-03-20' });
    const [facts, counts] = await both({});
    expect(counts).toEqual(facts);
    expect(counts!.kinds[TAKE_KINDS.indexOf('day')]!.map(({ level }) => level)).toEqual(['2027-03-20']);
    await rebuildUnionFacts(club.services.db, club.clubId);
    expect((await both({}))[1]).toEqual(counts);
  });
  it('are looked at no further than asked', async () => {
    expect(await hasMoreKeepers(lead(), 5, null)).toBe(true);
    expect(await hasMoreKeepers(lead(), 6, null)).toBe(false);
    expect(await hasMoreKeepers(lead(), 0, uuid())).toBe(false);
  });
  it('tell the next plan of a method what was found, and none of another club', async () => {
    const { found } = (await foundTakes(lead()))(METHODS[0]!);
    expect(found).toMatchObject({ alive: 2, dead: 3, foundOf: 'method' });
    const other = await testClub();
    expect((await foundTakes(other.as('lead')))(METHODS[0]!).found).toMatchObject({ alive: 0, dead: 0 });
  });
});

describe('who was told of only after a second letter', () => {
  it('is counted apart, and only once they answer', async () => {
    const own = await testClub();
    const { id } = await testKeepers(own, 1);
    const round = uuid();
    const dates = { milestone: 'growing', opensOn: '2027-06-22', closesOn: '2027-07-21' };
    await addRound(own.as('lead'), id, round, dates);
    const on = (day: string) => own.as('lead', new Date(`${day}T08:00:00Z`));
    const counted = async () => {
      const { byLot } = await countedKeepers(on('2027-07-23'), EVERYTHING);
      return byLot.map(({ at }) => at.growing.reminded);
    };
    const { sent } = await sendRound(on('2027-06-23'), round, { sentSoFar: 0 });
    expect(sent).toBeGreaterThan(0);
    const [first, second] = await listKeepers(on('2027-06-23'), id);
    const say = (unionId: string, said: string, seenOn: string) =>
      enterReport(on(seenOn), uuid(), {
        unionId,
        roundId: round,
        said,
        signs: {},
        source: 'phone',
        seenOn,
        cameOn: '',
      });
    await say(first!.unionId, 'alive', '2027-06-29');
    expect(await counted()).toEqual([{ alive: 0, dead: 0 }]);
    await sendRound(on('2027-07-03'), round, { sentSoFar: sent });
    expect(await counted()).toEqual([{ alive: 0, dead: 0 }]);
    await say(second!.unionId, 'dead', '2027-07-11');
    expect(await counted()).toEqual([{ alive: 0, dead: 1 }]);
    const facts = await keeperFacts(on('2027-07-23'), EVERYTHING);
    expect(facts.filter(({ reminded }) => reminded).map(({ unionId }) => unionId)).toEqual([second!.unionId]);
  });
});
