import type { InferType } from 'yup';
import type { findingsFilterInput } from './findings-filter-input';

/*
 * The filter without what checks it: pages in the browser need its names, and not all methods with them.
 */

export type FindingsFilter = InferType<typeof findingsFilterInput>;

export const EVERYTHING: FindingsFilter = {
  workshopId: null,
  method: null,
  year: null,
  lotId: null,
  siteId: null,
  personId: null,
  scoreFrom: null,
  scoreTo: null,
  milestone: null,
};

/** A filter as it stands in an address; empty where nothing is chosen. */
export function filterQuery(filter: Partial<FindingsFilter>): string {
  return Object.entries(filter)
    .filter(([, value]) => value !== null && value !== undefined)
    .map(([name, value]) => `${name}=${encodeURIComponent(String(value))}`)
    .join('&');
}
