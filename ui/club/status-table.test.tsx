import { describe, expect, it } from 'vitest';
import type { ServerStatus } from '@/core/club/server-status';
import { rendered } from '@/ui/testing/rendered';
import { StatusTable } from './status-table';

const at = new Date('2027-03-06T10:00:00Z');
const WELL: ServerStatus = {
  now: at,
  startedAt: new Date('2027-03-01T10:00:00Z'),
  mail: { lastRead: at, lastWritten: at, waiting: 0, unread: 0, nobodys: 0, lastAsked: at },
  backup: { file: 'pear-bench-1.tar.gz', at: '2027-03-06T03:00:00Z', bytes: 2_000_000, rows: 900, letters: 12 },
  drill: { at: '2027-01-06T03:00:00Z', file: 'pear-bench-0.tar.gz', rows: 800 },
  drillDue: false,
  longestPause: 40,
  faults: [],
  disk: { free: 40e9, all: 80e9, short: false },
  memory: { used: 300e6, free: 2e9, all: 4e9 },
};
const checks = (changes: Partial<ServerStatus>): number =>
  rendered(<StatusTable status={{ ...WELL, ...changes }} />).html.match(/> Check</g)?.length ?? 0;

describe('the status of a server', () => {
  it('asks for nothing where all is well', () => {
    expect(checks({})).toBe(0);
  });
  it.each<[string, Partial<ServerStatus>]>([
    ['a backup of three days ago', { backup: { ...WELL.backup!, at: '2027-03-03T03:00:00Z' } }],
    ['no backup on a server of days', { backup: null }],
    ['a practice that is due', { drillDue: true }],
    ['letters to look at', { mail: { ...WELL.mail, unread: 2 } }],
    ['letters that wait', { mail: { ...WELL.mail, waiting: 1 } }],
    ['a fault', { faults: [{ what: 'The page /week could not be shown', times: 2, last: at }] }],
    ['a long pause', { longestPause: 1500 }],
    ['a full disk', { disk: { free: 1e8, all: 80e9, short: true } }],
  ])('points out %s', (_words, changes) => {
    expect(checks(changes)).toBe(1);
  });
  it('waits for the first night of a new server', () => {
    expect(checks({ backup: null, startedAt: new Date('2027-03-06T09:00:00Z'), drill: null, drillDue: true })).toBe(0);
  });
});
