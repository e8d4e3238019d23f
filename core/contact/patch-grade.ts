import type { ContactGrade } from './contact-grade';
import { percent } from '@/core/units/percent';
import type { PatchContact, PatchUnion } from './patch-contact';

/** Grade of a patch: both ends touch, one does, or none. */
export function patchGrade(union: PatchUnion, { contact, gaps }: PatchContact): ContactGrade {
  if (contact === 1) return { grade: 'good', words: `top and bottom, ${percent(1)}`, cause: null };
  const off = Math.max(gaps.top, gaps.bottom);
  if (contact === 0)
    return {
      grade: 'fatal',
      words: 'neither end',
      cause: { code: 'window-tall', edge: 'both', off },
    };
  const open = gaps.top > gaps.bottom ? 'top' : 'bottom';
  return {
    grade: 'poor',
    words: `${open === 'top' ? 'bottom' : 'top'} only, ${percent(contact)}`,
    cause: { code: 'window-tall', edge: open, off },
  };
}
