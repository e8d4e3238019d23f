import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { barkContact, inlayContact, type InlayFace } from './laid-face-contact';
import { cambiumLength, cutOutline, outsideLength } from './cut-face';
import { closedStretches } from './closed-stretches';
import { flapContact } from './flap-contact';
import { flapGrade } from './flap-grade';
import { laidFaceGrade } from './laid-face-grade';
import { outlineUnionContact, type OutlineUnion } from './outline-union';
import { patchContact } from './patch-contact';
import { patchGrade } from './patch-grade';
import { shieldContact, type ShieldUnion } from './shield-contact';
import { shieldGrade } from './shield-grade';
import type { UnionContact } from './union-contact';
import { cleftContact, topWedgeContact, type WedgeUnion } from './wedge-contact';
import { wedgeGrade } from './wedge-grade';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const grow = <T extends object>(figures: T, k: number, keep: string[] = []): T =>
  Object.fromEntries(
    Object.entries(figures).map(([name, value]) => [
      name,
      typeof value === 'number' && !keep.includes(name) ? k * value : value,
    ]),
  ) as T;

const wedge = fc.record({
  stockBark: between(0.5, 3),
  scionBark: between(0.5, 1.5),
  inset: between(-0.5, 2.5),
  tilt: between(-5, 5),
  length: between(15, 40),
  hollow: between(0, 1),
  stockDiameter: between(9, 12),
  scionDiameter: between(7, 9),
  bridging: fc.constant(0.5),
  faceGapLimit: fc.constant(0.5),
});
const laid: fc.Arbitrary<InlayFace> = fc
  .record({
    stockDiameter: between(20, 80),
    stockBark: between(1, 4),
    flatRadius: fc.constantFrom(0, 60),
    scionDiameter: between(6, 10),
    scionBark: between(0.4, 0.9),
    share: between(0.6, 1),
    length: between(25, 50),
    window: between(0, 12),
    hollow: between(0, 0.8),
    slack: between(0, 3),
    side: fc.constantFrom('left' as const, 'right' as const, 'centre' as const),
    raked: fc.boolean(),
    bridging: fc.constant(0.5),
  })
  .map(({ share, slack, ...rest }) => ({
    ...rest,
    depth: (rest.scionDiameter / 2) * share,
    slotWidth: rest.scionDiameter + slack,
  }));
const shield: fc.Arbitrary<ShieldUnion> = fc
  .record({
    shieldLength: between(20, 35),
    downCut: between(20, 40),
    share: between(0, 1),
    hollow: between(0, 1.5),
    slips: fc.constant(true),
    wayUp: fc.constant(true),
    bridging: fc.constant(0.5),
  })
  .map(({ share, ...rest }) => ({ ...rest, inserted: share * Math.min(rest.shieldLength, rest.downCut) }));
const patch = fc
  .record({
    patchHeight: between(20, 35),
    more: between(0, 2),
    patchWidth: between(12, 20),
    windowWidth: between(12, 22),
    set: fc.constantFrom('top' as const, 'bottom' as const, 'centre' as const),
    bridging: fc.constant(0.5),
  })
  .map(({ more, ...rest }) => ({ ...rest, windowHeight: rest.patchHeight + more }));
const strip = fc.record({ width: between(4, 10), length: between(38, 52) });
const flap = fc.record({
  flaps: fc.array(strip, { minLength: 4, maxLength: 4 }),
  flats: fc.array(strip, { minLength: 4, maxLength: 4 }),
});

const MODELS: [string, fc.Arbitrary<() => UnionContact>, fc.Arbitrary<[() => UnionContact, () => UnionContact]>][] = [];
function model<T extends object>(
  name: string,
  inputs: fc.Arbitrary<T>,
  compute: (union: T) => UnionContact,
  scaled: (union: T, k: number) => T,
): void {
  MODELS.push([
    name,
    inputs.map((values) => () => compute(values)),
    fc.tuple(inputs, between(0.5, 3)).map(([first, k]) => [() => compute(first), () => compute(scaled(first, k))]),
  ]);
}
model('cleft', wedge, cleftContact, (input, k) => grow(input, k, ['tilt']));
model('top wedge', wedge, topWedgeContact, (input, k) => grow(input, k, ['tilt']));
model('bark', laid, barkContact, (input, k) => grow(input, k));
model('inlay', laid, inlayContact, (input, k) => grow(input, k));
model('T-bud', shield, shieldContact, (input, k) => grow(input, k));
model('patch', patch, patchContact, (input, k) => grow(input, k));
model('four-flap', flap, flapContact, ({ flaps, flats }, k) => ({
  flaps: flaps.map((flap) => grow(flap, k)),
  flats: flats.map((flat) => grow(flat, k)),
}));

