import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import type { DeathView } from '@/core/findings/causes/death-view';
import { SHIPPED_TABLES } from '@/core/findings/causes/shipped-tables';
import { markTasks } from '@/server/aftercare/mark-tasks';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { observeUnion } from '@/server/aftercare/observe-union';
import { enterReport } from '@/server/follow-up/entering/enter-report';
import { addRound } from '@/server/follow-up/rounds';
import { type Keeper, listKeepers } from '@/server/plan/keepers-of-workshop';
import { addCheck } from '@/server/plan/wood-ledger';
import { putJudgement } from '@/server/score/judgements';
import {
  judgementBody,
  refusalOf,
  statementsOf,
  testClub,
  type TestClub,
  testWorkshop,
  type TestWorkshop,
} from '@/server/testing/test-club';
import { lookForCause, takeLookBack } from './cause-looks';
import { causeTableVersions, clubTables, putCauseTables } from './club-tables';
import { deathsOf } from './deaths';
import { openDeath } from './open-death';
import { settleCause, withdrawCause } from './settle-cause';
import { restoreEvidence, strikeEvidence } from './strike-evidence';

let club: TestClub;
let workshop: TestWorkshop;
let keepers: Keeper[];
const NOW = new Date('2027-06-20T09:00:00Z');
const lead = () => club.as('lead', NOW);

async function die(keeper: Keeper, signs: object = { growth: 'none', scratch: 'brown' }): Promise<void> {
  await enterReport(lead(), uuid(), { unionId: keeper.unionId, signs, source: 'visit', seenOn: '2027-06-05' });
}
const deathAt = async (keeper: Keeper): Promise<DeathView> =>
  (await deathsOf(lead(), workshop.id)).deaths.find(({ unionId }) => unionId === keeper.unionId)!;
const codesOf = ({ evidence }: DeathView): string[] => evidence.map(({ code }) => code);

beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club, 2);
  const { woodLotId, stockLotId } = workshop;
  await makeKeepers(club.as('lead'), workshop.id, { woodLotId, stockLotId, each: 2 });
  keepers = await listKeepers(club.as('lead'), workshop.id);
  await addCheck(club.as('lead'), woodLotId, uuid(), {
    lookedOn: '2027-03-01',
    green: 'partly',
    buds: 'moving',
    note: '',
  });
  const [first, , , fourth] = keepers as [Keeper, Keeper, Keeper, Keeper];
  await putJudgement(
    club.as('assistant'),
    uuid(),
    judgementBody(workshop, {
      seatId: first.seatId,
      kind: 'keeper',
      unionId: first.unionId,
      number: first.place,
      stage: 'keeper',
      marks: { seal: 'fatal', clean: 'poor' },
    }),
  );
  await addRound(club.as('lead'), workshop.id, uuid(), {
    milestone: 'growing',
    opensOn: '2027-05-20',
    closesOn: '2027-06-19',
  });
  await die(first);
  await enterReport(lead(), uuid(), {
    unionId: fourth.unionId,
    signs: { growth: 'shoot', leaves: 'firm' },
    source: 'visit',
    seenOn: '2027-06-05',
  });
});

