import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { agreementOf, type BlindJudgement } from './agreement';
import { drift } from './drift';
import { krippendorffAlpha } from './krippendorff-alpha';
import { limitsOfAgreement } from './limits-of-agreement';
import { studentQuantile } from '../../statistics/student-quantile';
import { weightedKappa } from './weighted-kappa';
import { whatToRecalibrate } from './what-to-recalibrate';

describe('weightedKappa', () => {
  it('follows a table reckoned by hand', () => {
    // Rows first, columns second: [[5,2,0],[1,4,1],[0,2,5]], 20 unions.
    const table = [
      [5, 2, 0],
      [1, 4, 1],
      [0, 2, 5],
    ];
    const pairs = table.flatMap((row, a) =>
      row.flatMap((count, b) => Array.from({ length: count }, (): [number, number] => [a, b])),
    );
    // Seen: 2+1+1+2 = 6. Margins 7,6,7 and 6,8,6: by chance (7*8 + 7*6*4 + 6*6 + 6*6 + 7*6*4 + 7*8)/20 = 26.
    expect(weightedKappa(pairs, 3)).toBeCloseTo(1 - 6 / 26, 10);
  });
  it('is 1 when all agree, 0 when one graded blindly, and null when it says nothing', () => {
    expect(
      weightedKappa(
        [
          [0, 0],
          [1, 1],
          [2, 2],
        ],
        3,
      ),
    ).toBe(1);
    expect(
      weightedKappa(
        [
          [0, 0],
          [0, 1],
          [1, 0],
          [1, 1],
        ],
        2,
      ),
    ).toBe(0);
    expect(
      weightedKappa(
        [
          [0, 0],
          [0, 0],
        ],
        3,
      ),
    ).toBeNull();
    expect(weightedKappa([], 3)).toBeNull();
  });
  it('never passes 1, and does not mind who is first', () => {
    const grade = fc.nat(2);
    fc.assert(
      fc.property(fc.array(fc.tuple(grade, grade), { minLength: 1 }), (pairs) => {
        const kappa = weightedKappa(pairs, 3);
        if (kappa === null) return;
        expect(kappa).toBeLessThanOrEqual(1 + 1e-12);
        expect(
          weightedKappa(
            pairs.map(([a, b]) => [b, a]),
            3,
          ),
        ).toBeCloseTo(kappa, 10);
      }),
    );
    expect(() => weightedKappa([[0, 3]], 3)).toThrow(RangeError);
  });
});

