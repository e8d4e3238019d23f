import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { failedNotices } from '@/core/findings/shared/failed-before';
import { formatCode } from '@/core/codes/plant-code';
import { changeKeepers } from '@/server/aftercare/change-keepers';
import { enterReport } from '@/server/follow-up/entering/enter-report';
import { addRound } from '@/server/follow-up/rounds';
import { type Keeper, listKeepers } from '@/server/plan/keepers-of-workshop';
import { addWoodLot, workshopLots } from '@/server/plan/lots';
import { refusalOf, testClub, type TestClub, testKeepers, type TestWorkshop } from '@/server/testing/test-club';
import { unionsBehind } from '../boards/unions-behind';
import { CAUSE_GROUPS } from '@/core/findings/causes/cause-tables';
import { SHIPPED_TABLES } from '@/core/findings/causes/shipped-tables';
import { deathsOf } from './deaths';
import { failedBefore } from './failed-before';
import { plantGuide } from './guide-facts';
import { previewCauseTables } from './preview-tables';

/*
 * A day with two lots of wood: every union of one died, every union of the other lives. What is said of it in the ledger,
 * in the next plan, behind the figures and on the phone beside the dead plant.
 */

let club: TestClub;
let workshop: TestWorkshop;
let good: Keeper[];
let failed: Keeper[];
let failedLot = '';
const NOW = new Date('2027-06-20T09:00:00Z');
const lead = () => club.as('lead', NOW);

beforeAll(async () => {
  club = await testClub();
  workshop = await testKeepers(club, 6);
  failedLot = uuid();
  await addWoodLot(club.as('lead'), workshop.id, failedLot, {
    variety: 'Late Bittern',
    species: 'pear',
    source: 'the mainland',
    cutOn: '2027-02-20',
  });
  const { wood } = await workshopLots(club.as('lead'), workshop.id);
  failedLot = wood.find(({ variety }) => variety === 'Late Bittern')!.id;
  const all = await listKeepers(club.as('lead'), workshop.id);
  // Half of each hand's, so that neither hand nor seat tells the lots apart.
  failed = all.filter(({ place }) => place % 2 === 0);
  good = all.filter(({ place }) => place % 2 === 1);
  await changeKeepers(club.as('lead'), workshop.id, { plantIds: failed.map(({ id }) => id), woodLotId: failedLot });
  await addRound(club.as('lead'), workshop.id, uuid(), {
    milestone: 'growing',
    opensOn: '2027-05-20',
    closesOn: '2027-06-19',
  });
  const tell = (keeper: Keeper, signs: object): Promise<unknown> =>
    enterReport(lead(), uuid(), { unionId: keeper.unionId, signs, source: 'visit', seenOn: '2027-06-05' });
  for (const keeper of failed) await tell(keeper, { growth: 'none', scratch: 'brown' });
  for (const keeper of good) await tell(keeper, { growth: 'shoot', leaves: 'firm' });
});

describe('what failed before', () => {
  it('names the lot whose unions died beside those that live, with the counts', async () => {
    const { lots } = await failedBefore(club.as('viewer', NOW));
    expect(lots.map(({ lotId, variety, source }) => [lotId, variety, source])).toEqual([
      [failedLot, 'Late Bittern', 'the mainland'],
    ]);
    expect(lots[0]!.counts).toContain(String(failed.length));
  });
  it('is a warning in the next plan: of the very lot, of its source, and of nothing else', async () => {
    const found = await failedBefore(club.as('viewer', NOW));
    const speaksOf = (lot: { id: string; variety: string; source: string }): string[] =>
      failedNotices(found, { lots: [{ ...lot, sourceId: null }], stocks: [] }).map(({ says }) => says);
    expect(speaksOf({ id: failedLot, variety: 'Late Bittern', source: 'the mainland' })[0]).toMatch(
      /^This lot of Late Bittern failed/,
    );
    expect(speaksOf({ id: uuid(), variety: 'Late Bittern', source: 'The Mainland' })[0]).toMatch(
      /^Late Bittern from The Mainland failed in an earlier lot/,
    );
    expect(speaksOf({ id: uuid(), variety: 'Late Bittern', source: 'row 9' })).toEqual([]);
    expect(speaksOf({ id: workshop.woodLotId, variety: 'Grey Heron', source: 'row 3' })).toEqual([]);
  });
  it('is nothing for a club where nothing was heard of yet', async () => {
    const other = await testClub();
    expect(await failedBefore(other.as('viewer'))).toEqual({ lots: [], pairs: [], days: [] });
  });
});

