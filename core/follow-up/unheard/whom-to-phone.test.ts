import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { takeBounds, type Unheard, whomToPhone } from './whom-to-phone';

const person = (personId: string, grafts: number, days = 10, hasPhone = true): Unheard => ({
  personId,
  grafts,
  days,
  hasPhone,
});

describe('whom to phone', () => {
  it('comes first who narrows the bounds most', () => {
    const calls = whomToPhone([person('a', 1), person('b', 3), person('c', 1, 30), person('d', 4, 50, false)], {
      alive: 8,
      dead: 3,
      unknown: 9,
    });
    expect(calls.map(({ personId }) => personId)).toEqual(['b', 'c', 'a', 'd']);
    expect(calls[0]).toMatchObject({ narrows: 3 / 20, width: 6 / 20 });
  });
  it('brings the bounds as near as it says, however the calls turn out', () => {
    fc.assert(
      fc.property(
        fc.nat(40),
        fc.nat(40),
        fc.array(fc.integer({ min: 1, max: 6 }), { minLength: 1, maxLength: 8 }),
        fc.nat(5),
        fc.infiniteStream(fc.boolean()),
        (alive, dead, grafts, doubtful, fates) => {
          const unknown = grafts.reduce((sum, count) => sum + count, 0) + doubtful;
          const calls = whomToPhone(
            grafts.map((count, i) => person(String(i), count)),
            { alive, dead, unknown },
          );
          const known = { alive, dead, unknown };
          for (const call of calls) {
            for (let i = 0; i < call.grafts; i++) known[fates.next().value ? 'alive' : 'dead']++;
            known.unknown -= call.grafts;
            const { least, most } = takeBounds(known)!;
            expect(most - least).toBeCloseTo(call.width, 9);
          }
        },
      ),
    );
  });
  it('refuses counts that cannot be', () => {
    expect(() => whomToPhone([person('a', 3)], { alive: 1, dead: 1, unknown: 2 })).toThrow(RangeError);
    expect(takeBounds({ alive: 0, dead: 0, unknown: 0 })).toBeNull();
  });
});
