import fc from 'fast-check';
import { array, object } from 'yup';
import { describe, expect, it } from 'vitest';
import { refusals, taken } from '@/core/testing/refusals';
import {
  count,
  decimal,
  email,
  FAR_YEARS,
  flag,
  id,
  isAhead,
  isId,
  isoDate,
  isPlainObject,
  isWithinYears,
  normaliseEmail,
  optionalDate,
  optionalId,
  optionalText,
  paperInput,
  SEEN_YEARS,
  text,
  trimmed,
  WORKSHOP_YEARS,
} from './fields';

const OWN_ID = '018f6b1e-7c1a-7d2e-9c3b-0a1b2c3d4e5f';
const UNREADABLE = 'This cannot be read. Reload the page and enter it again.';

describe('an id', () => {
  it('is what ours look like, and nothing longer, shorter or of another kind', () => {
    expect(isId(OWN_ID)).toBe(true);
    for (const other of ['', OWN_ID.toUpperCase(), `${OWN_ID}0`, ` ${OWN_ID}`, OWN_ID.replaceAll('-', ''), "' OR 1=1"])
      expect(isId(other), other).toBe(false);
  });
  it.each([
    [undefined, 'Choose a seat.'],
    ['', 'Choose a seat.'],
    ['7', 'Choose a seat again; its identity is damaged.'],
    [7, 'Choose a seat again; its identity is damaged.'],
    [[OWN_ID], 'Choose a seat again; its identity is damaged.'],
  ])('is refused when it is %j', (typed, words) => {
    expect(refusals(id('a seat'), typed)).toEqual({ '': words });
  });
  it('may be left open where nothing need be chosen', () => {
    expect(taken(optionalId('a seat'), '')).toBeNull();
    expect(taken(optionalId('a seat'), undefined)).toBeNull();
    expect(taken(optionalId('a seat'), OWN_ID)).toBe(OWN_ID);
    expect(refusals(optionalId('a seat'), 'seat 7')).toEqual({ '': 'Choose a seat again; its identity is damaged.' });
  });
});

describe('a text', () => {
  it('is kept without the space around it', () => {
    expect(taken(text('a name', 10), '  Isle \n')).toBe('Isle');
    expect(taken(optionalText('a note', 10), '   ')).toBe('');
    expect(taken(optionalText('a note', 10), undefined)).toBe('');
  });
  it('of space alone is none', () => {
    expect(refusals(text('a name', 10), ' \t ')).toEqual({ '': 'Enter a name.' });
  });
  it('is measured without the space around it, to the letter', () => {
    expect(refusals(text('a name', 10), ` ${'q'.repeat(10)} `)).toEqual({});
    expect(refusals(text('a name', 10), 'q'.repeat(11))).toEqual({ '': 'Keep a name to 10 characters.' });
    expect(refusals(optionalText('a note', 10), 'q'.repeat(11))).toEqual({ '': 'Keep a note to 10 characters.' });
  });
  it.each([[{ length: 3 }], [['Isle']]])('is never made of %j', (typed) => {
    expect(refusals(text('a name', 10), typed)).toEqual({ '': 'Enter a name as text.' });
    expect(refusals(optionalText('a note', 10), typed)).toEqual({ '': 'Enter a note as text.' });
  });
});

describe('a day', () => {
  it.each([
    ['', 'Enter the date.'],
    ['2026-02-29', 'Enter the date as an existing date, year-month-day.'],
    ['21.4.2026', 'Enter the date as an existing date, year-month-day.'],
    ['2026-4-21', 'Enter the date as an existing date, year-month-day.'],
    ['0026-04-21', 'Check the year of the date: it must lie between 20 years back and 5 ahead.'],
    ['2206-04-21', 'Check the year of the date: it must lie between 20 years back and 5 ahead.'],
    ['2031-03-11', 'Check the year of the date: it must lie between 20 years back and 5 ahead.'],
    ['2006-03-09', 'Check the year of the date: it must lie between 20 years back and 5 ahead.'],
  ])('typed as %j is refused', (typed, words) => {
    expect(refusals(isoDate('the date'), typed)).toEqual({ '': words });
  });
  it('is taken up to the last day of its bounds', () => {
    for (const day of ['2006-03-10', '2026-03-10', '2028-02-29', '2031-03-10'])
      expect(refusals(isoDate('the date'), day), day).toEqual({});
    expect(refusals(isoDate('the date', FAR_YEARS), '2066-03-10')).toEqual({});
  });
  it('may be left out where it is not known, and is checked all the same where it is given', () => {
    expect(taken(optionalDate('the date of the cut'), undefined)).toBe('');
    expect(refusals(optionalDate('the date of the cut'), '2026-13-01')).toEqual({
      '': 'Enter the date of the cut as an existing date, year-month-day.',
    });
    expect(refusals(optionalDate('the date of the cut'), '0206-01-01')).toEqual({
      '': 'Check the year of the date of the cut: it must lie between 20 years back and 40 ahead.',
    });
  });
  it('is never checked without knowing what day it is', () => {
    expect(() => isoDate('the date').validateSync('2026-03-10')).toThrow('A day is checked against now');
  });
  it('of today lies within all bounds, whatever today is, the leap day too', () => {
    fc.assert(
      fc.property(fc.date({ min: new Date('2021-01-01'), max: new Date('2080-12-31'), noInvalidDate: true }), (now) => {
        const today = now.toISOString().slice(0, 10);
        for (const years of [WORKSHOP_YEARS, SEEN_YEARS, FAR_YEARS])
          expect(isWithinYears(today, now, years)).toBe(true);
        expect(isAhead(today, now)).toBe(false);
      }),
    );
    expect(isWithinYears('2033-03-01', new Date('2028-02-29T12:00:00Z'), WORKSHOP_YEARS)).toBe(false);
    expect(isWithinYears('2033-02-28', new Date('2028-02-29T12:00:00Z'), WORKSHOP_YEARS)).toBe(true);
  });
  it('has begun somewhere until it is tomorrow everywhere', () => {
    const late = new Date('2026-03-10T23:30:00Z');
    expect(isAhead('2026-03-11', late)).toBe(false);
    expect(isAhead('2026-03-12', late)).toBe(true);
  });
});

