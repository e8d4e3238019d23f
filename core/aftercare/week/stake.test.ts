import { describe, expect, it } from 'vitest';
import { METHODS } from '../../methods/registry';
import { written } from '../../units/prose';
import { planBasis } from '../plan/made-union';
import { overdueLots, stakeOf } from './stake';
import type { WeekGroup } from './week-group';

const group = (task: string, changes: Partial<WeekGroup> = {}): WeekGroup => ({
  key: task,
  task,
  name: task,
  missed: '',
  alarm: false,
  movedBy: 0,
  from: '2027-05-01',
  to: '2027-05-10',
  latest: null,
  late: true,
  plants: [{ unionId: 'u', code: 'K7M4XQ', called: 'K7M 4XQ', occurrence: 0, place: '' }],
  minutes: 1,
  workshopId: 'w',
  workshop: 'Bench day',
  siteId: 's',
  site: 'Shed',
  variety: 'Grey Heron',
  method: 'Whip-and-tongue',
  ...changes,
});

describe('what is at stake', () => {
  it('is the graft wherever a task says that it girdles, dies, is starved or choked', () => {
    const deadly = /girdle|dies|starve|choke|cook|dries|rot|outcompete|strangle|cambium/i;
    for (const method of METHODS)
      for (const { id: variant } of method.variants)
        for (const { id, missed } of planBasis({
          method: method.id,
          variant,
          schools: {},
          species: 'pear',
          materials: [],
          madeOn: '2027-03-06',
        }).aftercare)
          if (missed !== null && deadly.test(written(missed, 'mm')) && !['water', 'label'].includes(id))
            expect([id, stakeOf(id)]).toEqual([id, 'life']);
  });
  it('puts the lots first whose grafts may die, and leaves out what is not late or an alarm', () => {
    const lots = overdueLots([
      group('first-crop', { variety: 'Lantern Bay' }),
      group('tie-up'),
      group('binding-off'),
      group('suckers', { late: false }),
      group('foil-off', { alarm: true }),
    ]);
    expect(lots.map(({ lot, stake, groups }) => [lot.variety, stake, groups.map(({ task }) => task)])).toEqual([
      ['Grey Heron', 'life', ['binding-off', 'tie-up']],
      ['Lantern Bay', 'lesser', ['first-crop']],
    ]);
  });
});
