import { type ContactGrade, percent } from './contact-grade';
import type { PatchContact, PatchUnion } from './patch-contact';

/** Grade of a patch: both ends touch, one does, or none. */
export function patchGrade(union: PatchUnion, { contact, gaps }: PatchContact): ContactGrade {
  if (contact === 1) return { grade: 'good', words: `top and bottom, ${percent(1)}`, reason: null };
  const wide = Math.max(gaps.top, gaps.bottom).toFixed(1);
  if (contact === 0)
    return {
      grade: 'fatal',
      words: 'neither end',
      reason: `The window is too tall for the patch: both ends stand ${wide} mm off.`,
    };
  const open = gaps.top > gaps.bottom ? 'top' : 'bottom';
  return {
    grade: 'poor',
    words: `${open === 'top' ? 'bottom' : 'top'} only, ${percent(contact)}`,
    reason: `The ${open} edge stands ${wide} mm off; the window is taller than the patch.`,
  };
}
