import { describe, expect, it } from 'vitest';
import { type FailedBefore, failedNotices } from './failed-before';

const failed: FailedBefore = {
  lots: [
    {
      lotId: 'warm',
      variety: 'Sallow Quay',
      source: 'net loft',
      sourceId: 'tree',
      counts: '15 of 19 died, 2 of 47 beside it',
    },
  ],
  pairs: [{ variety: 'Mist Ferry', stockType: 'Reedmoor quince', counts: '9 of 11 died, 6 of 55 beside it' }],
  days: [{ date: '2024-05-04', name: 'noon of 4 May 2024', counts: '15 of 24 died' }],
};
const use = (
  id: string,
  variety: string,
  source: string,
  stockType = 'Tarn seedling',
  sourceId: string | null = null,
) =>
  failedNotices(failed, { lots: [{ id, variety, source, sourceId }], stocks: [{ stockType }] }).map(({ says }) => says);

describe('what failed before', () => {
  it('is said of an hour only when the same time of the year comes again', () => {
    const on = (date: string) => failedNotices(failed, { lots: [], stocks: [], date }).map(({ says }) => says);
    expect(on('2027-04-24')).toEqual(['Noon of 4 May 2024 failed: 15 of 24 died.']);
    expect(on('2027-08-14')).toEqual([]);
    expect(failedNotices(failed, { lots: [], stocks: [] })).toEqual([]);
  });
  it('is said of the very lot, and of later wood of the same variety and source', () => {
    expect(use('warm', 'Sallow Quay', 'net loft')).toEqual([
      'This lot of Sallow Quay failed: 15 of 19 died, 2 of 47 beside it.',
    ]);
    expect(use('new', 'sallow  quay', 'Net loft')[0]).toContain('failed in an earlier lot');
    expect(use('new', 'Sallow Quay', 'chapel wall')).toEqual([]);
    // A tree that is known by itself is told by it, whatever was written beside.
    expect(use('new', 'Sallow Quay', '', 'Tarn seedling', 'tree')).toHaveLength(1);
    expect(use('new', 'Sallow Quay', 'net loft', 'Tarn seedling', 'another tree')).toEqual([]);
    expect(use('new', 'Bell Shallows', 'net loft')).toEqual([]);
  });
  it('is said of a pair only where both are to be used', () => {
    expect(use('new', 'Mist Ferry', 'row 5', 'Reedmoor quince')[0]).toContain(
      'Mist Ferry on Reedmoor quince failed before',
    );
    expect(use('new', 'Mist Ferry', 'row 5')).toEqual([]);
  });
});
