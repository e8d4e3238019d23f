import { percent, percentRange } from '@/core/units/percent';

/** A share in words; a dash where there is none to speak of. */
export const shareWords = (share: number | null): string => (share === null ? '–' : percent(share));

/** The range a share lies in. */
export const range = (interval: { low: number; high: number } | null): string =>
  interval === null ? '–' : percentRange(interval);
