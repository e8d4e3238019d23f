import { ROUNDING, TOLERANCE } from '@/core/units/tolerance';
import { standsOpen } from './hollow';
import { type ContactGrade, MATCHED } from './contact-grade';
import { percent } from '@/core/units/percent';
import type { PlainCause } from './low-contact';
import { FACE_GAP_LIMIT } from './limits';
import type { WedgeContact, WedgeUnion } from './wedge-contact';

/** Below this share a wedge meets the green line nowhere that matters. */
export const WEDGE_FATAL = 0.05;

/** Grade of a cleft or a top wedge: good from 0.6, fatal under 0.05. */
export function wedgeGrade(union: WedgeUnion, result: WedgeContact, matched = MATCHED): ContactGrade {
  const { contact, left, right } = result;
  const share = percent(contact);
  const where = left === null || right === null ? 'along the wedge' : edgesMet(left, right, matched);
  if (contact >= matched - ROUNDING)
    return {
      grade: 'good',
      words: `${where}, ${share}`,
      cause: contact > 1 - TOLERANCE ? null : { code: whyLow(union) },
    };
  if (contact < WEDGE_FATAL)
    return {
      grade: 'fatal',
      words: contact > 0.005 ? `barely anywhere, ${share}` : 'nowhere',
      cause: { code: whyLow(union) },
    };
  return {
    grade: 'poor',
    words: left === null ? `part of the wedge, ${share}` : `${where}, ${share}`,
    cause: { code: whyLow(union) },
  };
}

function edgesMet(outer: number, inner: number, matched: number): string {
  if (outer >= matched && inner >= matched) return 'both edges';
  if (outer >= matched) return 'outer edge only';
  if (inner >= matched) return 'inner edge only';
  return 'parts of the edges';
}

function whyLow({ stockBark, scionBark, inset, tilt, hollow, faceGapLimit = FACE_GAP_LIMIT }: WedgeUnion): PlainCause {
  if (standsOpen(hollow, faceGapLimit)) return 'wedge-hollow';
  const atRim = inset + scionBark - stockBark;
  if (Math.abs(tilt) > 0.2 && Math.abs(atRim) > 0.5) return 'wedge-crosses';
  if (Math.abs(tilt) > 0.2) return 'wedge-leans';
  if (Math.abs(atRim) > 0.5 && Math.abs(inset) < 0.05) return 'outsides-flush';
  if (atRim > 0.5) return 'too-far-in';
  if (atRim < -0.5) return 'too-far-out';
  if (hollow > 0) return 'open-middle';
  return 'slightly-apart';
}
