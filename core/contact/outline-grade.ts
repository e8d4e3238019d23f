import { type ContactGrade, MATCHED, percent } from './contact-grade';
import { standsOpen } from './hollow';
import { FACE_GAP_LIMIT } from './limits';
import type { OutlineUnion, OutlineUnionContact } from './outline-union';

/** From this share on a side touches at all. */
export const SIDE_TOUCHING = 0.1;

/**
 * Grade of a union of two outlines: good when both sides match, poor when one does or a side
 * touches at all, fatal when neither does, whatever the ends add.
 */
export function outlineGrade(union: OutlineUnion, result: OutlineUnionContact, matched = MATCHED): ContactGrade {
  const { left, right, contact } = result;
  const share = percent(contact);
  const sides = [left, right].filter((share) => share >= matched - 1e-9).length;
  if (sides === 2) return { grade: 'good', words: `both sides, ${share}`, reason: null };
  const reason = whyLow(union, result);
  if (sides === 1) return { grade: 'poor', words: `${left > right ? 'left' : 'right'} side only, ${share}`, reason };
  if (Math.max(left, right) >= SIDE_TOUCHING - 1e-9) {
    const crossing = left >= SIDE_TOUCHING && right >= SIDE_TOUCHING;
    return {
      grade: 'poor',
      words: `${crossing ? 'parts of both sides' : `part of the ${left > right ? 'left' : 'right'} side`}, ${share}`,
      reason,
    };
  }
  return { grade: 'fatal', words: contact > 0.005 ? `ends only, ${share}` : 'nowhere', reason };
}

function whyLow(
  { stock, scion, e, z, phi, faceGapLimit = FACE_GAP_LIMIT }: OutlineUnion,
  result: OutlineUnionContact,
): string {
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
  if (Math.abs(e) > Math.abs(inset) + 0.5)
    return 'The scion is pushed too far to one side; its line runs off the stock.';
  if (Math.abs(phi) >= 2) return 'The scion is turned, so the lines cross instead of lying on each other.';
  if (Math.abs(z) > 1)
    return `The scion sits too ${z > 0 ? 'high' : 'low'}, so the curves of the ends miss each other.`;
  if (Math.abs(stock.length - scion.length) > 0.1 * Math.max(stock.length, scion.length)) {
    return 'The two cuts differ in length, so the outlines part at the ends.';
  }
  if (summed > 0) return 'The faces do not close in the middle.';
  if (Math.abs(inset) > 0.5)
    return 'The pieces differ in thickness under the bark, so one side is all this pair can match.';
  return 'The lines lie a little apart.';
}
