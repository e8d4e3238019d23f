import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bestOutline } from './best-outline';
import { outlineGrade } from './outline-grade';
import { canMatchBothSides, contactIfJoined } from './reachable-sides';
import { placementOffset } from './placement';
import { outlineUnionContact, type OutlineUnion } from './outline-union';

const face = (diameter: number, bark: number, length: number, hollow = 0) => ({ diameter, bark, length, hollow });
const union = (changes: Partial<OutlineUnion> = {}): OutlineUnion => ({
  stock: face(10, 1, 35),
  scion: face(10, 1, 35),
  e: 0,
  z: 0,
  phi: 0,
  ...changes,
});

const anyFace = fc
  .record({
    diameter: fc.double({ min: 5, max: 16, noNaN: true }),
    share: fc.double({ min: 0.05, max: 0.2, noNaN: true }),
    ratio: fc.double({ min: 2.5, max: 5, noNaN: true }),
    hollow: fc.double({ min: 0, max: 0.6, noNaN: true }),
  })
  .map(({ diameter, share, ratio, hollow }) => face(diameter, share * diameter, ratio * diameter, hollow));
const anyUnion = fc.record({
  stock: anyFace,
  scion: anyFace,
  e: fc.double({ min: -2, max: 2, noNaN: true }),
  z: fc.double({ min: -3, max: 3, noNaN: true }),
  phi: fc.double({ min: -8, max: 8, noNaN: true }),
});

describe('outlineUnionContact', () => {
  it('stays within 0 and 1, and its runs add up to what touches', () => {
    fc.assert(
      fc.property(anyUnion, (union) => {
        const { contact, left, right, runs, touching, whole } = outlineUnionContact(union);
        for (const share of [contact, left, right]) expect(share >= 0 && share <= 1).toBe(true);
        expect(runs.reduce((sum, { length }) => sum + length, 0)).toBeCloseTo(touching, 9);
        expect(touching / whole).toBeCloseTo(contact, 9);
      }),
    );
  });
  it('mirrors: the other way round, left is right', () => {
    fc.assert(
      fc.property(anyUnion, (union) => {
        const there = outlineUnionContact(union);
        const mirrored = outlineUnionContact({ ...union, e: -union.e, phi: -union.phi });
        expect(mirrored.contact).toBeCloseTo(there.contact, 3);
        expect(mirrored.left).toBeCloseTo(there.right, 2);
      }),
      { numRuns: 60 },
    );
  });
  it('does not change when all lengths grow together', () => {
    fc.assert(
      fc.property(anyUnion, fc.double({ min: 0.5, max: 3, noNaN: true }), (union, k) => {
        const grown = (f: OutlineUnion['stock']) => face(k * f.diameter, k * f.bark, k * f.length, k * f.hollow);
        const scaled = {
          stock: grown(union.stock),
          scion: grown(union.scion),
          e: k * union.e,
          z: k * union.z,
          phi: union.phi,
          bridging: 0.5 * k,
          faceGapLimit: 0.5 * k,
        };
        // Equal but for places that lie within rounding of a limit.
        expect(Math.abs(outlineUnionContact(scaled).contact - outlineUnionContact(union).contact)).toBeLessThan(1e-3);
      }),
      { numRuns: 60 },
    );
  });
  it('does not gain from being pushed, slid or turned out of place', () => {
    const steps = [0, 0.2, 0.4, 0.6, 0.8, 1];
    for (const move of [
      (k: number) => ({ e: 2 * k }),
      (k: number) => ({ z: 7 * k }),
      (k: number) => ({ phi: 45 * k }),
    ]) {
      const contacts = steps.map((k) => outlineUnionContact(union(move(k))).contact);
      for (let i = 1; i < contacts.length; i++) expect(contacts[i]!).toBeLessThanOrEqual(contacts[i - 1]! + 1e-6);
    }
  });
  it.each([
    ['bark as thick as the radius', { stock: face(10, 5, 35) }, /bark is as thick as its radius/],
    ['bark below 0', { scion: face(10, -0.1, 35) }, /cannot be thinner than 0/],
    ['a cut no longer than the diameter', { stock: face(10, 1, 10) }, /no longer than its diameter/],
    ['a hollow below 0', { scion: face(10, 1, 35, -0.2) }, /cannot be less than 0/],
    ['a figure that is none', { stock: face(Number.NaN, 1, 35) }, /not a number/],
    ['an offset that is none', { e: Number.POSITIVE_INFINITY }, /not a number/],
    ['pieces that do not overlap', { e: 8.1 }, /do not overlap/],
    ['pieces slid apart', { z: 28.5 }, /do not overlap/],
    ['a bridging distance below 0', { bridging: -1 }, /bridging distance/],
    ['a face gap limit below 0', { faceGapLimit: -1 }, /face gap limit/],
  ])('refuses %s', (_name, changes, message) => {
    expect(() => outlineUnionContact(union(changes as Partial<OutlineUnion>))).toThrow(message);
  });
  it('warns when the lines meet from outside', () => {
    expect(outlineUnionContact(union({ e: 4.2 })).warning).toContain('from outside');
    expect(outlineUnionContact(union({ e: 3.9 })).warning).toBeNull();
  });
});

