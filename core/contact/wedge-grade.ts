import { standsOpen } from './hollow';
import { type ContactGrade, MATCHED, percent } from './contact-grade';
import { FACE_GAP_LIMIT } from './limits';
import type { WedgeContact, WedgeUnion } from './wedge-contact';

/** Below this share a wedge meets the green line nowhere that matters. */
export const WEDGE_FATAL = 0.05;

/** Grade of a cleft or a top wedge: good from 0.6, fatal under 0.05. */
export function wedgeGrade(union: WedgeUnion, result: WedgeContact, matched = MATCHED): ContactGrade {
  const { contact, left, right } = result;
  const share = percent(contact);
  const where = left === null || right === null ? 'along the wedge' : edgesMet(left, right, matched);
  if (contact >= matched - 1e-9)
    return { grade: 'good', words: `${where}, ${share}`, reason: contact > 1 - 1e-6 ? null : whyLow(union) };
  if (contact < WEDGE_FATAL)
    return { grade: 'fatal', words: contact > 0.005 ? `barely anywhere, ${share}` : 'nowhere', reason: whyLow(union) };
  return {
    grade: 'poor',
    words: left === null ? `part of the wedge, ${share}` : `${where}, ${share}`,
    reason: whyLow(union),
  };
}

function edgesMet(outer: number, inner: number, matched: number): string {
  if (outer >= matched && inner >= matched) return 'both edges';
  if (outer >= matched) return 'outer edge only';
  if (inner >= matched) return 'inner edge only';
  return 'parts of the edges';
}

function whyLow({ stockBark, scionBark, inset, tilt, hollow, faceGapLimit = FACE_GAP_LIMIT }: WedgeUnion): string {
  if (standsOpen(hollow, faceGapLimit))
    return 'The faces of wedge and split stand open over more than half their length.';
  const atRim = inset + scionBark - stockBark;
  if (Math.abs(tilt) > 0.2 && Math.abs(atRim) > 0.5)
    return 'The wedge leans, so its line crosses the stock’s once and parts from it again.';
  if (Math.abs(tilt) > 0.2) return 'The wedge leans, so the lines meet at the rim and part further down.';
  if (Math.abs(atRim) > 0.5 && Math.abs(inset) < 0.05)
    return 'The outsides are flush, and the stock’s bark is thicker: the green lines run side by side.';
  if (atRim > 0.5) return 'The wedge stands too far in; its green line lies inside the stock’s.';
  if (atRim < -0.5) return 'The wedge stands too far out; its green line lies in the stock’s bark.';
  if (hollow > 0) return 'The faces do not close in the middle.';
  return 'The lines lie a little apart.';
}