describe('krippendorffAlpha', () => {
  // Krippendorff 2011, four observers and twelve units with missing values; printed: ordinal .815, interval .849.
  const _ = null;
  const OBSERVERS = [
    [1, 2, 3, 3, 2, 1, 4, 1, 2, _, _, _],
    [1, 2, 3, 3, 2, 2, 4, 1, 2, 5, _, 3],
    [_, 3, 3, 3, 2, 3, 4, 2, 2, 5, 1, _],
    [1, 2, 3, 3, 2, 4, 4, 1, 2, 5, 1, _],
  ];
  const units = OBSERVERS[0]!.map((_value, i) => OBSERVERS.flatMap((observer) => observer[i] ?? []));
  it('gives the printed figures', () => {
    expect(krippendorffAlpha(units, 'ordinal')).toBeCloseTo(0.815, 3);
    expect(krippendorffAlpha(units, 'interval')).toBeCloseTo(0.849, 3);
  });
  it('leaves out units only one has seen, and is null when there is nothing to compare', () => {
    expect(krippendorffAlpha([...units, [4], []], 'interval')).toBeCloseTo(krippendorffAlpha(units, 'interval')!, 12);
    expect(krippendorffAlpha([[1], [2]], 'ordinal')).toBeNull();
    expect(
      krippendorffAlpha(
        [
          [2, 2],
          [2, 2],
        ],
        'ordinal',
      ),
    ).toBeNull();
  });
  it('is what its definition says, pair by pair', () => {
    /** Of every ordered pair of judgements, as the paper defines it; far too slow for a club. */
    const byPairs = (all: number[][], difference: (a: number, b: number) => number): number | null => {
      const paired = all.filter(({ length }) => length > 1);
      const flat = paired.flat();
      const sum = (list: number[], over: number): number =>
        list.reduce(
          (total, a, i) => total + list.reduce((inner, b, k) => inner + (i === k ? 0 : difference(a, b)), 0),
          0,
        ) / over;
      const expected = sum(flat, flat.length - 1);
      return flat.length === 0 || expected === 0
        ? null
        : 1 - paired.reduce((total, unit) => total + sum(unit, unit.length - 1), 0) / expected;
    };
    const grades = fc.array(fc.array(fc.nat(3), { maxLength: 4 }), { maxLength: 12 });
    fc.assert(
      fc.property(grades, (all) => {
        const flat = all.filter(({ length }) => length > 1).flat();
        const ordinal = (a: number, b: number): number => {
          const [low, high] = [Math.min(a, b), Math.max(a, b)];
          const count = (value: number): number => flat.filter((grade) => grade === value).length;
          const between = [...new Set(flat)]
            .filter((value) => value >= low && value <= high)
            .reduce((total, value) => total + count(value), 0);
          return (between - (count(low) + count(high)) / 2) ** 2;
        };
        for (const [metric, difference] of [
          ['interval', (a: number, b: number) => (a - b) ** 2],
          ['ordinal', ordinal],
        ] as const) {
          const [fast, slow] = [krippendorffAlpha(all, metric), byPairs(all, difference)];
          if (slow === null) expect(fast).toBeNull();
          else expect(fast!).toBeCloseTo(slow, 9);
        }
      }),
    );
  });
  it('does not change when scores are shifted and stretched', () => {
    const values = fc.array(fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 2, maxLength: 3 }), {
      minLength: 2,
      maxLength: 8,
    });
    fc.assert(
      fc.property(values, (all) => {
        const alpha = krippendorffAlpha(all, 'interval');
        const moved = krippendorffAlpha(
          all.map((unit) => unit.map((value) => 3 * value + 7)),
          'interval',
        );
        if (alpha === null) expect(moved).toBeNull();
        else expect(moved).toBeCloseTo(alpha, 8);
      }),
    );
  });
});

describe('studentQuantile', () => {
  it.each([
    [1, 12.706],
    [2, 4.303],
    [3, 3.182],
    [4, 2.776],
    [5, 2.571],
    [9, 2.262],
    [10, 2.228],
    [29, 2.045],
    [120, 1.98],
  ])('agrees with the printed table at %i degrees of freedom', (freedom, printed) => {
    expect(Math.abs(studentQuantile(freedom) - printed) / printed).toBeLessThan(0.01);
  });
});

describe('limitsOfAgreement', () => {
  it('follows an example by hand', () => {
    // Differences 10, 6, 8, 12, 4: mean 8, sd sqrt(40/4) = 3.1623.
    const result = limitsOfAgreement([
      [80, 70],
      [60, 54],
      [90, 82],
      [75, 63],
      [50, 46],
    ])!;
    expect(result.mean).toBe(8);
    expect(result.limits!.from).toBeCloseTo(8 - 1.959964 * Math.sqrt(10), 6);
    expect(result.interval!.to).toBeCloseTo(8 + 2.776 * Math.sqrt(2), 1);
  });
  it('gives no interval from one union, nothing from none', () => {
    expect(limitsOfAgreement([[70, 60]])).toEqual({ n: 1, mean: 10, interval: null, limits: null });
    expect(limitsOfAgreement([])).toBeNull();
  });
});

describe('drift', () => {
  it('is the slope over the hours, with its interval', () => {
    const steady = drift([0, 1, 2, 3, 4].map((hours) => ({ hours, difference: 2 * hours - 1 })))!;
    expect(steady.perHour).toBeCloseTo(2, 10);
    expect(steady.interval.to - steady.interval.from).toBeCloseTo(0, 8);
    const rough = drift([0, 1, 2, 3].map((hours, i) => ({ hours, difference: [0, 3, 1, 4][i]! })))!;
    // By hand: slope (−1.5·−2 + −.5·1 + .5·−1 + 1.5·2)/5 = 1; rest 5, s² 2.5, error sqrt(2.5/5).
    expect(rough.perHour).toBeCloseTo(1, 10);
    expect(rough.interval.to).toBeCloseTo(1 + 4.30265273 * Math.sqrt(0.5), 6);
  });
  it('says nothing of few unions or of one moment', () => {
    expect(
      drift([
        { hours: 0, difference: 1 },
        { hours: 1, difference: 2 },
      ]),
    ).toBeNull();
    expect(drift(Array.from({ length: 6 }, () => ({ hours: 2, difference: 1 })))).toBeNull();
  });
});