describe('outlineGrade', () => {
  const grade = (union: OutlineUnion) => outlineGrade(union, outlineUnionContact(union));
  const thin = { scion: face(7, 0.8, 35) };
  it('is good on both sides or on the only one this pair can match, poor on one of two, fatal on none', () => {
    expect(grade(union())).toMatchObject({ grade: 'good', words: 'both sides, 100\u00a0%', cause: null });
    const only = (side: string) => `${side} side, as the pair allows, 53\u00a0%`;
    expect(grade(union({ ...thin, e: 1.3 }))).toMatchObject({ grade: 'good', words: only('right'), cause: null });
    expect(grade(union({ ...thin, e: -1.3 }))).toMatchObject({ grade: 'good', words: only('left'), cause: null });
    // A pair that could have had both, set to one side.
    const near = { scion: face(9.2, 1, 35), e: 0.5 };
    expect(grade(union(near))).toMatchObject({ grade: 'poor', words: expect.stringMatching(/^right side only, /) });
    expect(grade(union({ ...near, e: 0 })).grade).toBe('good');
    expect(grade(union(thin)).grade).toBe('fatal');
    expect(grade(union(thin)).cause).toEqual({ code: 'scion-thinner' });
  });
  it('calls a scion in the middle fatal though its ends touch', () => {
    const ends = union({ scion: face(8, 0.8, 35) });
    const found = grade(ends);
    expect(found.grade).toBe('fatal');
    expect(found.words).toMatch(/^ends only, \d+\u00a0%$/);
    expect(outlineUnionContact(ends).contact).toBeGreaterThan(0.02);
  });
  it('names the face that is hollow, or both', () => {
    expect(grade(union({ stock: face(10, 1, 35, 0.8) })).cause).toEqual({ code: 'stock-hollow' });
    expect(grade(union({ stock: face(10, 1, 35, 0.4), scion: face(10, 1, 35, 0.4) })).cause).toEqual({
      code: 'faces-hollow',
    });
  });
});