describe('why a union died', () => {
  it('is gathered from judgement, ledger, pair, weather and answers, each with where it comes from', async () => {
    const death = await deathAt(keepers[0]!);
    expect(codesOf(death)).toEqual(
      expect.arrayContaining(['seal-missed', 'touched', 'lot-moving', 'cross-genus', 'no-bleeder']),
    );
    const from = Object.fromEntries(death.evidence.map((entry) => [entry.code, entry.from]));
    expect(from['lot-moving']).toBe('Look at the lot, 1 Mar 2027');
    expect(from['seal-missed']).toMatch(/^Judged, /);
    expect(death).toMatchObject({ group: 'bench', problem: '', settled: null, deadOn: '2027-06-05' });
    // Each keeper with a known fate is counted: what deaths share is held against all of them.
    const { fates, counts, living } = await deathsOf(lead(), workshop.id);
    const known = living.filter(({ facts }) => facts!.firstDeadOn !== null || facts!.lastAliveOn !== null);
    expect(fates.map(({ unionId }) => unionId).sort()).toEqual(known.map(({ union }) => union.id).sort());
    expect(fates.map(({ dead }) => dead).sort()).toEqual([false, true]);
    expect(counts.length).toBeGreaterThan(0);
    for (const { all, allBeside, dead, deadBeside } of counts)
      expect([all + allBeside, dead + deadBeside]).toEqual([fates.length, 1]);
    // The living are none of it.
    expect((await deathsOf(lead(), workshop.id)).deaths).toHaveLength(1);
  });
  it('is opened alone, with the causes to settle it by; what lives or belongs to another club is not', async () => {
    const [dead, living] = keepers as [Keeper, Keeper];
    const { death, causes } = await openDeath(club.as('viewer', NOW), dead.unionId!);
    const { ask, ...whole } = await deathAt(dead);
    expect(ask.length).toBeGreaterThan(0);
    expect(death).toEqual({ ...whole, mayAsk: true });
    // Among the deaths of all years the same is known of it.
    expect((await openDeath(lead(), dead.unionId!, true)).death).toEqual(death);
    expect(causes.map(({ cause }) => cause)).toEqual((await clubTables(lead())).model.causes);
    expect(await refusalOf(openDeath(lead(), living.unionId!))).toMatchObject({ refusal: 'not-found' });
    const other = await testClub();
    expect(await refusalOf(openDeath(other.as('lead', NOW), dead.unionId!))).toMatchObject({ refusal: 'not-found' });
  });
  it('says what speaks for the likeliest, what against, and what nobody looked at', async () => {
    const [likeliest] = (await deathAt(keepers[0]!)).likely;
    expect(likeliest).toMatchObject({ cause: 'dried', words: 'it dried out' });
    expect(likeliest!.speaksFor).toContain('left without a seal');
    expect(likeliest!.notLooked).toContain('Cut the union open: what is inside?');
  });
  it('counts tasks as left undone only where somebody marks them, and growth as it was seen', async () => {
    const [first, second] = keepers as [Keeper, Keeper];
    expect(codesOf(await deathAt(first))).not.toContain('shoots-left');
    const mark = {
      marks: [{ unionId: second.unionId, task: 'suckers', occurrence: 0 }],
      outcome: 'done',
      on: '2027-03-25',
      reason: '',
    };
    await markTasks(lead(), uuid(), mark);
    expect(codesOf(await deathAt(first))).toContain('shoots-left');
    const seen = { unionId: first.unionId, kind: 'height', about: '', lengthMm: 30, note: '', seenOn: '2027-05-02' };
    await observeUnion(lead(), uuid(), seen);
    expect(codesOf(await deathAt(first))).toContain('grew-weeks-then-died');
  });
  it('goes by answers of the guide, the last one of a question, until they are taken back', async () => {
    const [first] = keepers as [Keeper];
    const look = (code: string) => ({ unionId: first.unionId, code, note: '', seenOn: '2027-06-10' });
    const [whole, cracked] = [uuid(), uuid()];
    await lookForCause(lead(), whole, look('seal-whole'));
    await lookForCause(lead(), cracked, look('seal-cracked'));
    await lookForCause(lead(), cracked, look('seal-cracked'));
    let death = await deathAt(first);
    expect(codesOf(death).filter((code) => code.startsWith('seal-'))).toEqual(['seal-cracked', 'seal-missed']);
    expect(death.ask.map(({ question }) => question)).not.toContain('Is the seal or wrap whole?');
    await takeLookBack(lead(), cracked);
    death = await deathAt(first);
    expect(codesOf(death)).toContain('seal-whole');
    expect(death.evidence.find(({ code }) => code === 'seal-whole')).toMatchObject({
      kind: 'seen',
      lookId: whole,
      from: 'Seen by The lead, 10 Jun 2027',
    });
    await takeLookBack(lead(), whole);
  });
  it('leaves out what was struck, with the reason, until it counts again', async () => {
    const [first] = keepers as [Keeper];
    const before = (await deathAt(first)).likely[0]!.share;
    const strike = uuid();
    const entry = { unionId: first.unionId, code: 'seal-missed', reason: 'sealed after judging' };
    await strikeEvidence(lead(), strike, entry);
    await strikeEvidence(lead(), strike, entry);
    expect((await refusalOf(strikeEvidence(lead(), uuid(), entry))).refusal).toBe('conflict');
    const struck = await deathAt(first);
    expect(struck.evidence.find(({ code }) => code === 'seal-missed')!.struck).toMatchObject({
      reason: 'sealed after judging',
      by: 'The lead',
    });
    expect(struck.likely.find(({ cause }) => cause === 'dried')?.share ?? 0).toBeLessThan(before);
    await restoreEvidence(lead(), strike);
    expect((await deathAt(first)).likely[0]!.share).toBeCloseTo(before, 10);
  });
  it('names contradicting evidence', async () => {
    const [first] = keepers as [Keeper];
    const look = uuid();
    // The judgement says the wood was good, the look at its lot that it moved: of two things, no contradiction.
    expect((await deathAt(first)).contradictions).toEqual([]);
    await lookForCause(lead(), look, {
      unionId: first.unionId,
      code: 'never-moved',
      note: '',
      seenOn: '2027-06-10',
    });
    expect((await deathAt(first)).contradictions).toEqual([
      ['its buds never moved', 'it grew for weeks or months and died then'],
    ]);
    await takeLookBack(lead(), look);
  });
});