describe.each(MODELS)('%s contact', (_name, some, pairs) => {
  it('stays within 0 and 1, its touching length is its share of the whole, and its arcs lie on the ring', () => {
    fc.assert(
      fc.property(some, (compute) => {
        const { contact, touching, whole, ring } = compute();
        expect(contact >= 0 && contact <= 1).toBe(true);
        expect(touching).toBeLessThanOrEqual(whole + 1e-9);
        if (_name !== 'four-flap') expect(touching / whole).toBeCloseTo(contact, 9);
        for (const { from, to } of ring) expect(to >= from && to - from <= 2 * Math.PI + 1e-9).toBe(true);
      }),
    );
  });
  it('does not change when all lengths grow together', () => {
    fc.assert(
      fc.property(pairs, ([small, large]) => {
        // Equal but for places that lie within rounding of a limit.
        expect(Math.abs(large().contact - small().contact)).toBeLessThan(1e-3);
      }),
      { numRuns: 60 },
    );
  });
});

describe('mirror images', () => {
  it('turn left into right for an inlay', () => {
    fc.assert(
      fc.property(laid, (face) => {
        const other = inlayContact({
          ...face,
          side: face.side === 'left' ? 'right' : face.side === 'right' ? 'left' : 'centre',
        });
        const there = inlayContact(face);
        expect([other.left, other.right, other.contact]).toEqual([there.right, there.left, there.contact]);
      }),
    );
  });
  it('turn outer into inner for a top wedge', () => {
    fc.assert(
      fc.property(wedge, (input) => {
        const there = topWedgeContact(input);
        const inset = input.stockDiameter - input.scionDiameter - input.inset;
        fc.pre(inset > -input.scionDiameter);
        const other = topWedgeContact({ ...input, inset, tilt: -input.tilt });
        expect(other.left).toBeCloseTo(there.right!, 6);
        expect(other.right).toBeCloseTo(there.left!, 6);
      }),
    );
  });
});

describe('slices', () => {
  const slice = (diameter: number, bark: number, depth: number, length: number, hollow = 0) => ({
    diameter,
    bark,
    depth,
    length,
    hollow,
  });
  it('convert between the length on the bark and that of the cambium', () => {
    fc.assert(
      fc.property(between(5, 60), between(0.2, 1.9), between(2, 4), (length, bark, depth) => {
        expect(outsideLength(cambiumLength(length, bark, depth), bark, depth)).toBeCloseTo(length, 9);
      }),
    );
    // 40 long on the bark, bark 1, 2.5 deep: 40 * sqrt(0.6).
    expect(cambiumLength(40, 1, 2.5)).toBeCloseTo(30.984, 3);
  });
  it('do not gain from being pushed, slid or turned out of place', () => {
    const face = slice(12, 1.2, 3, 32);
    const { p, q } = cutOutline(face, 'stock');
    for (const move of [
      (k: number) => ({ e: (k * p) / 2 }),
      (k: number) => ({ z: (k * q) / 2 }),
      (k: number) => ({ phi: 45 * k }),
    ]) {
      for (const sign of [1, -1]) {
        const contacts = [0, 0.1, 0.25, 0.5, 0.75, 1].map(
          (k) => outlineUnionContact({ stock: face, scion: face, e: 0, z: 0, phi: 0, ...move(sign * k) }).contact,
        );
        for (let i = 1; i < contacts.length; i++) expect(contacts[i]!).toBeLessThanOrEqual(contacts[i - 1]! + 1e-6);
      }
    }
  });
  it.each([
    ['no deeper than the bark', slice(12, 1.2, 1.2, 30), /no deeper than the bark/],
    ['deeper than the middle', slice(12, 1.2, 6.1, 30), /deeper than its middle/],
    ['of no length', slice(12, 1.2, 3, 0), /longer than 0/],
    ['of no depth that is a number', slice(12, 1.2, Number.NaN, 30), /not a number/],
  ])('refuse a cut %s', (_name, stock, message) => {
    const union: OutlineUnion = { stock, scion: slice(8, 0.8, 2.6, 30), e: 0, z: 0, phi: 0 };
    expect(() => outlineUnionContact(union)).toThrow(message);
  });
});

