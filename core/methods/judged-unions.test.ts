import { written } from '../units/prose';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { InputError } from '../contact/input-error';
import { bestCorrections } from '../score/rubric/best-corrections';
import { defaultRule, judgeUnion, type Marks } from '../score/rubric/judge-union';
import { exampleMeasures } from './example-measures';
import type { Field } from './field';
import type { Measures } from './measures';
import type { Method } from './method';
import { METHODS } from './registry';
import { bridge } from './testing/bridge';

/*
 * Laws that hold for any union of any method, whatever was measured: drawn from figures about the
 * clean ones, every pick, and marks at random.
 */

/** A figure near the usual one, an end of the range, or a pick. */
function value(field: Field, usual: number): fc.Arbitrary<number | string> {
  const span = Math.max(1, Math.abs(usual) * 0.35);
  const near = fc
    .double({ min: Math.max(field.least, usual - span), max: Math.min(field.most, usual + span), noNaN: true })
    .map((n) => Math.round(n * 10) / 10);
  return field.picks ? fc.oneof(near, fc.constantFrom(...field.picks.map(({ id }) => id))) : near;
}

/** Measures of a union: the clean ones with some fields changed, those the wood does not allow left out. */
function unionsOf(method: Method): fc.Arbitrary<{ measures: Measures; marks: Marks }> {
  const clean = exampleMeasures(method);
  const usual = (id: string): number => {
    const known = clean[id];
    return known && 'value' in known ? known.value : 0;
  };
  const changes = fc.record(
    Object.fromEntries(method.fields.map((field) => [field.id, value(field, usual(field.id))])),
    { requiredKeys: [] },
  );
  const points = judgeUnion(method, defaultRule(method), clean, {}, 'keeper')
    .grades.map(({ point }) => point)
    .filter(({ faults }) => faults.length > 0);
  const marks = fc.array(
    fc.constantFrom(...points.flatMap(({ id, faults }) => faults.map(({ grade }) => [id, grade] as const))),
    { maxLength: 3 },
  );
  return fc
    .record({ changes, marks })
    .map(({ changes: some, marks: marks }) => ({
      measures: exampleMeasures(method, some),
      marks: Object.fromEntries(marks),
    }))
    .filter(({ measures }) => judged(method, measures, {}) !== null);
}

function judged(method: Method, measures: Measures, marks: Marks): ReturnType<typeof judgeUnion> | null {
  try {
    return judgeUnion(method, defaultRule(method), measures, marks, 'joined');
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}
const RUNS = { numRuns: 40 };

describe.each([...METHODS, bridge].map((method) => [method.id, method] as const))(
  'any union of %s',
  (_id, method: Method) => {
    const unions = unionsOf(method);
    it('scores 0 to 100, never more with a fault than without, and no more than the cap when one is fatal', () => {
      fc.assert(
        fc.property(unions, ({ measures, marks }) => {
          const plain = judged(method, measures, {})!;
          const marked = judged(method, measures, marks)!;
          for (const { score } of [plain, marked]) if (score !== null) expect(score >= 0 && score <= 100).toBe(true);
          // A mark may be milder than what was measured, so only unmeasured points are sure to cost.
          const harder = Object.keys(marks).every(
            (id) => !marked.grades.find(({ point }) => point.id === id)?.point.measured,
          );
          if (harder && plain.score !== null && marked.score !== null)
            expect(marked.score).toBeLessThanOrEqual(plain.score + 1e-9);
          if (marked.fatal.length > 0 && marked.score !== null)
            expect(marked.score).toBeLessThanOrEqual(defaultRule(method).fatalCap);
        }),
        RUNS,
      );
    });
    it('has contact from 0 to 1, as much as it draws, and never more than the pair could reach', () => {
      fc.assert(
        fc.property(unions, ({ measures }) => {
          const { assessment, figures } = judged(method, measures, {})!;
          const { contact, touching } = assessment.contact;
          expect(contact >= -1e-9 && contact <= 1 + 1e-9).toBe(true);
          expect(touching).toBeGreaterThanOrEqual(0);
          expect(contact > 1e-6).toBe(touching > 1e-6);
          for (const drawing of [
            assessment.lines({ unit: 'mm' }),
            assessment.side({ unit: 'in' }),
            assessment.section?.(0, 'mm'),
          ]) {
            for (const item of drawing?.items ?? [])
              for (const at of item.kind === 'path' ? item.points : [item.at])
                expect(at.every(Number.isFinite)).toBe(true);
          }
          expect(contact).toBeLessThanOrEqual(method.best(figures) + 1e-6);
        }),
        RUNS,
      );
    });
    it('is advised on in whole sentences, at most one a point, each worth exactly what it promises', () => {
      fc.assert(
        fc.property(unions, ({ measures, marks }) => {
          const now = judged(method, measures, marks)!;
          const advice = bestCorrections(method, defaultRule(method), measures, marks, 'joined', 6);
          expect(new Set(advice.map(({ point }) => point)).size).toBe(advice.length);
          for (const { say, measures: then, score, gain, mendsFatal, worth } of advice) {
            const words = written(say, 'mm');
            expect(words).toMatch(/^[A-Z].*[.!]$/);
            expect(words).not.toMatch(/NaN|undefined|Infinity|-\d|−\d/);
            expect(mendsFatal || worth > 0).toBe(true);
            expect(gain).toBeCloseTo(score - (now.score ?? 0), 9);
            if (then) expect(judged(method, then, marks)!.score).toBeCloseTo(score, 9);
          }
        }),
        RUNS,
      );
    });
    it('is judged the same twice: nothing is kept between unions', () => {
      fc.assert(
        fc.property(unions, unions, (left, other) => {
          const first = judged(method, left.measures, left.marks)!.score;
          judged(method, other.measures, other.marks);
          expect(judged(method, left.measures, left.marks)!.score).toBe(first);
        }),
        { numRuns: 10 },
      );
    });
  },
);
