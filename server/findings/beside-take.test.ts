import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { USUAL_READY_RULE } from '@/core/score/readiness/ready-rule';
import { changeKeepers } from '@/server/aftercare/change-keepers';
import { enterReport } from '@/server/follow-up/entering/enter-report';
import { addRound } from '@/server/follow-up/rounds';
import { type Keeper, listKeepers } from '@/server/plan/keepers-of-workshop';
import { putJudgement } from '@/server/score/judgements';
import {
  keeperBody,
  refusalOf,
  testClub,
  type TestClub,
  testKeepers,
  type TestWorkshop,
} from '@/server/testing/test-club';
import { type BesideTake, besideTake } from './beside-take';

let club: TestClub;
let workshop: TestWorkshop;
let keepers: Keeper[];
const LATER = new Date('2027-06-20T09:00:00Z');

async function judge(keeper: Keeper, changes: object): Promise<void> {
  await putJudgement(club.as('assistant'), uuid(), keeperBody(workshop, keeper, changes));
}
const tell = ({ unionId }: Keeper, signs: object): Promise<unknown> =>
  enterReport(club.as('lead', LATER), uuid(), { unionId, signs, source: 'visit', seenOn: '2027-06-05' });
const alive = { growth: 'shoot', leaves: 'firm' };
const dead = { growth: 'none', scratch: 'brown' };
/** Names with how many were handed over, live and died. */
const counts = (some: BesideTake[keyof BesideTake]): Record<string, number[]> =>
  Object.fromEntries(
    some.map(({ name, take: { handedOver, alive: living, dead: gone } }) => [name, [handedOver, living, gone]]),
  );

beforeAll(async () => {
  club = await testClub();
  workshop = await testKeepers(club, 2);
  keepers = await listKeepers(club.as('lead'), workshop.id);
  // Of the fifth nothing is heard.
  const [good, foretold, fatal, unjudged, , voided] = keepers as [Keeper, Keeper, Keeper, Keeper, Keeper, Keeper];
  await judge(good, {});
  await judge(foretold, { outlook: 'hardly', outlookBy: 'maker' });
  await judge(fatal, { marks: { seal: 'fatal' }, outlook: 'hardly' });
  await judge(voided, {});
  await changeKeepers(club.as('lead'), workshop.id, { plantIds: [voided.id], voided: true });
  await addRound(club.as('lead'), workshop.id, uuid(), {
    milestone: 'growing',
    opensOn: '2027-05-20',
    closesOn: '2027-06-19',
  });
  await tell(good, alive);
  await tell(foretold, alive);
  await tell(fatal, dead);
  await tell(unjudged, dead);
});

describe('what was seen of keepers on the day, beside what became of them', () => {
  it('counts by how they were judged, those nobody judged too, and leaves out what was voided', async () => {
    const { judged } = await besideTake(club.as('viewer', LATER), workshop.id, 'growing');
    const line = USUAL_READY_RULE.score;
    expect(counts(judged)).toEqual({
      [`Judged ${line} or more, nothing fatal`]: [2, 2, 0],
      [`Judged below ${line}, or fatal`]: [1, 0, 1],
      'Not judged': [2, 0, 1],
    });
    // Every keeper that is not voided stands in one of them.
    expect(judged.reduce((sum, { take }) => sum + take.handedOver, 0)).toBe(keepers.length - 1);
  });
  it('counts what was foretold by who said it, and nothing where nobody said anything', async () => {
    const { foretold } = await besideTake(club.as('viewer', LATER), workshop.id, 'growing');
    expect(counts(foretold)).toEqual({
      '“hardly”, said the assessor': [1, 0, 1],
      '“hardly”, said the maker': [1, 1, 0],
    });
  });
  it('tells methods apart only where the day had several', async () => {
    const { methods } = await besideTake(club.as('viewer', LATER), workshop.id, 'growing');
    expect(methods).toEqual([]);
    const [first, second] = METHODS as [(typeof METHODS)[number], (typeof METHODS)[number]];
    await changeKeepers(club.as('lead'), workshop.id, { plantIds: [keepers[4]!.id], method: second.id });
    const both = await besideTake(club.as('viewer', LATER), workshop.id, 'growing');
    expect(counts(both.methods)).toEqual({ [first.name]: [4, 2, 2], [second.name]: [1, 0, 0] });
  });
  it('knows nothing yet at a milestone nobody was asked for', async () => {
    const { judged } = await besideTake(club.as('viewer', LATER), workshop.id, 'wintered');
    for (const { take } of judged) expect(take.alive + take.dead).toBeLessThanOrEqual(take.handedOver);
    expect(judged.reduce((sum, { take }) => sum + take.alive, 0)).toBe(0);
  });
  it('of another club is not found', async () => {
    const other = await testClub();
    expect(await refusalOf(besideTake(other.as('lead'), workshop.id, 'growing'))).toMatchObject({
      refusal: 'not-found',
    });
  });
});
