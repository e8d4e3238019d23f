import { type ContactGrade, MATCHED, percent } from './contact-grade';
import { BRIDGING_DISTANCE } from './limits';
import type { LaidFace, LaidFaceContact } from './laid-face-contact';

/**
 * Grade of a face laid on bared wood. Low contact is poor at most: callus forms all over the bared
 * wood, so geometry alone does not kill it.
 */
export function laidFaceGrade(face: LaidFace, result: LaidFaceContact, matched = MATCHED): ContactGrade {
  const { contact, flankGaps } = result;
  const bridging = face.bridging ?? BRIDGING_DISTANCE;
  const flanks = flankGaps ? [flankGaps.left, flankGaps.right].filter((gap) => gap <= bridging + 1e-6).length : null;
  const edges = result.runs.some(({ line }) => line.startsWith('edge'));
  const where =
    flanks === null
      ? edges
        ? 'both edges'
        : 'on callus only'
      : `${edges ? 'face' : 'face off the wood'}, ${flanks === 2 ? 'both flanks' : flanks === 1 ? 'one flank' : 'no flank'}`;
  const reason = contact > 1 - 1e-6 ? null : whyLow(face, result, bridging);
  return { grade: contact >= matched - 1e-9 ? 'good' : 'poor', words: `${where}, ${percent(contact)}`, reason };
}

function whyLow(face: LaidFace, { standOff, flankGaps }: LaidFaceContact, bridging: number): string {
  if (standOff > bridging + 1e-6) {
    return 'The wood is rounder than the face is flat, so both edges stand off it. A slimmer scion, a shallower face, a flatter spot or a thicker stock would help.';
  }
  if (standOff + face.hollow > bridging + 1e-6)
    return 'The face is hollow, so its edges leave the wood in the middle. One straight pull would mend it.';
  if (flankGaps && Math.max(flankGaps.left, flankGaps.right) > bridging + 1e-6) {
    const both = Math.min(flankGaps.left, flankGaps.right) > bridging + 1e-6;
    return both
      ? 'The slots stand wider than the scion, so neither flank touches.'
      : 'The scion fills one side of its slot only; the other flank stands off.';
  }
  return 'The edges leave the wood in places.';
}
