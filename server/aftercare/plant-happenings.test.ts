import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { refusalOf, testClub, type TestClub, testKeepers, type TestWorkshop } from '@/server/testing/test-club';
import { keepHappenings } from './plant-happenings';

let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testKeepers(club);
});

const MAY = new Date('2027-05-20T10:00:00Z');

describe('what happened to several plants', () => {
  it('is kept of each union that lives, once however often it is sent, and makes the dead dead', async () => {
    const keepers = await listKeepers(club.as('lead'), workshop.id);
    const plantIds = keepers.slice(0, 3).map(({ id }) => id);
    const body = { plantIds, what: 'mown', dead: true, on: '2027-05-19', note: 'the verge' };
    const action = uuid();
    await Promise.all([1, 2, 3].map(() => keepHappenings(club.as('assistant', MAY), action, body)));
    const unionId = keepers.slice(0, 3).map((keeper) => keeper.unionId);
    const seen = await club.services.db.unionObservations.findAll({ where: { unionId }, raw: true });
    expect(seen.map(({ kind, about }) => `${kind} ${about}`)).toEqual(Array<string>(3).fill('ended mown'));
    const facts = await club.services.db.unionFacts.findAll({ where: { unionId }, raw: true });
    expect(facts.every(({ firstDeadOn }) => firstDeadOn === '2027-05-19')).toBe(true);
    // What is dead does not die again.
    expect(await keepHappenings(club.as('lead', MAY), uuid(), { ...body, what: 'frozen' })).toEqual({ told: 0 });
  });
  it('is refused for days that cannot be, by viewers, and of plants that are not ours', async () => {
    const [keeper] = (await listKeepers(club.as('lead'), workshop.id)).slice(-1);
    const tell = (changes: object, context = club.as('lead', MAY)) =>
      refusalOf(
        keepHappenings(context, uuid(), { plantIds: [keeper!.id], what: 'eaten', on: '2027-05-19', ...changes }),
      );
    expect((await tell({ on: '2027-05-25' })).fields).toHaveProperty('on');
    expect((await tell({ on: '2027-03-01' })).fields).toHaveProperty('on');
    expect((await tell({ what: 'sung to' })).fields).toHaveProperty('what');
    expect(await tell({}, club.as('viewer', MAY))).toMatchObject({ refusal: 'forbidden' });
    expect(await tell({}, (await testClub()).as('lead', MAY))).toMatchObject({ refusal: 'not-found' });
  });
});
