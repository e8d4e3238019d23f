import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { InputError } from '../../contact/input-error';
import { caseOfSigns } from './case-of-signs';
import { readSigns } from './read-signs';
import { deadKnownFrom, USUAL_SIGN_DAYS } from './sign-days';
import { SIGN_VALUES, SIGN_VARIANTS, SIGNS_BY_WAY, type Signs, signsFrom } from './signs';

interface Row {
  case: string;
  variant: string;
  day: string;
  since_leaf: string;
  signs: string;
  answer: string;
  next_look: string;
}

const cases = Papa.parse<Row>(readFileSync(join(import.meta.dirname, 'reference/cases.csv'), 'utf8'), {
  header: true,
  skipEmptyLines: true,
}).data;

const anySigns = fc
  .record(
    {
      ...Object.fromEntries(Object.entries(SIGN_VALUES).map(([sign, values]) => [sign, fc.constantFrom(...values)])),
      growth: fc.integer({ min: 0, max: 3000 }),
      snapped: fc.boolean(),
    },
    { requiredKeys: [] },
  )
  .map((signs) => signs as Signs);
const when = fc.record({
  variant: fc.constantFrom(...SIGN_VARIANTS),
  day: fc.integer({ min: 0, max: 400 }),
  sinceLeaf: fc.constant(null),
});

describe('signs of a union', () => {
  it('are read as in every reference case', () => {
    expect(cases).toHaveLength(128);
    for (const row of cases)
      expect({ case: row.case, ...caseOfSigns(row, JSON.parse(row.signs) as Record<string, unknown>) }).toEqual({
        case: row.case,
        answer: row.answer,
        nextLook: row.next_look,
      });
  });
  it('never say dead by time alone before dead can be known', () => {
    fc.assert(
      fc.property(when, fc.constantFrom('alive', 'unsure', 'dead', undefined), (seen, said) => {
        const known = deadKnownFrom(seen.variant, USUAL_SIGN_DAYS);
        const { reading, nextLook } = readSigns(said ? { said } : {}, seen);
        if (known === null || seen.day < known) expect(reading).toBe('wait');
        if (known !== null && seen.day < known) expect(nextLook).toBeGreaterThan(seen.day);
      }),
    );
  });
  it('ask to look again later than they were seen, and never where the answer is sure', () => {
    fc.assert(
      fc.property(anySigns, when, (signs, seen) => {
        const { reading, nextLook, secondTry } = readSigns(signs, seen);
        if (nextLook !== null) expect(nextLook).toBeGreaterThan(seen.day);
        if (reading === 'dead' || reading === 'alive') expect(nextLook).toBeNull();
        if (reading === 'dead' || reading === 'likely dead') expect(secondTry).toBe(true);
        if (reading === 'alive') expect(secondTry).toBe(false);
      }),
    );
  });
  it('say a bud that grows before winter at risk, and no plain success', () => {
    expect(readSigns({ growth: 300 }, { variant: 'bud-late', day: 30, sinceLeaf: null })).toMatchObject({
      reading: 'likely alive',
      why: 'grows-before-winter',
    });
  });
  it('offer a second try with growth that lives on stored food', () => {
    expect(readSigns({ growth: 20 }, { variant: 'spring', day: 9, sinceLeaf: null })).toMatchObject({
      reading: 'wait',
      secondTry: true,
    });
  });
  it('go by the days of the site', () => {
    const days = { ...USUAL_SIGN_DAYS, callus: 12, deadKnown: { ...USUAL_SIGN_DAYS.deadKnown, dormant: 70 } };
    expect(readSigns({ callus: 'ring', holds: 'yes' }, { variant: 'bench', day: 11, sinceLeaf: null }, days)).toEqual(
      expect.objectContaining({ reading: 'wait', nextLook: 12 }),
    );
    expect(readSigns({ buds: 'asleep' }, { variant: 'spring', day: 60, sinceLeaf: null }, days).reading).toBe('wait');
  });
  it('are read by a rule of their own for each way of living on', () => {
    expect(new Set(Object.values(SIGNS_BY_WAY)).size).toBe(SIGN_VARIANTS.length);
  });
  it('refuse what cannot be', () => {
    expect(() => readSigns({}, { variant: 'bench', day: -1, sinceLeaf: null })).toThrow(RangeError);
    expect(() => readSigns({}, { variant: 'bud-late', day: 200, sinceLeaf: -1 })).toThrow(RangeError);
    for (const bad of [{ colour: 'red' }, { callus: 'a bit' }, { growth: -1 }, { growth: '50' }, { snapped: 'yes' }])
      expect(() => signsFrom(bad)).toThrow(InputError);
    expect(signsFrom({ callus: '', growth: 0, snapped: false, toString: undefined })).toEqual({ growth: 0 });
    expect(() => caseOfSigns({ variant: 'cutting', day: '3' }, {})).toThrow('There is no variant');
    expect(() => caseOfSigns({ variant: 'bench', day: '' }, {})).toThrow('column day');
  });
});

describe('a shield that has turned brown', () => {
  const on = (day: number, stub?: 'clings' | 'drops') =>
    readSigns({ shield: 'brown', ...(stub ? { stub } : {}) }, { variant: 'bud-early', day, sinceLeaf: null });
  const { shield, shieldBrown } = USUAL_SIGN_DAYS;
  it('is waited for until its own day where the stub does not cling, and says so', () => {
    expect([shield, shieldBrown]).toEqual([7, 14]);
    for (const stub of [undefined, 'drops'] as const)
      for (const day of [shield, shieldBrown - 1])
        expect(on(day, stub)).toMatchObject({ reading: 'wait', why: 'shield-brown', nextLook: shieldBrown });
    for (const stub of [undefined, 'drops'] as const)
      expect(on(shieldBrown, stub)).toMatchObject({ reading: 'likely dead', why: 'shield-brown' });
  });
  it('is likely dead as soon as shields say anything where the stub clings', () => {
    expect(on(shield - 1, 'clings')).toMatchObject({ reading: 'wait', why: 'shield-early', nextLook: shield });
    expect(on(shield, 'clings').reading).toBe('likely dead');
  });
});
