import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { formatCode } from '@/core/codes/plant-code';
import { changeKeepers } from '@/server/aftercare/change-keepers';
import type { Keeper } from '@/server/plan/keepers-of-workshop';
import { putJudgement } from '@/server/score/judgements';
import { ASKED_ON, askedGrower } from '@/server/testing/private-link';
import { keeperBody, refusalOf, testClub, type TestClub, type TestWorkshop } from '@/server/testing/test-club';
import { growerPlant } from './grower-plant';

let club: TestClub;
let workshop: TestWorkshop;
let token = '';
let own: Keeper[];
let others: Keeper[];
const services = () => ({ ...club.services, now: ASKED_ON });

beforeAll(async () => {
  club = await testClub();
  ({ workshop, token, own, others } = await askedGrower(club));
  await putJudgement(club.as('assistant'), uuid(), keeperBody(workshop, own[0]!));
});

describe('a plant behind a grower’s private link', () => {
  it('shows how it was joined and its life, with a drawing of each union', async () => {
    const [keeper] = own as [Keeper];
    const { page, wording } = await growerPlant(services(), token, keeper.code);
    expect(page.plant.code).toBe(keeper.code);
    expect(page.plant.unions.map(({ unionId }) => unionId)).toEqual([keeper.unionId]);
    expect(page.drawings).toHaveLength(1);
    expect(page.drawings[0]!.from).toBe('Drawn as it was measured.');
    expect(page.plant.unions[0]!.events.length).toBeGreaterThan(0);
    expect(page.mayContact).toBe(true);
    expect(wording.say('list.intro')).not.toBe('');
  });
  it('names nobody who made an entry', async () => {
    const { page } = await growerPlant(services(), token, own[0]!.code);
    expect(JSON.stringify(page.plant.unions)).not.toContain('The assistant');
    for (const { events } of page.plant.unions)
      for (const event of events) expect(Object.keys(event).sort()).not.toContain('by');
  });
  it('is found by its code as people write it', async () => {
    const [{ code }] = own as [Keeper];
    for (const written of [formatCode(code), code.toLowerCase(), ` ${code} `])
      expect((await growerPlant(services(), token, written)).page.plant.code, written).toBe(code);
  });
  it('is not shown when it is another’s, voided or made up', async () => {
    for (const code of [others[0]!.code, 'K7M4XQ', '', 'x'.repeat(400), "' OR 1=1"])
      expect(await refusalOf(growerPlant(services(), token, code)), code).toMatchObject({ refusal: 'not-found' });
    const [, second] = own as [Keeper, Keeper];
    await changeKeepers(club.as('lead'), workshop.id, { plantIds: [second.id], voided: true });
    expect(await refusalOf(growerPlant(services(), token, second.code))).toMatchObject({ refusal: 'not-found' });
  });
});
