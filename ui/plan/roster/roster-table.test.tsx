import { describe, expect, it } from 'vitest';
import { rendered } from '@/ui/testing/rendered';
import { RosterTable, type RosterSeat } from './roster-table';

const seat = (number: number, changes: Partial<RosterSeat> = {}): RosterSeat => ({
  id: `s${number}`,
  number,
  absent: false,
  personId: `p${number}`,
  name: `Person ${number}`,
  email: null,
  phone: null,
  mayContact: true,
  leftHanded: false,
  skill: null,
  erased: false,
  ...changes,
});
const table = (seats: RosterSeat[], mayChange = true) =>
  rendered(<RosterTable workshopId="w" seats={seats} mayChange={mayChange} mayErase />);

/** Pressed, they sort. */
const HEADS = ['Seat', 'Name', 'Reach', 'May be asked later'];

describe('the roster', () => {
  it('tells who sits where, how they can be reached, and whether they gave leave', () => {
    const { words } = table([seat(1, { email: 'ona@reed.example', phone: '555' }), seat(2, { mayContact: false })]);
    expect(words).toMatch(/1\s?Person 1\s?ona@reed\.example, 555\s?yes/);
    expect(words).toMatch(/2\s?Person 2\s?none given\s?no leave/);
  });
  it('says in words who is absent, left-handed, or erased, and then no name', () => {
    const { words } = table([seat(1, { absent: true, leftHanded: true }), seat(2, { erased: true, name: null })]);
    expect(words).toContain('Person 1absentleft-handed');
    expect(words).toContain('Erased person');
  });
  it('names the seat in every button, and has none for viewers', () => {
    expect(table([seat(1), seat(2)]).buttons).toEqual([
      ...HEADS,
      'Swap seat 1',
      'Change seat 1',
      'Swap seat 2',
      'Change seat 2',
    ]);
    expect(table([seat(1)], false).buttons).toEqual(HEADS);
  });
  it('says what to do while it is empty', () => {
    expect(table([]).words).toBe(
      'Nobody has a seat yet. Read the roster from a CSV file, or add people as they come in.',
    );
  });
});
