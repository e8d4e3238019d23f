import { describe, expect, it } from 'vitest';
import { calendarFile, type CalendarEvent } from './calendar';
import { readCalipers } from './calipers-csv';
import { readLogger } from './logger-csv';
import { isMonthDay } from '@/core/units/month-day';
import { readNormals, writeNormals } from './normals-csv';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const months = (line: (i: number) => string): string => Array.from({ length: 12 }, (_, i) => line(i)).join('\n');
const problem = (result: object): string => (result as { problem: string }).problem;

describe('normals from CSV', () => {
  const good = `month,lowest_c,highest_c,last_frost,first_frost\n${months((i) => `${i + 1},${i},${i + 8},${i === 0 ? '04-24,10-28' : ','}`)}\n`;
  it('go there and back', () => {
    const read = readNormals(bytes(good));
    expect(read).toMatchObject({ climate: { lastFrost: '04-24', firstFrost: '10-28' }, notes: [] });
    if ('problem' in read) throw new Error(read.problem);
    expect(readNormals(bytes(writeNormals(read.climate)))).toEqual(read);
  });
  it('are read by name of the month, with semicolons and decimal commas, in °F, and say what was left out', () => {
    const names = ['Jan', 'feb', 'March', 'april', 'May', 'Jun', 'Jul', 'Aug', 'Sept', 'Oct', 'Nov', 'Dec'];
    expect(readNormals(bytes(`month;low;high;rain\n${months((i) => `${names[i]};1,5;9,5;80`)}`))).toMatchObject({
      climate: { normals: { low: Array(12).fill(1.5) }, lastFrost: null },
      notes: ['Columns not known and left out: rain.'],
    });
    expect(readNormals(bytes(`month,lowest_f,highest_f\n${months((i) => `${i + 1},32,50`)}`))).toMatchObject({
      climate: { normals: { low: Array(12).fill(0), high: Array(12).fill(10) } },
      notes: ['Read as °F and kept as °C.'],
    });
  });
  it.each([
    ['month,wind\n1,2', 'lowest_c and highest_c are needed'],
    [`month,lowest_c,highest_c\n1,0,4\n1,0,4`, 'January is there twice'],
    [`month,lowest_c,highest_c\n1,0,4`, 'February, March'],
    [`month,lowest_c,highest_c\n13,0,4`, '1 to 12'],
    [`month,lowest_c,highest_c\n1,cold,4`, 'have to be figures'],
    [`month,lowest_c,highest_c\n${months((i) => `${i + 1},9,4`)}`, 'Exchange them'],
    [good.replace('04-24', '24 April'), 'month and day as 04-24'],
    [good.replace(',10-28', ','), 'Give both, or none'],
    ['', 'empty'],
  ])('say what is wrong: %j', (text, words) => expect(problem(readNormals(bytes(text)))).toContain(words));
  it('know a month and day', () => {
    expect(['02-29', '12-31', '04-24'].every(isMonthDay)).toBe(true);
    expect(['02-30', '13-01', '4-24', ''].some(isMonthDay)).toBe(false);
  });
});

describe('a temperature log', () => {
  const log = (rows: string, head = 'time,temperature_c'): Uint8Array => bytes(`${head}\n${rows}`);
  it('reads times of the site, across the change of clocks', () => {
    const read = readLogger(log('2027-03-28 01:30,2\n2027-03-28 03:30,3'), 'Europe/Zurich', null);
    expect(read).toEqual({
      run: { instants: [Date.UTC(2027, 2, 28, 0, 30), Date.UTC(2027, 2, 28, 1, 30)], values: [2, 3] },
      notes: [],
      loggers: [],
    });
  });
  it('sorts, keeps repeats once, and says both', () => {
    const read = readLogger(
      log('2027-01-02T00:00Z,2\n2027-01-01T00:00Z,3\n2027-01-01T00:00Z,9\nnonsense,4\n2027-01-03T00:00Z,'),
      'UTC',
      null,
    );
    expect(read).toMatchObject({ run: { values: [3, 2] } });
    const { notes } = read as { notes: string[] };
    expect(notes.join(' ')).toMatch(/Left out 2 lines.*line 5.*out of order in 1 place.*1 repeated time/);
  });
  it('turns °F into °C by heading, by column or by what is chosen, and asks when nobody says', () => {
    expect(readLogger(log('2027-01-01,32\n2027-01-02,41', 'time,temp_f'), 'UTC', null)).toMatchObject({
      run: { values: [0, 5] },
    });
    expect(readLogger(log('2027-01-01,32,F\n2027-01-02,5,C', 'time,temperature,unit'), 'UTC', null)).toMatchObject({
      run: { values: [0, 5] },
      notes: ['Read as °F and kept as °C in 1 of 2 readings.'],
    });
    expect(readLogger(log('2027-01-01,32\n2027-01-02,41', 'time,temperature'), 'UTC', 'F')).toMatchObject({
      run: { values: [0, 5] },
    });
    expect(readLogger(log('2027-01-01,32\n2027-01-02,41', 'time,temperature'), 'UTC', null)).toMatchObject({
      asksUnit: true,
    });
    expect(problem(readLogger(log('2027-01-01,72\n2027-01-02,71'), 'UTC', null))).toContain('°F');
  });
  it('names unknown columns and refuses what it cannot use', () => {
    expect(readLogger(log('2027-01-01,2,9\n2027-01-02,2,9', 'time,temperature_c,battery'), 'UTC', null)).toMatchObject({
      notes: ['Columns not known and left out: battery.'],
    });
    expect(problem(readLogger(log('1,2', 'a,b'), 'UTC', null))).toContain('The first line has: a, b');
    expect(problem(readLogger(log('2027-01-01,2'), 'UTC', null))).toContain('Fewer than two');
    expect(problem(readLogger(log('2027-01-01,2\n2027-01-01,3'), 'UTC', null))).toContain('one and the same time');
  });
});