describe('the unions behind a figure', () => {
  it('are those of its filter, each with its maker', async () => {
    const { unions, more, scope } = await unionsBehind(club.as('viewer', NOW), { lotId: failedLot });
    expect(unions.map(({ unionId }) => unionId).sort()).toEqual(failed.map(({ unionId }) => unionId).sort());
    expect([more, scope.keepers]).toEqual([0, failed.length]);
    expect(new Set(unions.map(({ maker }) => maker))).toEqual(new Set(['Person 1', 'Person 2', 'Person 3']));
  });
  it('are all of them without one, and none of another club’s', async () => {
    expect((await unionsBehind(club.as('viewer', NOW), {})).unions).toHaveLength(failed.length + good.length);
    const other = await testClub();
    expect((await unionsBehind(other.as('viewer', NOW), {})).unions).toEqual([]);
    expect(await refusalOf(unionsBehind(other.as('viewer', NOW), { workshopId: workshop.id }))).toMatchObject({
      refusal: 'not-found',
    });
  });
});

describe('the guide beside a plant', () => {
  it('goes by the dead union of its tag, however the code is written', async () => {
    const [{ code, unionId }] = failed as [Keeper];
    for (const written of [code, formatCode(code), code.toLowerCase()]) {
      const guide = await plantGuide(club.as('viewer', NOW), written);
      expect(guide.workshopId).toBe(workshop.id);
      expect(guide.deaths.map((death) => death.unionId)).toEqual([unionId]);
      expect(guide.deaths[0]!.title).toMatch(/^Late Bittern on Reedmoor, /);
      expect(guide.deaths[0]!.tables.causes.length).toBe(SHIPPED_TABLES.causes.length);
    }
  });
  it('has nothing to ask of one that lives, and finds none under a code that is none', async () => {
    expect((await plantGuide(club.as('viewer', NOW), good[0]!.code)).deaths).toEqual([]);
    for (const code of ['', 'nonsense', 'K7M4XQ', 'x'.repeat(500)])
      expect(await refusalOf(plantGuide(club.as('viewer', NOW), code)), code).toMatchObject({ refusal: 'not-found' });
    const other = await testClub();
    expect(await refusalOf(plantGuide(other.as('viewer', NOW), failed[0]!.code))).toMatchObject({
      refusal: 'not-found',
    });
  });
});

describe('other tables, looked at before they are kept', () => {
  const { causes, evidence, questions } = SHIPPED_TABLES;
  it('change nothing where they are the same, and read every death', async () => {
    const preview = await previewCauseTables(lead(), { tables: { causes, evidence, questions } });
    expect(preview).toMatchObject({ deaths: failed.length, changed: [], settled: 0, agreeBefore: 0, agreeAfter: 0 });
  });
  it('say of each death what they would say instead, and keep nothing', async () => {
    const tables = structuredClone({ causes, evidence, questions });
    const before = await deathsOf(lead(), workshop.id);
    const { cause, words } = before.deaths[0]!.likely[0]!;
    // What speaks for it is weak for a verdict; a club that hardly knows anything else is surer.
    for (const row of tables.causes)
      for (const group of CAUSE_GROUPS) row.weights[group] = row.cause === cause ? 1000 : 0.001;
    const preview = await previewCauseTables(lead(), { tables });
    expect(preview.changed.map(({ unionId }) => unionId).sort()).toEqual(failed.map(({ unionId }) => unionId).sort());
    for (const change of preview.changed)
      expect(change).toMatchObject({ before: 'not known', after: words, settled: '' });
    expect((await deathsOf(lead(), workshop.id)).deaths).toEqual(before.deaths);
  });
  it('are for the lead, and refused in words where they are none', async () => {
    expect(await refusalOf(previewCauseTables(club.as('assistant', NOW), {}))).toMatchObject({ refusal: 'forbidden' });
    for (const odd of [{}, { tables: null }, { tables: { causes: [], evidence, questions } }])
      expect((await refusalOf(previewCauseTables(lead(), odd))).refusal).toBe('invalid');
  });
});