describe('a person settles', () => {
  const settle = (keeper: Keeper, cause = 'dried', id = uuid()) =>
    settleCause(lead(), id, { unionId: keeper.unionId, cause, reason: 'seen when opened' });
  it('the cause, with a reason; both are kept', async () => {
    const [first] = keepers as [Keeper];
    const id = uuid();
    await Promise.all([settle(first, 'rot', id), settle(first, 'rot', id)]);
    expect((await deathAt(first)).settled).toMatchObject({
      cause: 'rot',
      words: 'rot or canker',
      reason: 'seen when opened',
    });
    await settle(first, '');
    expect((await deathAt(first)).settled).toMatchObject({ cause: '', words: 'not known' });
    const rows = await club.services.db.settledCauses.findAll({ where: { unionId: first.unionId }, raw: true });
    expect(rows.map(({ cause, withdrawnAt }) => [cause, withdrawnAt !== null])).toEqual(
      expect.arrayContaining([
        ['rot', true],
        ['', false],
      ]),
    );
    expect(rows[0]!.computed.likely).toHaveLength(SHIPPED_TABLES.causes.length);
    await withdrawCause(lead(), rows.find(({ withdrawnAt }) => withdrawnAt === null)!.id);
    expect((await deathAt(first)).settled).toBeNull();
  });
  it('blind, before anybody saw what was computed: only that teaches how sure the shares may be', async () => {
    const [first] = keepers as [Keeper];
    await settle(first, 'rot');
    expect(await clubTables(lead())).toMatchObject({ settled: 1, blind: 0, model: { power: 1 } });
    const id = uuid();
    await settleCause(lead(), id, { unionId: first.unionId, cause: 'rot', reason: 'opened', blind: true });
    const { blind, model } = await clubTables(lead());
    expect(blind).toBe(1);
    expect(model.power).toBeGreaterThan(0.4);
    expect(model.power).toBeLessThan(1);
    await withdrawCause(lead(), id);
    expect(await clubTables(lead())).toMatchObject({ blind: 0, model: { power: 1 } });
  });
  it('no cause of a union that lives, of which nobody said that it is dead, or that no table names', async () => {
    expect((await refusalOf(settle(keepers[3]!))).message).toContain('It was last seen alive.');
    expect((await refusalOf(settle(keepers[1]!))).message).toContain('Nobody has said that it is dead.');
    expect((await refusalOf(settle(keepers[0]!, 'moonlight'))).fields.cause).toBe('Choose a cause.');
    expect(await refusalOf(settleCause(club.as('assistant'), uuid(), {}))).toMatchObject({ refusal: 'forbidden' });
    const other = await testClub();
    expect(
      await refusalOf(
        settleCause(other.as('lead', NOW), uuid(), { unionId: keepers[0]!.unionId, cause: 'rot', reason: 'x' }),
      ),
    ).toMatchObject({ refusal: 'not-found' });
  });
  it('nothing was seen before it was made, still to come, or as an answer that no question has', async () => {
    const [first] = keepers as [Keeper];
    const look = (changes: object) =>
      refusalOf(
        lookForCause(lead(), uuid(), {
          unionId: first.unionId,
          code: 'bitten',
          note: '',
          seenOn: '2027-06-10',
          ...changes,
        }),
      );
    expect((await look({ seenOn: '2027-03-01' })).fields.seenOn).toBe('Before it was made.');
    expect((await look({ seenOn: '2027-07-01' })).fields.seenOn).toBe('Still to come.');
    expect((await look({ code: 'seal-missed' })).refusal).toBe('invalid');
    expect((await look({ unionId: keepers[3]!.unionId })).refusal).toBe('conflict');
  });
});

