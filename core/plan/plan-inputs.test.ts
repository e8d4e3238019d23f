import { describe, expect, it } from 'vitest';
import { refusals, taken } from '@/core/testing/refusals';
import { dayInput } from './benches/day-input';
import { climateInput } from './climate/climate-input';
import { ASSUMPTIONS } from './phenology/assumptions';
import { assumptionsInput } from './phenology/assumptions-input';
import { observationInput } from './phenology/observation-input';
import { methodsInput } from './quantities/methods-input';
import { seatChange, walkIn } from './roster/seat-input';
import { bookingInput } from './wood/booking-input';
import { checkInput, lotInput } from './wood/lot-input';
import { promiseInput, sourceInput, yearInput } from './wood/source-input';
import { stockInput } from './wood/stock-input';
import { newWorkshopInput, workshopInput } from './workshop-input';

const OWN_ID = '018f6b1e-7c1a-7d2e-9c3b-0a1b2c3d4e5f';

describe('a workshop', () => {
  const whole = {
    title: 'Whips on the island',
    date: '2026-03-21',
    siteId: OWN_ID,
    method: 'whip',
    promisedKeepers: 2,
  };
  const schema = workshopInput(['whip', 'chip']);
  it('is taken as it is typed into its form', () => {
    expect(taken(schema, { ...whole, title: '  Whips on the island ', promisedKeepers: '2' })).toEqual({
      ...whole,
      promise: '',
      scionSpecies: '',
      stockSpecies: '',
    });
  });
  it('asks of a new one what is grafted on what', () => {
    expect(refusals(newWorkshopInput(['whip', 'chip']), whole)).toEqual({
      scionSpecies: 'Enter what is grafted, such as pear.',
      stockSpecies: 'Enter what it is grafted on, such as quince.',
    });
  });
  it('names everything that is missing at once', () => {
    expect(refusals(schema, {})).toEqual({
      title: 'Enter a title.',
      date: 'Enter the date.',
      siteId: 'Choose the site.',
      method: 'Choose a method.',
      promisedKeepers: 'Enter keepers promised to each person.',
    });
  });
  it('is of a method there is', () => {
    expect(refusals(schema, { ...whole, method: 'spiral' })).toEqual({ method: 'Choose a method from the list.' });
  });
});

describe('what is made on a day', () => {
  const schema = methodsInput(['whip', 'chip']);
  const method = {
    method: 'whip',
    place: 'bench',
    scionSpecies: 'pear',
    stockSpecies: 'quince',
    practiceEach: 4,
    keepersEach: 2,
    practiceOn: 'prunings',
  };
  const settings = {
    confidence: 0.9,
    aim: 'each',
    usableBuds: 6,
    waste: 0.15,
    practiceWrapped: true,
    peoplePerBench: 2,
    bottle: 70,
    disinfectant: 0.5,
  };
  it('is taken with commas, and people left to the roster', () => {
    const typed = { methods: [method], expected: '', settings: { ...settings, waste: '0,15', confidence: '0,9' } };
    expect(taken(schema, typed)).toEqual({
      methods: [{ ...method, stump: null, variant: null, variantReason: '' }],
      expected: null,
      settings: { ...settings, stumps: {} },
    });
  });
  it('is one method to six', () => {
    expect(refusals(schema, { methods: [], settings })).toEqual({ methods: 'A workshop teaches one method or more.' });
    expect(refusals(schema, { methods: Array(7).fill(method), settings })).toEqual({
      methods: 'Six methods in a day are the most.',
    });
    expect(refusals(schema, { methods: Array(6).fill(method), settings })).toEqual({});
  });
  it('names the method whose figure is wrong', () => {
    const methods = [method, { ...method, keepersEach: 21 }, { ...method, scionSpecies: ' ', place: 'cellar' }];
    expect(refusals(schema, { methods, settings })).toEqual({
      'methods[1].keepersEach': 'Keepers for each person must be 20 or less.',
      'methods[2].scionSpecies': 'Enter the species of the scion.',
      'methods[2].place': 'Choose where it is done.',
    });
  });
  it.each([
    ['confidence', 1, 'The confidence must be 0.99 or less.'],
    ['confidence', 0.49, 'The confidence must be 0.5 or more.'],
    ['waste', -0.1, 'Waste must be 0 or more.'],
    ['waste', 1, 'Waste must be 0.9 or less.'],
    ['usableBuds', 0, 'Usable buds on a stick must be 1 or more.'],
    ['peoplePerBench', 1.5, 'Enter people at a bench as a whole number.'],
    ['bottle', 101, 'The strength on the bottle, in percent, must be 100 or less.'],
    ['disinfectant', 'much', 'Enter litres of disinfectant a bench as a number.'],
    ['aim', 'most', 'Choose for whom the promise is kept.'],
  ])('is not reckoned with %s %s', (name, typed, words) => {
    expect(refusals(schema, { methods: [method], settings: { ...settings, [name]: typed } })).toEqual({
      [`settings.${name}`]: words,
    });
  });
  it.each([
    ['0', 'For zero people there is nothing to plan: enter one or more, or leave it empty to count the roster.'],
    ['501', 'More than 500 people are no workshop.'],
    ['12.5', 'Enter a whole number of people.'],
    ['a few', 'Enter the number of people in figures.'],
  ])('is not for %s people', (typed, words) => {
    expect(refusals(schema, { methods: [method], settings, expected: typed })).toEqual({ expected: words });
  });
});

