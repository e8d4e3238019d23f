import { ROUNDING, TOLERANCE } from '@/core/units/tolerance';
import { type ContactGrade, MATCHED } from './contact-grade';
import { percent } from '@/core/units/percent';
import type { LowContact, PlainCause } from './low-contact';
import { BRIDGING_DISTANCE } from './limits';
import type { LaidFace, LaidFaceContact } from './laid-face-contact';

/**
 * Grade of a face laid on bared wood. Low contact is poor at most: callus forms all over the bared
 * wood, so geometry alone does not kill it.
 */
export function laidFaceGrade(face: LaidFace, result: LaidFaceContact, matched = MATCHED): ContactGrade {
  const { contact, flankGaps } = result;
  const bridging = face.bridging ?? BRIDGING_DISTANCE;
  const flanks = flankGaps
    ? [flankGaps.left, flankGaps.right].filter((gap) => gap <= bridging + TOLERANCE).length
    : null;
  const edges = result.runs.some(({ line }) => line.startsWith('edge'));
  const where =
    flanks === null
      ? edges
        ? 'both edges'
        : 'on callus only'
      : `${edges ? 'face' : 'face off the wood'}, ${flanks === 2 ? 'both flanks' : flanks === 1 ? 'one flank' : 'no flank'}`;
  const cause: LowContact | null = contact > 1 - TOLERANCE ? null : { code: whyLow(face, result, bridging) };
  return { grade: contact >= matched - ROUNDING ? 'good' : 'poor', words: `${where}, ${percent(contact)}`, cause };
}

function whyLow(face: LaidFace, { standOff, flankGaps }: LaidFaceContact, bridging: number): PlainCause {
  if (standOff > bridging + TOLERANCE) {
    return 'wood-round';
  }
  if (standOff + face.hollow > bridging + TOLERANCE) return 'face-hollow';
  if (flankGaps && Math.max(flankGaps.left, flankGaps.right) > bridging + TOLERANCE) {
    const both = Math.min(flankGaps.left, flankGaps.right) > bridging + TOLERANCE;
    return both ? 'slots-wide' : 'one-flank';
  }
  return 'edges-leave';
}