describe('closedStretches', () => {
  it('leaves the ends of a hollow face', () => {
    // 1 - (2x/L - 1)² = 0.75 at x = L/4 and 3L/4.
    const [low, high] = closedStretches(0.4, 0.3, 40);
    expect([low!.from, low!.to, high!.from, high!.to].map((x) => Math.round(x * 1e9) / 1e9)).toEqual([0, 10, 30, 40]);
    expect(closedStretches(0.2, 0.3, 40)).toEqual([{ from: 0, to: 40 }]);
    expect(closedStretches(0.4, -0.1, 40)).toEqual([]);
  });
});

const WEDGE: WedgeUnion = { stockBark: 2, scionBark: 0.8, inset: 1.2, tilt: 0, length: 30, hollow: 0 };
const LAID: InlayFace = {
  stockDiameter: 50,
  stockBark: 4,
  flatRadius: 0,
  scionDiameter: 9,
  scionBark: 0.8,
  depth: 4.5,
  length: 50,
  window: 9,
  hollow: 0,
  slotWidth: 7.4,
  side: 'centre',
  raked: true,
};
const SHIELD: ShieldUnion = { shieldLength: 28, downCut: 38, inserted: 28, hollow: 0, slips: true, wayUp: true };
const PATCH = { patchHeight: 30, windowHeight: 30.4, patchWidth: 15, windowWidth: 16, set: 'centre' as const };
const STRIPS = [0, 1, 2, 3].map(() => ({ width: 7, length: 45 }));

describe('measures no union can have', () => {
  it.each<[string, () => unknown, RegExp]>([
    ['a wedge wholly outside', () => cleftContact({ ...WEDGE, scionDiameter: 8, inset: -8 }), /not in the split/],
    ['a tilt of more than 10', () => cleftContact({ ...WEDGE, tilt: 10.5 }), /cannot lean/],
    ['a wedge longer than its split', () => cleftContact({ ...WEDGE, split: 29 }), /longer than its split/],
    ['a gap below 0', () => cleftContact({ ...WEDGE, hollow: -0.1 }), /cannot be less than 0/],
    ['a wedge of no length', () => cleftContact({ ...WEDGE, length: 0 }), /more than 0/],
    ['a top wedge without diameters', () => topWedgeContact(WEDGE), /not a number/],
    ['bark as thick as the stock’s radius', () => cleftContact({ ...WEDGE, stockDiameter: 4 }), /no wood left/],
    ['a face in the bark', () => barkContact({ ...LAID, depth: 0.8 }), /no deeper than the bark/],
    ['a face past the middle', () => barkContact({ ...LAID, depth: 4.6 }), /deeper than the middle/],
    [
      'a face as wide as the stock',
      () => barkContact({ ...LAID, stockDiameter: 9, stockBark: 1 }),
      /as wide as the stock/,
    ],
    ['a window as long as the face', () => barkContact({ ...LAID, window: 50 }), /window is as long/],
    ['a bridging distance below 0', () => barkContact({ ...LAID, bridging: -0.1 }), /bridging distance cannot/],
    [
      'a slot too narrow',
      () => inlayContact({ ...LAID, slotWidth: 7 }),
      /narrower than what it has to hold \(7\.4 mm\)/,
    ],
    ['a slot too narrow for the bark', () => inlayContact({ ...LAID, slotWidth: 8, raked: false }), /9\.0 mm/],
    ['more shield in than there is', () => shieldContact({ ...SHIELD, inserted: 29 }), /More of the shield/],
    ['a shield deeper than its cut', () => shieldContact({ ...SHIELD, downCut: 20 }), /further than the down cut/],
    ['a patch too tall', () => patchContact({ ...PATCH, windowHeight: 29.7 }), /taller than its window/],
    ['a window of no width', () => patchContact({ ...PATCH, windowWidth: 0 }), /more than 0/],
    ['three flaps', () => flapContact({ flaps: STRIPS.slice(1), flats: STRIPS }), /four flaps/],
    ['flats that meet', () => flapContact({ flaps: STRIPS, flats: STRIPS, scionDiameter: 9 }), /meets its neighbours/],
    [
      'a flap that is no number',
      () => flapContact({ flaps: STRIPS, flats: [{ width: Number.NaN, length: 4 }, ...STRIPS.slice(1)] }),
      /width of flat 1 is not a number/,
    ],
  ])('%s', (_name, compute, message) => {
    expect(compute).toThrow(message);
  });
  it('takes a patch that can be pressed in for an equal one, and warns of a narrow one', () => {
    expect(patchContact({ ...PATCH, windowHeight: 29.8 }).contact).toBe(1);
    expect(patchContact({ ...PATCH, patchWidth: 9 }).warning).toContain('narrower');
    expect(patchContact(PATCH).warning).toBeNull();
  });
});

