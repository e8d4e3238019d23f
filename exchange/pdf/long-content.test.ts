import type { Paper } from '@/core/units/paper';
import { execFileSync } from 'node:child_process';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seatPeople, usualRoom } from '@/core/plan/benches/room';
import { timePlan, USUAL_DAY } from '@/core/plan/benches/time-plan';
import { METHODS } from '@/core/methods/registry';
import { defaultRule } from '@/core/score/rubric/judge-union';
import { doorSheetPdf } from './door-sheet';
import { SHEETS } from '@/core/units/paper';
import { kitListPdf } from './kit-list';
import { reportSlipsPdf } from './report-slips';
import { scoreSheetPdf } from './score-sheet';
import { tagsPdf } from './tags';

/* Names and lists longer than anybody planned for: all of it stays on the paper, and nobody is left out. */

const WORDS = [
  'Ona',
  'Marlow-Ferrel',
  'Þórunn',
  'Ilunga',
  'Wen',
  'von der Schilfinsel',
  'Đorđe',
  'Quince',
  'Jean-Noël',
  'Llanfairpwll',
];
const name = fc
  .array(fc.constantFrom(...WORDS), { minLength: 1, maxLength: 9 })
  .map((parts) => parts.join(' ').slice(0, 120));
const paper = fc.constantFrom<Paper>('A4', 'Letter');
const RUNS = { numRuns: 5 };

interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
  word: string;
}
function boxes(pdf: Buffer): Box[] {
  const html = execFileSync('pdftotext', ['-bbox', '-', '-'], { input: pdf, maxBuffer: 50_000_000 }).toString();
  return [...html.matchAll(/xMin="([-\d.]+)" yMin="([-\d.]+)" xMax="([-\d.]+)" yMax="([-\d.]+)">([^<]*)</g)].map(
    ([, left, top, right, bottom, word]) => ({
      left: Number(left),
      top: Number(top),
      right: Number(right),
      bottom: Number(bottom),
      word: word!,
    }),
  );
}
function staysOn(pdf: Buffer, sheet: Paper): Box[] {
  const [width, height] = [SHEETS[sheet].width, SHEETS[sheet].height].map((mm) => (mm * 72) / 25.4) as [number, number];
  const all = boxes(pdf);
  expect(all.length).toBeGreaterThan(0);
  for (const { left, right, top, bottom, word } of all)
    expect(left >= 0 && top >= 0 && right <= width && bottom <= height, `"${word}" at ${left},${top}`).toBe(true);
  return all;
}
const words = (all: Box[]): string => all.map(({ word }) => word).join(' ');

describe('long content on paper', () => {
  it('score sheets have two rows for each seat, however many and whatever their names', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(name, { minLength: 1, maxLength: 40 }),
        name,
        fc.constantFrom(...METHODS),
        paper,
        async (people, title, method, sheet) => {
          const all = staysOn(
            await scoreSheetPdf(
              {
                method,
                rule: defaultRule(method),
                title,
                date: '2027-03-06',
                seats: people.map((name, i) => ({ number: i + 1, name: name })),
                unit: 'in',
              },
              sheet,
            ),
            sheet,
          );
          for (let number = 1; number <= people.length; number++)
            expect(all.filter(({ word }) => word === `${number}-`)).toHaveLength(2);
        },
      ),
      RUNS,
    );
  });
  it('the sheet at the door has everybody by number, and the whole day', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(name, { minLength: 1, maxLength: 60 }), name, paper, async (people, title, sheet) => {
        const seats = people.map((name, i) => ({ id: `s${i}`, number: i + 1, name: name, leftHanded: false }));
        const room = usualRoom(seats.length, 4, (n) => `Bench ${n}`);
        const { blocks } = timePlan(
          USUAL_DAY,
          [
            { method: 'Whip-and-tongue', practice: 5, keepers: 3 },
            { method: 'Bark graft', practice: 2, keepers: 1 },
          ],
          seats.length,
        );
        const all = staysOn(
          await doorSheetPdf(
            {
              title,
              date: '2027-03-06',
              place: title,
              blocks,
              room: { ...room, seating: seatPeople(room, seats) },
              people: seats.map(({ id, number, name: name }) => ({ seatId: id, number, name: name, bench: 'Bench 1' })),
            },
            sheet,
          ),
          sheet,
        );
        const said = all.map(({ word }) => word);
        for (let number = 1; number <= people.length; number++) expect(said).toContain(String(number));
        expect(words(all)).toContain('Blades counted');
      }),
      RUNS,
    );
  });
  it('kit lists go on over as many pages as they need', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(name, { minLength: 1, maxLength: 90 }), paper, async (things, sheet) => {
        const lines = things.map((thing, i) => ({
          id: `l${i}`,
          name: `${thing} no${i}`,
          unit: 'pieces',
          per: (['seat', 'bench', 'workshop'] as const)[i % 3]!,
          each: i % 3 === 2 ? null : 2,
          total: 20 + i,
          note: thing,
          inStore: 0,
          buy: 20 + i,
          price: 1.5,
          cost: 30,
        }));
        const pdf = await kitListPdf(
          { title: things[0]!, date: '2027-03-06', people: 12, methods: things.slice(0, 4), lines, problem: null },
          sheet,
        );
        staysOn(pdf, sheet);
        expect(
          Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', ['-'], { input: pdf }).toString())![1]),
        ).toBeGreaterThanOrEqual(Math.ceil(things.length / 60));
      }),
      RUNS,
    );
  });
  it('slips have every plant of a person', async () => {
    await fc.assert(
      fc.asyncProperty(name, name, fc.integer({ min: 1, max: 50 }), paper, async (person, title, count, sheet) => {
        const plants = Array.from({ length: count }, (_, i) => ({
          code: `K7M4${String(i).padStart(2, '2')}`.slice(0, 6),
          variety: title,
          made: 'Whip-and-tongue at the bench',
          ribbon: 'violet, dots',
        }));
        const all = staysOn(
          await reportSlipsPdf(
            [
              {
                title: person,
                intro: title,
                question: 'Is there a new shoot?',
                until: 'Best told by 20 May 2027.',
                answers: ['Yes', 'Not sure yet', 'Dead', 'Cannot find it'],
                link: 'Or tell us here:',
                readBy: title,
                url: 'https://bench.example/r/x',
                plants,
              },
            ],
            sheet,
          ),
          sheet,
        );
        expect(all.filter(({ word }) => word === 'K7M')).toHaveLength(count);
      }),
      RUNS,
    );
  });
  it('tags hold long names of varieties in any size, with the code whole', async () => {
    await fc.assert(
      fc.asyncProperty(
        name,
        name,
        fc.integer({ min: 50, max: 150 }),
        fc.integer({ min: 22, max: 80 }),
        paper,
        async (variety, stock, width, height, sheet) => {
          const tags = Array.from({ length: 5 }, () => ({
            code: 'K7M4XQ',
            url: 'https://bench.example/u/K7M4XQ',
            variety,
            stock,
            made: 'Whip-and-tongue at the bench',
            date: '2027-03-06',
            initials: 'O. M. F.',
          }));
          const all = staysOn(await tagsPdf(tags, sheet, { width, height }), sheet);
          expect(all.filter(({ word }) => word === '4XQ')).toHaveLength(5);
        },
      ),
      RUNS,
    );
  });
});