describe('a club’s own tables', () => {
  const put = (change: (tables: typeof SHIPPED_TABLES) => void, version: number, changeId = uuid()) => {
    const tables = structuredClone(SHIPPED_TABLES);
    change(tables);
    const { causes, evidence, questions } = tables;
    return putCauseTables(lead(), {
      changeId,
      version,
      source: 'our own 40 autopsies',
      tables: { causes, evidence, questions },
    });
  };
  it('are kept by version with their source, and deaths are read by the newest', async () => {
    const likeliest = (await deathAt(keepers[0]!)).likely[0]!.cause;
    const shareOf = async () => (await deathAt(keepers[0]!)).likely.find(({ cause }) => cause === likeliest)!.share;
    const before = await shareOf();
    const id = uuid();
    const stronger = (tables: typeof SHIPPED_TABLES): void =>
      void (tables.evidence.find(({ code }) => code === 'touched')!.strengths[likeliest] = '+++');
    expect(await put(stronger, 0, id)).toBe(1);
    expect(await put(stronger, 0, id)).toBe(1);
    expect(await shareOf()).toBeGreaterThan(before);
    expect((await refusalOf(put(stronger, 0))).refusal).toBe('conflict');
    expect((await causeTableVersions(lead())).map(({ version, source }) => [version, source])).toEqual([
      [1, 'our own 40 autopsies'],
    ]);
    expect((await clubTables((await testClub()).as('viewer'))).version).toBe(0);
  });
  it('refuse a strength nobody knows, a weight of nothing and a row that is no row of theirs', async () => {
    const strange = await refusalOf(put((t) => (t.evidence[0]!.strengths['no-contact'] = '+++++' as '+'), 1));
    expect(strange.message).toContain('"+++++" is no strength: write +++, ++, +, -, --');
    expect((await refusalOf(put((t) => (t.causes[0]!.weights.bench = -1), 1))).message).toContain('above 0');
    expect((await refusalOf(put((t) => t.evidence.pop(), 1))).message).toContain('missing or new');
    expect((await refusalOf(put((t) => (t.questions[0]!.answers[0]!.found = 0.1), 1))).message).toContain(
      'add up to 1',
    );
    expect(await refusalOf(putCauseTables(club.as('assistant'), {}))).toMatchObject({ refusal: 'forbidden' });
  });
  it('ask few statements, however many died', async () => {
    const few = await statementsOf(club, () => deathsOf(lead(), workshop.id));
    await die(keepers[1]!);
    await die(keepers[2]!);
    const many = await statementsOf(club, () => deathsOf(lead(), workshop.id));
    expect(many.result.deaths).toHaveLength(3);
    expect(many.asked.length).toBe(few.asked.length);
  });
});