describe('grades and why contact is low', () => {
  it('of a cleft', () => {
    const grade = (changes: Partial<WedgeUnion>) =>
      wedgeGrade({ ...WEDGE, ...changes }, cleftContact({ ...WEDGE, ...changes }));
    expect(grade({})).toEqual({ grade: 'good', words: 'along the wedge, 100\u00a0%', cause: null });
    expect(grade({ inset: 0 })).toMatchObject({
      grade: 'fatal',
      words: 'nowhere',
      cause: { code: 'outsides-flush' },
    });
    expect(grade({ inset: 2.5 }).cause).toEqual({ code: 'too-far-in' });
    expect(grade({ inset: 0.4, scionBark: 0.5 }).cause).toEqual({ code: 'too-far-out' });
    expect(grade({ hollow: 0.9 }).cause).toEqual({ code: 'wedge-hollow' });
    // A touch of tilt makes the lines cross: poor, and alive.
    expect(grade({ inset: 0, tilt: 2.5 })).toMatchObject({ grade: 'poor', cause: { code: 'wedge-crosses' } });
  });
  it('of a top wedge names its edges', () => {
    const union = {
      ...WEDGE,
      stockDiameter: 8,
      scionDiameter: 6,
      stockBark: 0.8,
      scionBark: 0.7,
      inset: 0,
      length: 19,
    };
    expect(wedgeGrade(union, topWedgeContact(union))).toMatchObject({
      grade: 'poor',
      words: 'outer edge only, 50\u00a0%',
    });
  });
  it('of a laid face is poor at most, and says what would help', () => {
    const thin = { ...LAID, stockDiameter: 25, stockBark: 2 };
    expect(laidFaceGrade(thin, barkContact(thin))).toMatchObject({
      grade: 'poor',
      words: 'on callus only, 0\u00a0%',
      cause: { code: 'wood-round' },
    });
    const wide = { ...LAID, slotWidth: 9 };
    expect(laidFaceGrade(wide, inlayContact(wide))).toMatchObject({
      grade: 'poor',
      cause: { code: 'slots-wide' },
    });
    expect(laidFaceGrade({ ...LAID, hollow: 0.4 }, barkContact({ ...LAID, hollow: 0.4 })).cause).toEqual({
      code: 'face-hollow',
    });
    expect(laidFaceGrade(LAID, inlayContact(LAID)).cause).toBeNull();
  });
  it('of a shield, a patch and four flaps', () => {
    const forced = { ...SHIELD, slips: false };
    expect(shieldGrade(forced, shieldContact(forced))).toMatchObject({ grade: 'fatal', words: 'bark did not slip' });
    const out = { ...SHIELD, downCut: 20, inserted: 20 };
    expect(shieldGrade(out, shieldContact(out))).toMatchObject({
      grade: 'good',
      cause: { code: 'shield-out' },
    });
    const tall = { ...PATCH, windowHeight: 30.9, set: 'top' as const };
    expect(patchGrade(tall, patchContact(tall))).toMatchObject({
      grade: 'poor',
      cause: { code: 'window-tall', edge: 'bottom', off: expect.closeTo(0.9, 6) as number },
    });
    const slender = { flaps: STRIPS, flats: [{ width: 2, length: 45 }, ...STRIPS.slice(1)] };
    expect(flapGrade(flapContact(slender))).toMatchObject({
      grade: 'poor',
      cause: { code: 'flats-narrow', flaps: expect.arrayContaining([1]) as number[] },
    });
  });
});
