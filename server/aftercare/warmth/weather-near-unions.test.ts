import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { livingUnions } from '@/server/aftercare/living-unions';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { markTasks } from '@/server/aftercare/mark-tasks';
import { plantLife } from '@/server/aftercare/plant-life';
import { weekGroups } from '@/server/aftercare/this-week';
import { unionPlans } from '@/server/aftercare/union-plans';
import { putClimate } from '@/server/club/sites';
import { forgetWeather, readWeatherFile, typeWeather } from '@/server/plan/enter-weather';
import { permitKeepers } from '@/server/score/keeper-permits';
import { orderWeather } from '@/server/plan/order-weather';
import { putWorkshop } from '@/server/plan/workshops';
import { refusalOf, testClub, testWorkshop, type TestClub, type TestWorkshop } from '@/server/testing/test-club';

let club: TestClub;
let workshop: TestWorkshop;
let siteId: string;
const MADE = '2027-05-01';
const LATER = new Date('2027-05-20T10:00:00Z');
const as = (role: 'lead' | 'assistant' | 'viewer' = 'assistant', now = LATER) => club.as(role, now);

beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club, 1);
  siteId = (await club.services.db.workshops.findOne({ where: { id: workshop.id }, raw: true }))!.siteId;
  const [lake] = club.services.weather.climates();
  const { normals, lastFrost, firstFrost, frostMargin } = lake!;
  await putClimate(club.as('lead'), siteId, {
    normals,
    lastFrost,
    firstFrost,
    frostMargin,
    source: 'a test',
    version: 0,
  });
  await putWorkshop(club.as('lead'), workshop.id, {
    title: 'Bark grafts',
    date: MADE,
    siteId,
    method: 'bark',
    promisedKeepers: 1,
    promise: '',
  });
  const { woodLotId, stockLotId } = workshop;
  const { seatIds } = workshop;
  await permitKeepers(club.as('lead'), workshop.id, uuid(), { seatIds, may: true, reason: 'a test', method: 'bark' });
  await makeKeepers(club.as('lead', new Date(`${MADE}T12:00:00Z`)), workshop.id, {
    woodLotId,
    stockLotId,
    each: 1,
    method: 'bark',
  });
});

const plans = async (now = LATER) =>
  unionPlans(as('viewer', now), await livingUnions(as('viewer', now), { workshopId: workshop.id }));
const order = (changes: object) =>
  orderWeather(as(), { siteId, kind: 'hot', startsIn: 1, days: 2, degrees: 34, ...changes });

describe('weather that was entered', () => {
  const days = (from: number, low: number, high: number) =>
    Array.from({ length: 7 }, (_, i) => ({
      date: `2027-05-${String(from + i).padStart(2, '0')}`,
      low,
      high,
      rain: 12,
    }));
  it('moves what heals outdoors, says from where, and puts frost, heat and rain on the line', async () => {
    const swell = async () => (await plans())[0]!.tasks.find(({ id }) => id === 'swell')!;
    await typeWeather(as(), siteId, { days: days(2, -2, 6) });
    await typeWeather(as(), siteId, { days: days(9, -1, 7) });
    const cold = await swell();
    expect(cold.movedBy).toBeGreaterThan(0);
    await typeWeather(as(), siteId, { days: [...days(2, 16, 26), ...days(9, 16, 26)] });
    expect((await swell()).movedBy).toBeLessThan(0);
    expect((await swell()).due!.best < cold.due!.best).toBe(true);
    await typeWeather(as(), siteId, { days: [{ date: '2027-05-03', low: -1, high: 33, rain: 12 }] });
    const code = (await plans())[0]!.plant.code;
    const [life] = (await plantLife(as('viewer'), code)).unions;
    expect(life).toMatchObject({ frost: ['2027-05-03'], heat: ['2027-05-03'] });
    expect(life!.rain).toContain('2027-05-04');
    expect(life!.warmthFrom).toMatch(/^14 days of weather that was entered, 5 days of simulated weather$/);
  });
  it('comes from a file in °F as well, and a day is taken away again', async () => {
    const file = new TextEncoder().encode('date,lowest_f,highest_f\n2027-05-16,32,50\n2027-06-30,32,50\n');
    const { days: read, notes } = await readWeatherFile(as(), siteId, file);
    expect(read).toBe(1);
    expect(notes.join(' ')).toMatch(/°F.*1 day is still to come/);
    const row = () => club.services.db.weatherDays.findOne({ where: { siteId, day: '2027-05-16' }, raw: true });
    expect(await row()).toMatchObject({ low: 0, high: 10, rain: null, source: 'file' });
    await forgetWeather(as(), siteId, '2027-05-16');
    await forgetWeather(as(), siteId, '2027-05-16');
    expect(await row()).toBeNull();
  });
  it.each([
    ['date,lowest_c,highest_c\n2027-05-16,12,10', 'Line 2: the lowest temperature is above the highest'],
    ['date,lowest_c,highest_c\n16.5.2027,2,10', 'Line 2 has "16.5.2027" for the date'],
    ['date,lowest_c,highest_c\n2027-05-16,cold,10', 'have to be figures'],
    ['day,temperature\n2027-05-16,4', 'The columns date, lowest_c and highest_c are needed'],
    ['date,lowest_c,highest_c\n2027-05-16,50,77', 'temperatures lie outside -60 to 60 °C'],
  ])('is refused in words: %j', async (text, words) => {
    const refusal = await refusalOf(readWeatherFile(as(), siteId, new TextEncoder().encode(text)));
    expect(refusal.message).toContain(words);
  });
  it('is refused for days ahead, and from whoever only looks', async () => {
    const ahead = { days: [{ date: '2027-05-25', low: 1, high: 2 }] };
    expect(await refusalOf(typeWeather(as(), siteId, ahead))).toMatchObject({ refusal: 'invalid' });
    expect(await refusalOf(typeWeather(as('viewer'), siteId, ahead))).toMatchObject({ refusal: 'forbidden' });
  });
});

describe('what is dark and uncovered and meets a hot day', () => {
  it('is to be painted or shaded by tonight, this week before all else; once done nothing is asked', async () => {
    expect((await plans()).every(({ shade }) => shade === null)).toBe(true);
    await order({});
    const hot = await plans();
    expect(hot[0]!.shade!.name).toMatch(/^Paint or shade by tonight: it is dark, and 34 °C on 21 May 2027 is forecast/);
    const [first] = weekGroups(as('viewer'), hot);
    expect(first).toMatchObject({ task: 'dark-seal', to: '2027-05-20' });
    expect(first!.plants).toHaveLength(hot.length);
    await markTasks(as(), uuid(), {
      marks: first!.plants.map(({ unionId, occurrence }) => ({ unionId, task: 'dark-seal', occurrence })),
      outcome: 'done',
      on: '2027-05-20',
    });
    expect((await plans()).every(({ shade }) => shade === null)).toBe(true);
  });
  it('an order replaces the one before it, spares measured days, and is taken back', async () => {
    await typeWeather(as(), siteId, { days: [{ date: '2027-05-20', low: 9, high: 17, rain: '' }] });
    expect(await order({ startsIn: 0, days: 3 })).toEqual({ days: 2 });
    expect(await order({ kind: 'frost', startsIn: 1, days: 1, degrees: -4 })).toEqual({ days: 1 });
    expect(await order({ kind: 'none' })).toEqual({ days: 0 });
    expect(await club.services.db.weatherDays.count({ where: { siteId, source: 'ordered' } })).toBe(0);
    expect(await refusalOf(order({ degrees: 80 }))).toMatchObject({ refusal: 'invalid' });
  });
});
