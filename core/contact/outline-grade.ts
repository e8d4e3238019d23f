import { ROUNDING } from '@/core/units/tolerance';
import { type ContactGrade, MATCHED } from './contact-grade';
import { percent } from '@/core/units/percent';
import type { LowContact, PlainCause } from './low-contact';
import { standsOpen } from './hollow';
import { canMatchBothSides } from './reachable-sides';
import { FACE_GAP_LIMIT } from './limits';
import type { OutlineUnion, OutlineUnionContact } from './outline-union';

/** From this share on a side touches at all. */
export const SIDE_TOUCHING = 0.1;

/**
 * Grade of a union of two outlines: good when both sides match, or one where this pair can do no better; poor when one
 * does that could have had both, or a side touches at all; fatal when neither does, whatever the ends add. Where crossing
 * lines are held to be enough, parts of both sides are good.
 */
export function outlineGrade(
  union: OutlineUnion,
  result: OutlineUnionContact,
  { matched = MATCHED, crossingSuffices = false }: { matched?: number | undefined; crossingSuffices?: boolean } = {},
): ContactGrade {
  const { left, right, contact } = result;
  const share = percent(contact);
  const sides = [left, right].filter((share) => share >= matched - ROUNDING).length;
  if (sides === 2) return { grade: 'good', words: `both sides, ${share}`, cause: null };
  const cause: LowContact = { code: whyLow(union, result) };
  if (sides === 1) {
    const side = left > right ? 'left' : 'right';
    return canMatchBothSides(union, matched)
      ? { grade: 'poor', words: `${side} side only, ${share}`, cause }
      : { grade: 'good', words: `${side} side, as the pair allows, ${share}`, cause: null };
  }
  if (Math.max(left, right) >= SIDE_TOUCHING - ROUNDING) {
    const crossing = left >= SIDE_TOUCHING - ROUNDING && right >= SIDE_TOUCHING - ROUNDING;
    if (crossing && crossingSuffices) return { grade: 'good', words: `the lines cross, ${share}`, cause: null };
    return {
      grade: 'poor',
      words: `${crossing ? 'parts of both sides' : `part of the ${left > right ? 'left' : 'right'} side`}, ${share}`,
      cause,
    };
  }
  return { grade: 'fatal', words: contact > 0.005 ? `ends only, ${share}` : 'nowhere', cause };
}

function whyLow(
  { stock, scion, e, z, phi, faceGapLimit = FACE_GAP_LIMIT }: OutlineUnion,
  result: OutlineUnionContact,
): PlainCause {
  const summed = stock.hollow + scion.hollow;
  if (standsOpen(summed, faceGapLimit)) {
    const open = [stock, scion].map((face) => standsOpen(face.hollow, faceGapLimit));
    if (open[0] && !open[1]) return 'stock-hollow';
    if (open[1] && !open[0]) return 'scion-hollow';
    return 'faces-hollow';
  }
  const inset = result.stockOutline.p - result.scionOutline.p;
  if (Math.abs(inset) > 0.5 && Math.abs(e) < Math.abs(inset) / 2) {
    return inset > 0 ? 'scion-thinner' : 'stock-thinner';
  }
  if (Math.abs(e) > Math.abs(inset) + 0.5) return 'too-far-aside';
  if (Math.abs(phi) >= 2) return 'turned';
  if (Math.abs(z) > 1) return z > 0 ? 'too-high' : 'too-low';
  if (Math.abs(stock.length - scion.length) > 0.1 * Math.max(stock.length, scion.length)) {
    return 'lengths-differ';
  }
  if (summed > 0) return 'open-middle';
  if (Math.abs(inset) > 0.5) return 'unequal-wood';
  return 'slightly-apart';
}