describe('an address', () => {
  it('is looked up in one form', () => {
    expect(normaliseEmail('  Oda.Quill@Isle.EXAMPLE ')).toBe('oda.quill@isle.example');
    // The wide letters of some keyboards are the letters they look like; an accent makes another address.
    expect(normaliseEmail('ｏｄａ＠isle.example')).toBe('oda@isle.example');
    expect(normaliseEmail('zoé@isle.example')).not.toBe(normaliseEmail('zoe@isle.example'));
    expect(normaliseEmail('zoe\u0301@isle.example')).toBe(normaliseEmail('zoé@isle.example'));
  });
  it('reads the same when it is read again', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (typed) => {
        const once = normaliseEmail(typed);
        expect(normaliseEmail(once)).toBe(once);
      }),
    );
  });
  it.each(['oda', 'oda@isle', 'oda@@isle.example', 'oda quill@isle.example', '@isle.example'])('is not %j', (typed) => {
    expect(refusals(email(), typed)).toEqual({ '': 'Enter an e-mail address of the form name@place.example.' });
  });
  it('may be empty where none is needed', () => {
    expect(taken(email(), '  ')).toBe('');
  });
  it('has 254 characters at most', () => {
    expect(refusals(email(), `${'q'.repeat(242)}@isle.example`)).toEqual({
      '': 'Keep the e-mail address to 254 characters.',
    });
    expect(refusals(email(), `${'q'.repeat(241)}@isle.example`)).toEqual({});
  });
});

describe('a figure', () => {
  it('has a point or a comma', () => {
    expect(taken(decimal(), '1.5')).toBe(1.5);
    expect(taken(decimal(), ' 1,5 ')).toBe(1.5);
    expect(taken(decimal(), '-0,25')).toBe(-0.25);
    expect(taken(decimal(), 7)).toBe(7);
  });
  it.each(['1.5 mm', '1,2,3', 'NaN', 'Infinity', '0x10', 'one', '--1', ' '])('is not %j', (typed) => {
    expect(refusals(decimal().required(), typed)).toEqual({ '': UNREADABLE });
  });
  it('reads every figure written with a comma as the same with a point', () => {
    fc.assert(
      fc.property(fc.integer({ min: -99_999, max: 99_999 }), fc.integer({ min: 0, max: 999 }), (whole, part) => {
        const words = `${whole}.${String(part).padStart(3, '0')}`;
        expect(taken(decimal(), words.replace('.', ','))).toBe(taken(decimal(), words));
        expect(taken(decimal(), words)).toBe(Number(words));
      }),
    );
  });
  it.each([
    ['', 'Enter the seats as a number.'],
    [undefined, 'Enter the seats.'],
    [null, 'Enter the seats.'],
    ['many', 'Enter the seats as a number.'],
    ['1.5', 'Enter the seats as a whole number.'],
    ['0', 'The seats must be 1 or more.'],
    ['-3', 'The seats must be 1 or more.'],
    ['41', 'The seats must be 40 or less.'],
    [true, 'Enter the seats as a number.'],
    [['3'], 'Enter the seats as a number.'],
  ])('counting seats is not %j', (typed, words) => {
    expect(refusals(object({ seats: count('the seats', 1, 40) }), { seats: typed })).toEqual({ seats: words });
  });
  it('counting seats reaches from the least to the most', () => {
    expect(taken(count('the seats', 1, 40), '1')).toBe(1);
    expect(taken(count('the seats', 1, 40), '40')).toBe(40);
    expect(taken(count('the seats', 1, 40), '12,0')).toBe(12);
  });
});

describe('a mark', () => {
  it.each(['true', 'on', 1, 0])('is not read out of %j', (typed) => {
    expect(refusals(flag(), typed)).toEqual({ '': UNREADABLE });
  });
  it('is set or not', () => {
    expect(taken(flag(), true)).toBe(true);
    expect(taken(flag(), false)).toBe(false);
  });
});

describe('paper', () => {
  it('is A4 unless Letter is asked for, and nothing else', () => {
    expect(taken(paperInput, {})).toEqual({ paper: 'A4' });
    expect(taken(paperInput, { paper: 'Letter' })).toEqual({ paper: 'Letter' });
    expect(refusals(paperInput, { paper: 'A3' })).toEqual({ paper: 'Choose A4 or Letter.' });
  });
});

describe('what no page of ours sends', () => {
  it('is told apart from an object with keys', () => {
    expect(isPlainObject({})).toBe(true);
    for (const other of [null, [], 'text', 3, undefined]) expect(isPlainObject(other)).toBe(false);
  });
  it('is refused in our words, never in those of the library', () => {
    expect(refusals(object({ rows: array(trimmed()).min(1) }), { rows: [] })).toEqual({ rows: UNREADABLE });
    expect(refusals(object({ rows: array(trimmed()).required() }), { rows: 'text' })).toEqual({ rows: UNREADABLE });
    expect(refusals(object({ rows: array(trimmed()).required() }), null)).toEqual({ '': UNREADABLE });
  });
});