describe('calipers from CSV', () => {
  it('are read in mm or inches, with numbers and buds where there are', () => {
    expect(readCalipers(bytes('number,caliper_mm,buds\n3,9.4,8\n,"10,5",\n'))).toEqual({
      lines: [
        { number: 3, caliper: 9.4, buds: 8 },
        { number: null, caliper: 10.5, buds: null },
      ],
      notes: [],
    });
    expect(readCalipers(bytes('diameter_in\n0.5'))).toMatchObject({ lines: [{ caliper: 12.7 }] });
  });
  it.each([
    ['caliper_mm\nthick', 'Line 2 has "thick"'],
    ['caliper_mm\n0.2', 'cannot be right'],
    ['number,caliper_mm\n1,9\n1,8', 'Number 1 is there twice'],
    ['number,caliper_mm\nx,9', 'Enter a whole number'],
    ['width\n9', '"caliper_mm" or "caliper_in" is needed'],
    ['caliper_mm\n', 'no caliper in it'],
  ])('say what is wrong: %j', (text, words) => expect(problem(readCalipers(bytes(text)))).toContain(words));
});

describe('a calendar file', () => {
  const event = (changes: Partial<CalendarEvent>): CalendarEvent => ({
    uid: 'w.callus@pear-bench.invalid',
    sequence: 3,
    title: 'Callus; warm, moist',
    description: 'Keep it',
    from: '2027-03-20',
    to: '2027-04-03',
    times: null,
    place: 'Boathouse',
    cancelled: false,
    ...changes,
  });
  const lines = (events: CalendarEvent[]): string[] =>
    calendarFile('Islet day', events)
      .replace(/\r\n[ \t]/g, '')
      .split('\r\n');
  it('keeps identity and count of changes, ends whole days on the day after, and escapes text', () => {
    const written = lines([event({})]);
    for (const wanted of [
      'UID:w.callus@pear-bench.invalid',
      'SEQUENCE:3',
      'DTSTART;VALUE=DATE:20270320',
      'DTEND;VALUE=DATE:20270404',
      'SUMMARY:Callus\\; warm\\, moist',
      'STATUS:CONFIRMED',
      'METHOD:PUBLISH',
    ])
      expect(written).toContain(wanted);
    expect(written.filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(1);
    expect(lines([event({ cancelled: true })])).toContain('STATUS:CANCELLED');
  });
  it('folds at 75 octets, within no character, and unfolds to what was written', () => {
    const description = 'Quitten gut feucht halten, Schößlinge über der Veredelung zählen – täglich; '.repeat(4);
    const file = calendarFile('Islet day', [
      event({ title: 'Größe prüfen, Knospen wärmen und weiterführen, übers ganze Jahr hinweg', description }),
    ]);
    for (const line of file.split('\r\n')) {
      expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
      expect(line).not.toContain('\uFFFD');
    }
    expect(
      lines([event({ description })])
        .find((line) => line.startsWith('DESCRIPTION:'))!
        .replaceAll('\\', ''),
    ).toBe(`DESCRIPTION:${description}`);
  });
  it('has the day’s hours in the zone of the site, before and after clocks change', () => {
    const at = (from: string, zone: string): string[] =>
      lines([event({ from, to: from, times: { start: '09:30', end: '16:00', zone } })]);
    expect(at('2027-03-27', 'Europe/Zurich')).toEqual(
      expect.arrayContaining(['DTSTART:20270327T083000Z', 'DTEND:20270327T150000Z']),
    );
    expect(at('2027-03-28', 'Europe/Zurich')).toEqual(
      expect.arrayContaining(['DTSTART:20270328T073000Z', 'DTEND:20270328T140000Z']),
    );
    // In the south clocks go forward on 26 September, and the morning lies in yesterday's UTC.
    expect(at('2027-09-25', 'Pacific/Auckland')).toContain('DTSTART:20270924T213000Z');
    expect(at('2027-09-26', 'Pacific/Auckland')).toContain('DTSTART:20270925T203000Z');
  });
});
