import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';

/** Standard deviations to either side that hold 90 and 95 % of a normal distribution. */
export const Z90 = normalQuantile(0.95, 0, 1);
export const Z95 = normalQuantile(0.975, 0, 1);