describe('the hours of a day', () => {
  const whole = {
    start: '09:00',
    end: '16:30',
    briefing: 20,
    demonstration: 15,
    firstUnion: 12,
    falling: 0.85,
    breakEvery: 90,
    breakLength: 15,
    lunchAt: '12:30',
    lunch: 45,
    clearing: 20,
    knives: null,
  };
  it('are taken, with the knives left open', () => {
    expect(taken(dayInput, { ...whole, falling: '0,85', knives: '' })).toEqual(whole);
    expect(refusals(dayInput, { ...whole, start: '9:05', end: '23:59' })).toEqual({});
  });
  it.each([
    ['start', '24:00', 'Enter when it starts as hours and minutes, such as 09:30.'],
    ['start', '9.30', 'Enter when it starts as hours and minutes, such as 09:30.'],
    ['end', '', 'Enter when it ends.'],
    ['lunchAt', '12:60', 'Enter when midday is as hours and minutes, such as 09:30.'],
    ['firstUnion', 0, 'Minutes of a first union must be 1 or more.'],
    ['falling', 1.1, 'The factor at each doubling must be 1 or less.'],
    ['falling', 0, 'The factor at each doubling must be 0.4 or more.'],
    ['clearing', -1, 'Minutes of clearing must be 0 or more.'],
    ['knives', '0', 'Without a knife nobody cuts: enter one or more, or leave it empty.'],
    ['knives', '2.5', 'Enter a whole number of knives.'],
    ['knives', 'ten', 'Enter the number of knives in figures.'],
  ])('are not %s %j', (name, typed, words) => {
    expect(refusals(dayInput, { ...whole, [name]: typed })).toEqual({ [name]: words });
  });
});

describe('a usual year', () => {
  const months = Array.from({ length: 12 }, (_, i) => i);
  const whole = {
    normals: { low: months, high: months },
    lastFrost: '04-24',
    firstFrost: null,
    frostMargin: 10,
    source: 'the station on the pier',
    version: 3,
  };
  it('is taken with an open frost, where it never freezes', () => {
    expect(refusals(climateInput, whole)).toEqual({});
    expect(refusals(climateInput, { ...whole, lastFrost: null })).toEqual({});
  });
  it('names the month that is wrong', () => {
    const low: unknown[] = [...months];
    low[3] = 'mild';
    low[7] = '';
    expect(refusals(climateInput, { ...whole, normals: { low, high: months } })).toEqual({
      'normals.low[3]': 'Enter every temperature in figures.',
      'normals.low[7]': 'Enter every temperature in figures.',
    });
  });
  it.each(['4-24', '24.4.', '02-30', '13-01', '00-10', '04-31'])('has no frost on %s', (day) => {
    expect(refusals(climateInput, { ...whole, firstFrost: day })).toEqual({
      firstFrost: 'Enter the first frost as month and day, such as 04-24, or leave it empty.',
    });
  });
  it('says where its figures come from', () => {
    expect(refusals(climateInput, { ...whole, source: ' ' })).toEqual({ source: 'Enter where the figures come from.' });
  });
});