describe('agreementOf', () => {
  const judgement = (
    unionId: string,
    assessorId: string,
    score: number | null,
    hold: 'good' | 'poor' | 'fatal' | 'not-looked-at',
    hours = 0,
  ): BlindJudgement => ({ unionId, assessorId, score, grades: { hold }, hours });
  const both = (
    i: number,
    a: number,
    b: number,
    holds: ['good' | 'poor' | 'fatal', 'good' | 'poor' | 'fatal'],
    hours = 0,
  ): BlindJudgement[] => [
    judgement(`u${i}`, 'maren', a, holds[0], hours),
    judgement(`u${i}`, 'joss', b, holds[1], hours),
  ];

  it('compares only unions that two have scored, pair by pair and point by point', () => {
    const result = agreementOf(
      [
        ...both(1, 80, 70, ['good', 'good']),
        ...both(2, 60, 52, ['poor', 'poor']),
        judgement('u3', 'maren', 90, 'good'),
      ],
      ['hold'],
    );
    expect(result.unions).toBe(2);
    expect(result.pairs).toHaveLength(1);
    expect(result.pairs[0]).toMatchObject({
      first: 'joss',
      second: 'maren',
      n: 2,
      points: { hold: { kappa: 1, n: 2, same: 2 } },
      scores: { mean: -9 },
    });
    expect(result.alphaMarks).toBe(1);
    expect(result.alphaScores).toBeLessThan(1);
  });
  it('leaves out points somebody did not look at', () => {
    const { pairs } = agreementOf(
      [judgement('u1', 'a', 80, 'good'), judgement('u1', 'b', 80, 'not-looked-at')],
      ['hold'],
    );
    expect(pairs[0]!.points.hold).toEqual({ kappa: null, n: 0, same: 0 });
  });
  it('says in words what to look at together: a point, a steady difference, a drift', () => {
    const grades: ['good' | 'poor' | 'fatal', 'good' | 'poor' | 'fatal'][] = [
      ['good', 'poor'],
      ['poor', 'good'],
      ['good', 'poor'],
      ['poor', 'good'],
      ['good', 'good'],
      ['poor', 'good'],
      ['good', 'poor'],
      ['poor', 'poor'],
    ];
    const judgements = grades.flatMap((holds, i) => both(i, 80 + (i % 3), 71 + (i % 2), holds, i));
    const words = whatToRecalibrate(
      agreementOf(judgements, ['hold']),
      (id) => ({ maren: 'Maren', joss: 'Joss' })[id]!,
      () => 'Hold',
    ).map((remark) => remark.words);
    expect(words[0]).toMatch(/^Maren scores \d\.\d points higher than Joss/);
    expect(words.some((sentence) => /graded “Hold” differently on 6 of 8/.test(sentence))).toBe(true);
    const drifting = Array.from({ length: 8 }, (_, i) => both(i, 70 + 4 * i, 70, ['good', 'good'], i)).flat();
    expect(
      whatToRecalibrate(
        agreementOf(drifting, ['hold']),
        (id) => id,
        (id) => id,
      ).some(({ words: sentence }) => /maren grew milder by 4\.0 points an hour/.test(sentence)),
    ).toBe(true);
  });
  it('keeps quiet about few unions', () => {
    const few = Array.from({ length: 3 }, (_, i) => both(i, 90, 40, ['good', 'fatal'])).flat();
    expect(
      whatToRecalibrate(
        agreementOf(few, ['hold']),
        (id) => id,
        (id) => id,
      ),
    ).toEqual([]);
  });
});
