import { TOLERANCE } from '@/core/units/tolerance';
import { closedStretches } from './closed-stretches';
import { InputError } from './input-error';
import { intersect, totalLength, type Interval } from './intervals';
import { BRIDGING_DISTANCE, FACE_GAP_LIMIT } from './limits';
import { requireFigures, requirePositive, requireWood } from './require-figures';
import type { LineRun, UnionContact } from './union-contact';

/** Version of this model, kept with every judgement computed by it. */
export const WEDGE_MODEL = 'wedge-1';

/** More tilt than this, degrees, and the wedge no longer stands in the split. */
export const MOST_TILT = 10;

/** A two-faced wedge in a split. mm and degrees. */
export interface WedgeUnion {
  /** Bark of stock and scion to the inner edge of the green. */
  stockBark: number;
  scionBark: number;
  /** How far the wedge's outer edge stands inwards from the stock's outer surface; negative sticks out. */
  inset: number;
  /** Foot leaning inwards. */
  tilt: number;
  /** Length of the wedge's faces. */
  length: number;
  /** Summed gap of wedge and split at mid-length. */
  hollow: number;
  stockDiameter?: number;
  scionDiameter?: number;
  /** Depth of the split, when somebody measured it. */
  split?: number;
  bridging?: number;
  faceGapLimit?: number;
}

const NAMES = {
  stockBark: "the stock's bark",
  scionBark: "the scion's bark",
  inset: 'how far the wedge is set in',
  tilt: 'the tilt',
  length: 'the length of the wedge',
  hollow: 'the gap of the faces',
  stockDiameter: "the stock's diameter",
  scionDiameter: "the scion's diameter",
  split: 'the depth of the split',
  bridging: 'the bridging distance',
  faceGapLimit: 'the face gap limit',
};

export type WedgeContact = UnionContact;

/**
 * Contact of a cleft: the outer edge of the wedge against the stock's green line.
 *
 * At depth x below the rim the lines are inset + b_scion - b_stock + x * tan(tilt) apart; they touch
 * within the bridging distance where the faces close.
 *
 * @throws InputError when a measure is one no union can have.
 * @example cleftContact({ stockBark: 2, scionBark: 0.8, inset: 0, tilt: 2.5, length: 30, hollow: 0 }).contact // 0.466
 */
export function cleftContact(union: WedgeUnion): WedgeContact {
  check(union);
  const outer = edge(union, union.inset + union.scionBark - union.stockBark, 1);
  return {
    contact: totalLength(outer) / union.length,
    touching: totalLength(outer),
    whole: union.length,
    left: null,
    right: null,
    runs: runsOf('outer', outer),
    ring: outer.flatMap((run) => [arcAt(run, union.length, 'right'), arcAt(run, union.length, 'left')]),
    warning:
      union.inset < -TOLERANCE
        ? 'The wedge stands out beyond the stock; binding cannot press on its bark and the stock alike.'
        : null,
  };
}

/**
 * Contact of a top wedge: the mean of its outer and its inner edge, since scion and stock are of
 * like thickness and can match on both. `left` is the outer edge, `right` the inner one.
 *
 * @throws InputError when a measure is one no union can have, or a diameter is missing.
 * @example topWedgeContact({ stockDiameter: 8, scionDiameter: 7.6, stockBark: 0.8, scionBark: 0.7, inset: 0.2, tilt: 0, length: 19, hollow: 0 }).contact // 1
 */
export function topWedgeContact(union: WedgeUnion): WedgeContact {
  const { stockDiameter, scionDiameter } = union;
  requireFigures({ stockDiameter, scionDiameter }, NAMES, []);
  check(union);
  const inner0 = stockDiameter! - scionDiameter! - union.inset + union.scionBark - union.stockBark;
  const outer = edge(union, union.inset + union.scionBark - union.stockBark, 1);
  const inner = edge(union, inner0, -1);
  const touching = totalLength(outer) + totalLength(inner);
  return {
    contact: touching / (2 * union.length),
    touching,
    whole: 2 * union.length,
    left: totalLength(outer) / union.length,
    right: totalLength(inner) / union.length,
    runs: [...runsOf('outer', outer), ...runsOf('inner', inner)],
    ring: [
      ...outer.map((run) => arcAt(run, union.length, 'left')),
      ...inner.map((run) => arcAt(run, union.length, 'right')),
    ],
    warning: null,
  };
}

function check(union: WedgeUnion): void {
  const {
    stockDiameter,
    scionDiameter,
    split,
    bridging = BRIDGING_DISTANCE,
    faceGapLimit = FACE_GAP_LIMIT,
    ...rest
  } = union;
  const lengths = Object.fromEntries(
    Object.entries({ stockDiameter, scionDiameter, split }).filter(([, value]) => value !== undefined),
  );
  requireFigures({ ...rest, ...lengths, bridging, faceGapLimit }, NAMES, [
    'stockBark',
    'scionBark',
    'hollow',
    'bridging',
    'faceGapLimit',
  ]);
  requirePositive('length', NAMES.length, union.length);
  if (stockDiameter !== undefined) requireWood('stockBark', 'stock', union.stockBark, stockDiameter);
  if (scionDiameter !== undefined) {
    requireWood('scionBark', 'scion', union.scionBark, scionDiameter);
    if (union.inset <= -scionDiameter)
      throw new InputError(
        'inset',
        'The wedge stands out by its whole thickness, so it is not in the split. Check how far it was set.',
      );
  }
  if (Math.abs(union.tilt) > MOST_TILT)
    throw new InputError('tilt', `A wedge cannot lean by more than ${MOST_TILT}° in its split. Check the tilt.`);
  if (split !== undefined && union.length > split + TOLERANCE) {
    throw new InputError(
      'length',
      'The wedge is longer than its split, so it cannot go in. Shorten the wedge or deepen the split.',
    );
  }
}

/** Stretches of one edge that touch, by depth below the rim. */
function edge(union: WedgeUnion, atRim: number, direction: 1 | -1): Interval[] {
  const { length, hollow, bridging = BRIDGING_DISTANCE, faceGapLimit = FACE_GAP_LIMIT } = union;
  const slope = direction * Math.tan((union.tilt * Math.PI) / 180);
  let near: Interval[];
  if (Math.abs(slope) < 1e-12) near = Math.abs(atRim) <= bridging + TOLERANCE ? [{ from: 0, to: length }] : [];
  else {
    const ends = [(-bridging - TOLERANCE - atRim) / slope, (bridging + TOLERANCE - atRim) / slope].sort(
      (a, b) => a - b,
    );
    near = intersect([{ from: 0, to: length }], [{ from: ends[0]!, to: ends[1]! }]);
  }
  return intersect(near, closedStretches(hollow, faceGapLimit, length));
}

function runsOf(line: string, intervals: Interval[]): LineRun[] {
  return intervals.map(({ from, to }) => ({ line, from, to, length: to - from }));
}

/** A stretch of an edge as an arc of the ring, rim at the top, on one side. */
export function arcAt({ from, to }: Interval, length: number, side: 'left' | 'right'): Interval {
  const angle = (x: number): number => Math.asin(Math.max(-1, Math.min(1, 1 - (2 * x) / length)));
  const high = angle(from);
  const low = angle(to);
  return side === 'right' ? { from: low, to: high } : { from: Math.PI - high, to: Math.PI - low };
}
