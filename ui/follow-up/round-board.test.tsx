import { describe, expect, it } from 'vitest';
import { rendered } from '../testing/rendered';
import { RoundBoard } from './round-board';
import type { RoundGrower, RoundOnBoard } from './round-data';

const plant = (code: string, answer: RoundGrower['plants'][number]['answer'], note = '') => ({
  unionId: code,
  code,
  place: '',
  variety: 'Grey Heron',
  ribbon: 'marsh',
  answer,
  note,
  seenOn: null,
  why: '',
  nextLookOn: null,
  due: answer === null,
});
const grower = (seatNumber: number, changes: Partial<RoundGrower> = {}): RoundGrower => ({
  seatNumber,
  personId: `p${seatNumber}`,
  name: `Person ${seatNumber}`,
  withUs: false,
  reachable: true,
  written: 0,
  openLinks: 0,
  plants: [plant(`K7M4X${seatNumber}`, null)],
  ...changes,
});
const round: RoundOnBoard = {
  id: 'r',
  milestone: 'growing',
  question: 'Is there a new shoot of 50 mm or more?',
  opensOn: '2027-05-01',
  closesOn: '2027-05-20',
  closed: false,
  sentSoFar: 0,
  growers: [grower(1), grower(2), grower(3, { reachable: false })],
};
const board = (changes: Partial<RoundOnBoard> = {}, mayChange = true, today = '2027-05-04') =>
  rendered(<RoundBoard round={{ ...round, ...changes }} mayChange={mayChange} today={today} />);

describe('a round on its board', () => {
  it('tells its time, and how much was heard', () => {
    expect(board().words).toContain('Open until 20 May 2027. Heard of 0 of 3 plants.');
    expect(board({}, true, '2027-04-20').words).toContain('Opens on 1 May 2027.');
    expect(board({ closed: true }).words).toContain('Closed on 20 May 2027.');
  });
  it('writes to those it can write to and has not heard from; once asked, it reminds', () => {
    expect(board().buttons).toContain('Write to 2');
    expect(board({ sentSoFar: 2 }).buttons).toContain('Remind 2');
    const answered = [grower(1, { plants: [plant('K7M4X1', 'yes')] }), grower(2), grower(3, { reachable: false })];
    expect(board({ sentSoFar: 2, growers: answered }).buttons).toContain('Remind 1');
    expect(board({ growers: [grower(3, { reachable: false })] }).buttons).toContain('Nobody left to write to');
    expect(board({ closed: true }).buttons.join()).not.toMatch(/Write|Remind/);
  });
  it('says each answer in words, not by its sign alone', () => {
    const said = (['yes', 'not-sure', 'dead', 'not-found', null] as const).map((answer, i) =>
      plant(`K7M4X${i}`, answer, i === 0 ? 'green tip' : ''),
    );
    const { words } = board({ growers: [grower(1, { plants: said })] });
    for (const label of ['yes. green tip', 'not sure yet', 'dead', 'cannot be found', 'not heard from'])
      expect(words).toContain(label);
  });
  it('tells how each was asked, and a link that was withdrawn', () => {
    const { words } = board({
      growers: [
        grower(1, { written: 1, openLinks: 1 }),
        grower(2, { written: 2 }),
        grower(3, { reachable: false }),
        grower(4),
      ],
    });
    expect(words).toMatch(/1 letter\s/);
    expect(words).toContain('2 letters, link withdrawn');
    expect(words).toContain('slip or phone');
    expect(words).toContain('not yet written to');
  });
  it('is looked at and not changed by viewers', () => {
    // Only the heads that sort.
    expect(board({}, false).buttons).toEqual(['Seat', 'Grower', 'Asked by', 'Plants']);
  });
});
