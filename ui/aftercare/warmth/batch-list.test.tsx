import { describe, expect, it } from 'vitest';
import type { CallusBatch, CallusView } from '@/core/aftercare/warmth/callus-view';
import type { PlaceView } from '@/core/aftercare/places/place-view';
import { rendered } from '@/ui/testing/rendered';
import { BatchList } from './batch-list';

const place = { id: 'box', name: 'Callus box' } as PlaceView;
const progress = (changes: object = {}): CallusBatch['progress'] =>
  ({ knit: 7.26, heatHours: 0, frostHours: 0, unknownHours: 0, ...changes }) as CallusBatch['progress'];
const batch = (changes: Partial<CallusBatch> = {}): CallusBatch => ({
  key: 'k',
  kin: 'pome' as CallusBatch['kin'],
  variety: 'Grey Heron',
  since: '2027-03-06',
  leftOn: null,
  plants: [
    { plantId: 'a', code: 'K7M4XQ' },
    { plantId: 'b', code: 'K7M4XR' },
  ],
  progress: progress(),
  lookOn: '2027-03-20',
  doneOn: '2027-03-24',
  soonestOn: '2027-03-22',
  latestOn: '2027-03-27',
  done: false,
  leafed: null,
  ...changes,
});
const list = (changes: Partial<CallusBatch> = {}, mayChange = true) =>
  rendered(
    <BatchList place={place} view={{ callused: 14, batches: [batch(changes)] } as CallusView} mayChange={mayChange} />,
  );

describe('a batch in a callus place', () => {
  it('says how far it has knit, and when it will be done at the pace of the last days', () => {
    const { words, html } = list();
    expect(words).toContain('2 grafts of Grey Heron since 6 Mar 2027');
    expect(words).toContain(
      '7.3 of 14 knit days. At the pace of the last days it is done on 24 Mar 2027 (22 Mar 2027 to 27 Mar 2027).',
    );
    expect(html).toContain('aria-valuenow="7.3"');
    expect(html).toContain('aria-valuemax="14"');
    // Half way is half a bar, by hand: 7.26 of 14.
    expect(Number(/width:([\d.]+)%/.exec(html)![1])).toBeCloseTo(51.86, 1);
    expect(list({ soonestOn: '2027-03-24', latestOn: '2027-03-24' }).words).toContain('done on 24 Mar 2027.');
  });
  it('says when it might stand still, and when it does', () => {
    expect(list({ latestOn: null }).words).toContain(
      '; 22 Mar 2027 at the earliest, and at its slowest of late it would stand still.',
    );
    expect(list({ doneOn: null, soonestOn: null, latestOn: null }).words).toContain(
      'It stands still: out of the band in which it knits.',
    );
  });
  it('goes the plain way where nothing was read', () => {
    const { words, html } = list({ progress: null });
    expect(words).toContain('Look at one on 20 Mar 2027.');
    expect(html).not.toContain('role="meter"');
    expect(list({ progress: null, done: true }).words).toContain('Look at one: due since 20 Mar 2027.');
  });
  it('proposes to open one when it is reckoned as callused, and moves nothing by itself', () => {
    const { words, html } = list({ done: true, progress: progress({ knit: 15 }) });
    expect(words).toContain('15 of 14 knit days: reckoned as callused. Open one to see.');
    expect(words).toContain('nothing moves by itself');
    expect(words).toContain('K7M 4XQ, K7M 4XR');
    // The bar is full and no fuller.
    expect(html).toContain('width:100%');
    expect(list().words).not.toContain('Proposed');
  });
  it('keeps hours too hot, of frost and unmeasured as what they are', () => {
    expect(list({ progress: progress({ heatHours: 3, frostHours: 2 }) }).words).toContain(
      '3 hours too hot and 2 of frost so far',
    );
    expect(list({ progress: progress({ unknownHours: 5.4 }) }).words).toContain('5 hours of it nobody measured.');
    const { words } = list({ progress: progress({ heatHours: 0.4, unknownHours: 0.5 }) });
    expect(words).not.toContain('too hot');
    expect(words).not.toContain('nobody measured');
  });
  it('says what it had when it left', () => {
    const left = { leftOn: '2027-03-21' };
    expect(list({ ...left, done: true, progress: progress({ knit: 14.2 }) }).words).toContain(
      '6 Mar 2027 to 21 Mar 2027',
    );
    expect(list(left).words).toContain('7.3 of 14 knit days when they left: fewer than are reckoned as callused.');
    expect(list({ ...left, progress: null }).words).toContain('Nothing was measured while they were here.');
    expect(list({ ...left, done: true }).words).not.toContain('Proposed');
    expect(list(left).buttons).toEqual([]);
  });
  it('that has leaves is held back until it can be planted, or potted where frost lasts longer', () => {
    const leafed = { on: '2027-03-18', until: '2027-04-01', plantBy: '2027-04-01', frostFree: '2027-03-28' };
    const out = list({ leafed } as Partial<CallusBatch>);
    expect(out.words).toContain('Leafed out, seen on 18 Mar 2027');
    expect(out.words).toContain('until 1 Apr 2027 at the longest. Plant it from 28 Mar 2027 on, by 1 Apr 2027.');
    expect(out.buttons).toEqual([]);
    const late = { ...leafed, plantBy: null, frostFree: '2027-05-10' };
    expect(list({ leafed: late } as Partial<CallusBatch>).words).toContain(
      'Frost may come until 10 May 2027, which is later: pot it up and keep it under cover until then.',
    );
  });
  it('is told to have leafed out with one tap, by whoever may', () => {
    expect(list().buttons).toEqual(['It leafed out too far']);
    expect(list({}, false).buttons).toEqual([]);
  });
});