describe('a site’s own figures', () => {
  const { id } = ASSUMPTIONS[0]!;
  const input = (edits: unknown, changes: object = {}) => ({
    edits,
    quarantine: [],
    region: '',
    version: 1,
    ...changes,
  });
  it('may be all of them, some or none', () => {
    expect(refusals(assumptionsInput, input({}))).toEqual({});
    expect(refusals(assumptionsInput, input({ [id]: { value: '7,5', margin: 2, source: '' } }))).toEqual({});
    const all = Object.fromEntries(
      ASSUMPTIONS.map(({ id: key, value, margin }) => [key, { value, margin, source: '' }]),
    );
    expect(refusals(assumptionsInput, input(all))).toEqual({});
  });
  it('are refused beside their field', () => {
    expect(refusals(assumptionsInput, input({ [id]: { value: 'warm', margin: -1, source: '' } }))).toEqual({
      [`edits.${id}.value`]: 'Enter the figure as a number.',
      [`edits.${id}.margin`]: 'A margin is 0 or more.',
    });
    expect(refusals(assumptionsInput, input({ [id]: { value: 5001, margin: 2001, source: '' } }))).toEqual({
      [`edits.${id}.value`]: 'A figure over 5000 cannot be right.',
      [`edits.${id}.margin`]: 'A margin over 2000 cannot be right.',
    });
  });
  it.each([[null], [undefined], ['all'], [[1, 2]]])('are not %j', (edits) => {
    expect(Object.keys(refusals(assumptionsInput, input(edits)))).toEqual(['edits']);
  });
  it('are known ones', () => {
    for (const key of ['unheard-of', 'heat', ''])
      expect(refusals(assumptionsInput, input({ [key]: { value: 1, margin: 1 } })), key).toEqual({
        edits: 'One of the figures is not known here. Reload the page and enter them again.',
      });
  });
  it('come with a list of forty species at most', () => {
    expect(refusals(assumptionsInput, input({}, { quarantine: Array(41).fill('medlar') }))).toEqual({
      quarantine: 'A list of more than 40 species is too long.',
    });
  });
});

describe('what was seen outside', () => {
  const seen = { species: 'medlar', sign: 'buds-swell', seenOn: '2026-03-09' };
  it('is a sign of a species on a day', () => {
    expect(taken(observationInput, seen)).toEqual({ ...seen, note: '' });
    expect(refusals(observationInput, { species: '', sign: 'snow', seenOn: '9.3.' })).toEqual({
      species: 'Enter the species.',
      sign: 'Choose what was seen.',
      seenOn: 'Enter the day it was seen as an existing date, year-month-day.',
    });
  });
});

describe('people', () => {
  it('walk in with a name, and an address if they like', () => {
    expect(taken(walkIn, { name: ' Oda Quill ' })).toEqual({ name: 'Oda Quill', email: '' });
    expect(refusals(walkIn, { name: '', email: 'oda' })).toEqual({
      name: 'Enter the name.',
      email: 'Enter an e-mail address of the form name@place.example.',
    });
  });
  it('change only by what was sent of them', () => {
    expect(taken(seatChange, { absent: true })).toEqual({ absent: true });
    expect(taken(seatChange, { skill: '' })).toEqual({ skill: null });
    expect(refusals(seatChange, { skill: 'master' })).toEqual({ skill: 'Choose how practised the hands are.' });
    expect(refusals(seatChange, { phone: '1'.repeat(41) })).toEqual({
      phone: 'Keep the phone number to 40 characters.',
    });
    expect(Object.keys(refusals(seatChange, { mayContact: 'yes' }))).toEqual(['mayContact']);
  });
});