describe('placement and best reach', () => {
  const stock = { diameter: 10, bark: 1.5 };
  const scion = { diameter: 7, bark: 0.7 };
  it('tells lines met from outsides flush', () => {
    expect(placementOffset('right-lines', stock, scion)).toBeCloseTo(3.5 - 2.8, 9);
    expect(placementOffset('left-flush', stock, scion)).toBe(-1.5);
    expect(placementOffset('middle', stock, scion)).toBe(0);
  });
  it('finds at least what meeting the lines reaches, and never less than what is', () => {
    fc.assert(
      fc.property(anyFace, anyFace, (first, other) => {
        const there = {
          stock: { ...first, hollow: 0 },
          scion: { ...other, length: first.length, hollow: 0 },
          e: 0,
          z: 0,
          phi: 0,
        };
        if (other.diameter * 1.05 > first.length) return;
        const lines = outlineUnionContact({ ...there, e: placementOffset('right-lines', first, other) });
        expect(bestOutline(there).contact).toBeGreaterThanOrEqual(lines.contact - 0.02);
        expect(bestOutline(there).contact).toBeGreaterThanOrEqual(outlineUnionContact(there).contact - 1e-9);
      }),
      { numRuns: 40 },
    );
  });
  it('stays within the wood of shallow slices, and looks as far as their green lines are apart', () => {
    // The stock's slice hardly reaches through its thick bark: further aside the two do not overlap any more.
    const barely = bestOutline({
      stock: { diameter: 7.2, bark: 2.1, length: 38, hollow: 0, depth: 2.2 },
      scion: { diameter: 8.2, bark: 0.82, length: 38, hollow: 0, depth: 1.3 },
      e: 0,
      z: 0,
      phi: 0,
    });
    expect(barely.contact).toBeGreaterThan(0);
    // Shoots of one thickness sliced to different depths: half widths under the bark sqrt(4^2 - 2^2) = 3.464 and sqrt(4^2 - 3^2) = 2.646.
    const slices = {
      stock: { diameter: 10, bark: 1, length: 40, hollow: 0, depth: 3 },
      scion: { diameter: 10, bark: 1, length: 40, hollow: 0, depth: 2 },
      e: 0,
      z: 0,
      phi: 0,
    };
    const best = bestOutline(slices);
    expect(best.result.stockOutline.p - best.result.scionOutline.p).toBeCloseTo(Math.sqrt(12) - Math.sqrt(7), 2);
    expect(best.contact).toBeGreaterThanOrEqual(
      outlineUnionContact({ ...slices, e: Math.sqrt(12) - Math.sqrt(7) }).contact - 0.01,
    );
    expect(best.contact).toBeGreaterThan(outlineUnionContact(slices).contact + 0.2);
  });
});

describe('canMatchBothSides', () => {
  it('asks what the pair could do, not how it was set: place, slide, turn and hollows change nothing', () => {
    fc.assert(
      fc.property(anyUnion, anyUnion, (pair, set) => {
        const otherwise = {
          ...pair,
          e: set.e,
          z: set.z,
          phi: set.phi,
          stock: { ...pair.stock, hollow: set.stock.hollow },
          scion: { ...pair.scion, hollow: set.scion.hollow },
        };
        expect(canMatchBothSides(otherwise)).toBe(canMatchBothSides(pair));
      }),
      { numRuns: 40 },
    );
  });
  it('is so wherever some place is found by trying them all, for scions as narrow as a thread too', () => {
    const anyScion = fc.record({ wood: anyFace, share: fc.double({ min: 0.05, max: 0.48, noNaN: true }) });
    fc.assert(
      fc.property(anyFace, anyScion, (stock, { wood, share }) => {
        const scion = { ...wood, bark: share * wood.diameter };
        const flat = { stock: { ...stock, hollow: 0 }, scion: { ...scion, hollow: 0 }, z: 0, phi: 0 };
        const furthest = stock.diameter / 2;
        const found = Array.from({ length: 81 }, (_, i) => ((i - 40) / 40) * furthest).some((e) => {
          const { left, right } = contactIfJoined({ ...flat, e }) ?? { left: 0, right: 0 };
          return Math.min(left, right) >= 0.6;
        });
        expect(canMatchBothSides({ ...flat, e: 0 })).toBe(found);
      }),
      { numRuns: 60 },
    );
  });
  it('of slices goes by the width of their green: like wood with one shallow slice cannot', () => {
    const slice = (depth: number) => ({ ...face(12, 1.2, 30), depth });
    expect(canMatchBothSides(union({ stock: slice(3), scion: slice(3) }))).toBe(true);
    expect(canMatchBothSides(union({ stock: slice(4), scion: slice(1.6) }))).toBe(false);
  });
});
