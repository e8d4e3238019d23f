import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { askedUnions } from '@/server/follow-up/asks/asked-unions';
import { enterReport } from '@/server/follow-up/entering/enter-report';
import { addRound } from '@/server/follow-up/rounds';
import { contradictions, settleContradiction } from '@/server/follow-up/settle';
import { type Keeper, listKeepers } from '@/server/plan/keepers-of-workshop';
import { refusalOf, testClub, testKeepers, type TestClub, type TestWorkshop } from '@/server/testing/test-club';
import { observeUnion, takeObservationBack } from './observe-union';
import { plantLife } from './plant-life';

/* What is told of a plant on a day on which nobody asked. */

let club: TestClub;
let workshop: TestWorkshop;
let keepers: Keeper[];
const on = (day: string) => club.as('assistant', new Date(`${day}T09:00:00Z`));

beforeAll(async () => {
  club = await testClub();
  workshop = await testKeepers(club, 2);
  keepers = await listKeepers(club.as('lead'), workshop.id);
});
const fact = (keeper: Keeper) => club.services.db.unionFacts.findByPk(keeper.unionId, { raw: true });
const tell = (keeper: Keeper, day: string, body: object, id = uuid()) =>
  observeUnion(on(day), id, { unionId: keeper.unionId, seenOn: day, ...body }).then(() => id);

describe('what happened to a plant', () => {
  it('is kept without a round: a graft that an animal ate is dead from that day on, and counted so', async () => {
    const [keeper] = keepers as [Keeper];
    const id = uuid();
    await Promise.all([1, 2].map(() => tell(keeper, '2027-05-13', { kind: 'ended', about: 'eaten' }, id)));
    expect(await fact(keeper)).toMatchObject({ firstDeadOn: '2027-05-13', healed: 'dead', contradicted: false });
    const life = (await plantLife(on('2027-05-14'), keeper.code)).unions[0]!;
    expect(life.state).toBe('dead');
    expect(life.events.map(({ words }) => words)).toContain('Died: An animal ate or stripped it');
    expect(life.second!.length).toBeGreaterThan(0);
    const asked = await askedUnions(on('2027-06-24'), { plantId: keeper.id });
    expect(asked[0]!.asks.some(({ state }) => state === 'due')).toBe(false);
    await takeObservationBack(on('2027-05-14'), id);
    expect(await fact(keeper)).toMatchObject({ firstDeadOn: null, healed: 'unknown' });
  });
  it('ends nothing where the graft may live, and is asked no more of one that is gone', async () => {
    const [, second, third] = keepers as [Keeper, Keeper, Keeper];
    await tell(second, '2027-05-13', { kind: 'happened', about: 'snapped' });
    expect(await fact(second)).toMatchObject({ firstDeadOn: null });
    expect((await plantLife(on('2027-05-14'), second.code)).unions[0]!.state).toBe('living');
    await tell(third, '2027-05-13', { kind: 'happened', about: 'taken' });
    expect((await plantLife(on('2027-05-14'), third.code)).unions[0]!.state).toBe('gone');
    const asked = await askedUnions(on('2027-06-24'), { plantId: third.id });
    expect(asked[0]!.asks.some(({ state }) => state === 'due')).toBe(false);
    expect(await fact(third)).toMatchObject({ firstDeadOn: null, voided: false });
  });
  it('keeps what was reached before: dead after it grew is dead from the next milestone on', async () => {
    const fourth = keepers[3]!;
    const roundId = uuid();
    await addRound(on('2027-06-22'), workshop.id, roundId, {
      milestone: 'growing',
      opensOn: '2027-06-22',
      closesOn: '2027-07-11',
    });
    await enterReport(on('2027-06-24'), uuid(), {
      roundId,
      unionId: fourth.unionId,
      said: 'alive',
      source: 'phone',
      note: '',
    });
    await tell(fourth, '2027-08-01', { kind: 'ended', about: 'mown' });
    expect(await fact(fourth)).toMatchObject({ growing: 'alive', season: 'dead', firstDeadOn: '2027-08-01' });
    expect(await contradictions(on('2027-08-02'), workshop.id)).toEqual([]);
  });
  it('that an answer contradicts is the lead’s to settle, on either side', async () => {
    const fifth = keepers[4]!;
    const rounds = await club.services.db.rounds.findAll({ where: { workshopId: workshop.id }, raw: true });
    const roundId = rounds[0]!.id;
    const death = await tell(fifth, '2027-06-01', { kind: 'ended', about: 'frozen' });
    await enterReport(on('2027-06-24'), uuid(), {
      roundId,
      unionId: fifth.unionId,
      said: 'alive',
      source: 'phone',
      note: '',
    });
    const [found] = await contradictions(on('2027-06-25'), workshop.id);
    expect(found!.dead).toMatchObject([{ reportId: death, words: 'Told on the day: it froze.' }]);
    expect(found!.alive).toHaveLength(1);
    const both = [death, found!.alive[0]!.reportId];
    const settle = (setAside: string[]) =>
      settleContradiction(on('2027-06-26'), fifth.unionId, { setAside, why: 'seen' });
    expect(await refusalOf(settle(both))).toMatchObject({ refusal: 'invalid' });
    await settle([death]);
    await settle([death]);
    expect(await fact(fifth)).toMatchObject({ firstDeadOn: null, contradicted: false, growing: 'alive' });
  });
  it('is entered by phone as well before any round: that it died, and nothing else', async () => {
    const fresh = await testKeepers(club, 1);
    const [first] = await listKeepers(club.as('lead'), fresh.id);
    const say = (said: string, id = uuid()) =>
      enterReport(on('2027-05-13'), id, { unionId: first!.unionId, said, source: 'phone', note: 'the dog' });
    await expect(say('alive')).rejects.toThrow();
    const id = uuid();
    const [back] = await Promise.all([say('dead', id), say('dead', id)]);
    expect(back).toMatchObject({ reading: 'It is dead.' });
    expect(back.second.length).toBeGreaterThan(0);
    expect(await fact(first!)).toMatchObject({ firstDeadOn: '2027-05-13' });
    expect(await club.services.db.unionObservations.count({ where: { id } })).toBe(1);
  });
  it('is refused where it says nothing, or a graft cannot die of it', async () => {
    const sixth = keepers[5]!;
    const refused = async (body: object) => (await refusalOf(tell(sixth, '2027-06-01', body))).fields;
    expect(await refused({ kind: 'ended', about: 'label-lost' })).toEqual({ about: 'Say what it died of.' });
    expect(await refused({ kind: 'ended', about: '' })).toHaveProperty('about');
    expect(await refused({ kind: 'happened', about: 'bewitched' })).toHaveProperty('about');
    expect((await refusalOf(observeUnion(club.as('viewer'), uuid(), {}))).refusal).toBe('forbidden');
  });
});