describe('wood', () => {
  const lot = { variety: 'Lantern Bay', species: 'pear', source: 'the south wall' };
  it('is entered with what is known of it', () => {
    expect(taken(lotInput, { ...lot, sticks: '12', usableBuds: '6' })).toMatchObject({
      ...lot,
      stage: 'dormant',
      sticks: 12,
      usableBuds: 6,
      cutOn: '',
      sourceId: null,
    });
  });
  it.each([
    ['cutOn', '2026-02-30', 'Enter the date it was cut as an existing date, year-month-day.'],
    ['stage', 'green', 'Choose the stage of the wood.'],
    ['sticks', '-1', 'Sticks must be 0 or more.'],
    ['usableBuds', '0', 'Usable buds on a stick must be 1 or more.'],
    [
      'protectedUntil',
      '2090-01-01',
      'Check the year of the end of protection: it must lie between 20 years back and 40 ahead.',
    ],
    ['sourceId', 'south wall', 'Choose the plant it was cut from again; its identity is damaged.'],
  ])('has no %s %j', (name, typed, words) => {
    expect(refusals(lotInput, { ...lot, [name]: typed })).toEqual({ [name]: words });
  });
  it('is looked at under the bark and at the buds', () => {
    expect(refusals(checkInput, { lookedOn: '2026-03-10', green: 'partly', buds: 'moving' })).toEqual({});
    expect(refusals(checkInput, { lookedOn: '2026-03-10' })).toEqual({
      green: 'Choose what is under the bark.',
      buds: 'Choose how the buds are.',
    });
  });
  it('is booked by the stick for a workshop', () => {
    expect(taken(bookingInput, { workshopId: OWN_ID, seatId: '', sticks: '3' })).toEqual({
      workshopId: OWN_ID,
      seatId: null,
      sticks: 3,
    });
    for (const [sticks, words] of [
      ['0', 'Book one stick or more.'],
      ['1.5', 'Enter a whole number of sticks.'],
      ['some', 'Enter the number of sticks in figures.'],
      ['10001', 'More than 10000 sticks cannot be right.'],
    ])
      expect(refusals(bookingInput, { workshopId: OWN_ID, sticks }), sticks).toEqual({ sticks: words });
  });
  it('comes from a plant, whose code is read in small letters too', () => {
    const plant = { kind: 'tree', name: 'South wall', variety: 'Lantern Bay', species: 'pear' };
    expect(taken(sourceInput, { ...plant, code: ' k7-m2 ' })).toMatchObject({ code: 'K7-M2' });
    expect(refusals(sourceInput, { ...plant, kind: 'hedge' })).toEqual({ kind: 'Choose a tree or a keeper.' });
  });
  it('is promised by year and head', () => {
    expect(refusals(yearInput, { sticks: '10001' })).toEqual({ sticks: 'Sticks it can give must be 10000 or less.' });
    expect(refusals(promiseInput, { year: '26', whom: '', sticks: '0' })).toEqual({
      year: 'That year cannot be right.',
      whom: 'Enter who gets them.',
      sticks: 'Sticks must be 1 or more.',
    });
    expect(taken(promiseInput, { year: '2027', whom: 'the harbour school', sticks: '4' })).toEqual({
      year: 2027,
      whom: 'the harbour school',
      sticks: 4,
    });
  });
  it('stands on stocks that are counted', () => {
    expect(taken(stockInput, { stockType: 'Quince of the shore', species: 'quince' })).toMatchObject({ stocks: 0 });
    expect(refusals(stockInput, { stockType: '', species: '', stocks: 'a bundle' })).toEqual({
      stockType: 'Enter the stock type.',
      species: 'Enter the species.',
      stocks: 'Enter the number of stocks as a number.',
    });
  });
});
