import type { Grade } from '../scoring/grade';
import { standsOpen } from './hollow';
import { FACE_GAP_LIMIT, type WhipContact, type WhipUnion } from './whip-contact';

/** A side counts as matched from this share on, and as touching at all from the lower one. */
export const SIDE_MATCHED = 0.6;
export const SIDE_TOUCHING = 0.1;

export interface ContactGrade {
  grade: Grade;
  /** In a few words, to stand beside the drawing: "left side only, 53 %". */
  words: string;
  /** Why it is no better, as a sentence; null when both sides match. */
  reason: string | null;
}

/**
 * Grade of a union of two outlines: good when both sides match, poor when one does or a side
 * touches at all, fatal when neither does, whatever the ends add.
 */
export function contactGrade(union: WhipUnion, result: WhipContact): ContactGrade {
  const { left, right, contact } = result;
  // A space that does not break: the figure stays with its sign.
  const percent = `${Math.round(contact * 100)}\u00a0%`;
  const matched = [left, right].filter((share) => share >= SIDE_MATCHED - 1e-9).length;
  if (matched === 2) return { grade: 'good', words: `both sides, ${percent}`, reason: null };
  const reason = whyLow(union, result);
  if (matched === 1) return { grade: 'poor', words: `${left > right ? 'left' : 'right'} side only, ${percent}`, reason };
  if (Math.max(left, right) >= SIDE_TOUCHING - 1e-9) {
    const crossing = left >= SIDE_TOUCHING && right >= SIDE_TOUCHING;
    return { grade: 'poor', words: `${crossing ? 'parts of both sides' : `part of the ${left > right ? 'left' : 'right'} side`}, ${percent}`, reason };
  }
  return { grade: 'fatal', words: contact > 0.005 ? `ends only, ${percent}` : 'nowhere', reason };
}

function whyLow({ stock, scion, e, z, phi, faceGapLimit = FACE_GAP_LIMIT }: WhipUnion, result: WhipContact): string {
  const summed = stock.hollow + scion.hollow;
  if (standsOpen(summed, faceGapLimit)) {
    const one = [stock, scion].map((face) => standsOpen(face.hollow, faceGapLimit));
    if (one[0] && !one[1]) return "The stock's face is hollow over more than half its length.";
    if (one[1] && !one[0]) return "The scion's face is hollow over more than half its length.";
    return 'Both faces are hollow; together they stand open over more than half their length.';
  }
  const inset = result.stockOutline.p - result.scionOutline.p;
  if (Math.abs(inset) > 0.5 && Math.abs(e) < Math.abs(inset) / 2) {
    return `The ${inset > 0 ? 'scion' : 'stock'} is thinner under the bark and the pieces sit centre to centre, so the lines run side by side.`;
  }
  if (Math.abs(e) > Math.abs(inset) + 0.5) return 'The scion is pushed too far to one side; its line runs off the stock.';
  if (Math.abs(phi) >= 2) return 'The scion is turned, so the lines cross instead of lying on each other.';
  if (Math.abs(z) > 1) return `The scion sits too ${z > 0 ? 'high' : 'low'}, so the curves of the ends miss each other.`;
  if (Math.abs(stock.length - scion.length) > 0.1 * Math.max(stock.length, scion.length)) {
    return 'The two cuts differ in length, so the outlines part at the ends.';
  }
  if (summed > 0) return 'The faces do not close in the middle.';
  if (Math.abs(inset) > 0.5) return 'The pieces differ in thickness under the bark, so one side is all this pair can match.';
  return 'The lines lie a little apart.';
}
