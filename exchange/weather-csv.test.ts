import { describe, expect, it } from 'vitest';
import { readWeather } from './weather-csv';

const read = (text: string) => readWeather(new TextEncoder().encode(text));
function days(text: string) {
  const found = read(text);
  if ('problem' in found) throw new Error(found.problem);
  return found;
}
function problem(text: string): string {
  const found = read(text);
  if (!('problem' in found)) throw new Error('It was read.');
  return found.problem;
}

describe('weather from a file', () => {
  it('is days in their order, rain where somebody measured it', () => {
    expect(days('date,lowest_c,highest_c,rain_mm\n2027-05-02,4,17.5,0\n2027-05-01,"2,5",14,12.4\n').days).toEqual([
      { date: '2027-05-01', low: 2.5, high: 14, rain: 12.4 },
      { date: '2027-05-02', low: 4, high: 17.5, rain: 0 },
    ]);
    expect(days('day,min_c,max_c\n2027-05-01,2,14\n').days[0]!.rain).toBeNull();
    expect(days('date,low,high,rain\n2027-05-01,2,14,\n').days[0]!.rain).toBeNull();
  });
  it('is turned into degC and mm where it was written in other units, and says so', () => {
    const { days: read, notes } = days('date,lowest_f,highest_f,rain_in\n2027-05-01,32,68,0.5\n');
    expect(read).toEqual([{ date: '2027-05-01', low: 0, high: 20, rain: 12.7 }]);
    expect(notes).toContain('Read as °F and kept as °C.');
  });
  it('keeps the first of two lines of one day, and says how many there were', () => {
    const { days: read, notes } = days('date,low,high\n2027-05-01,2,14\n2027-05-01,9,20\n2027-05-02,3,15\n');
    expect(read.map(({ low }) => low)).toEqual([2, 3]);
    expect(notes).toEqual(['1 day is there twice; the first line of each is kept.']);
  });
  it('says what it left out, and that it is simulated where it says so itself', () => {
    const { notes } = days('date,low,high,wind,simulated\n2027-05-01,2,14,strong,yes\n');
    expect(notes).toEqual(['The file says of itself that it is simulated.', 'Columns not known and left out: wind.']);
  });
});

describe('weather that cannot be read', () => {
  it.each([
    ['date,rain_mm\n2027-05-01,3\n', 'The columns date, lowest_c and highest_c are needed'],
    ['date,low,high\n1.5.2027,2,14\n', 'Line 2 has "1.5.2027" for the date. Enter it as 2027-04-30.'],
    ['date,low,high\n2027-02-30,2,14\n', 'Line 2 has "2027-02-30" for the date.'],
    ['date,low,high\n2027-05-01,cold,14\n', 'Line 2: the temperatures of 2027-05-01 have to be figures.'],
    ['date,low,high\n2027-05-01,2,\n', 'Line 2: the temperatures of 2027-05-01 have to be figures.'],
    ['date,low,high\n', 'The file has no day under its headings.'],
  ])('says so of %j', (text, says) => {
    expect(problem(text)).toContain(says);
  });
  it('names the line of a day that cannot be', () => {
    // Colder by day than by night, and figures in °F under a heading of °C.
    expect(problem('date,low,high\n2027-05-01,2,14\n2027-05-02,20,10\n')).toMatch(/^Line 3: /);
    expect(problem('date,low,high\n2027-07-01,70,95\n')).toContain('choose °C or °F by its heading');
  });
});
