import type { SchoolSubject } from '@/core/methods/school';

/** What questions are about, in the order of the work. */
export const SCHOOL_SUBJECTS: readonly [SchoolSubject, string][] = [
  ['wood', 'Wood'],
  ['cut', 'The cut'],
  ['cover', 'Binding and cover'],
  ['aftercare', 'Afterwards'],
];
