import { execFileSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';
import type { VisitSheet } from '@/core/aftercare/visits/visit-sheet';
import { SHEETS, type Paper } from '@/core/units/paper';
import { landSlipPdf, type LandSlip } from './land-slip';
import { plantingOrderPdf, type ListedPlant } from './planting-order';
import { visitSheetPdf } from './visit-sheet';

/* Papers that are carried outdoors: who stands where, what is done on a visit, what the owner of the land is told. */

const PAPERS: Paper[] = ['A4', 'Letter'];
const text = (pdf: Buffer): string =>
  execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf }).toString().replaceAll(/\s+/g, ' ');
const pages = (pdf: Buffer): number =>
  Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', ['-'], { input: pdf }).toString())![1]);
/** Nothing lies beyond the paper, and nothing was cut with an ellipsis. */
function expectWhole(pdf: Buffer, paper: Paper): void {
  const [width, height] = [SHEETS[paper].width, SHEETS[paper].height].map((mm) => (mm * 72) / 25.4) as [number, number];
  const boxes = [
    ...execFileSync('pdftotext', ['-bbox', '-', '-'], { input: pdf, maxBuffer: 20_000_000 })
      .toString()
      .matchAll(/xMin="([-\d.]+)" yMin="([-\d.]+)" xMax="([-\d.]+)" yMax="([-\d.]+)"/g),
  ].map((match) => match.slice(1, 5).map(Number) as [number, number, number, number]);
  expect(boxes.length).toBeGreaterThan(0);
  for (const [left, top, right, bottom] of boxes)
    expect(left >= 0 && top >= 0 && right <= width && bottom <= height).toBe(true);
}

describe('a planting order', () => {
  const plants: ListedPlant[] = Array.from({ length: 90 }, (_, i) => ({
    code: `K7M ${String(i).padStart(3, '0')}`,
    variety: i % 2 ? 'Grey Heron' : 'Late Bittern',
    made: i % 2 ? 'Whip-and-tongue at the bench' : 'Chip bud in late summer',
    ribbon: 'violet, dots',
    spot: `row ${Math.floor(i / 30) + 1}, ${(i % 30) + 1}`,
    row: Math.floor(i / 30) + 1,
    doubt: i === 4 ? '; its lot is not sure' : '',
  }));
  const order = (list: ListedPlant[], paper: Paper): Promise<Buffer> =>
    plantingOrderPdf({ place: 'Boathouse bed', site: 'Boathouse orchard', on: '2027-04-10', plants: list }, paper);
  it.each(PAPERS)('has every plant by its code under its row, over as many pages of %s as it takes', async (paper) => {
    const pdf = await order(plants, paper);
    const words = text(pdf);
    for (const { code } of plants) expect(words).toContain(code);
    for (const row of [1, 2, 3]) expect(words.match(new RegExp(`Row ${row}\\b`, 'g'))).toHaveLength(1);
    expect(words).toContain('90 plants in planting order');
    expect(words.match(/Chip bud in late summer/g)).toHaveLength(45);
    expect(words).toContain('its lot is not sure');
    expect(pages(pdf)).toBeGreaterThan(1);
    expectWhole(pdf, paper);
  });
  it('has no rows where nothing stands in any, and says so where nothing stands at all', async () => {
    const pail = plants.slice(0, 3).map((plant) => ({ ...plant, row: null, spot: '' }));
    expect(text(await order(pail, 'A4'))).not.toContain('Row');
    const none = text(await order([], 'A4'));
    expect(none).toContain('Nothing stands here.');
    expect(none).toContain('0 plants in planting order');
  });
});

describe('a slip for the owner of the land', () => {
  const drawing = { width: 60, height: 30, items: [], anchors: [] };
  const slip: LandSlip = {
    club: 'Reed Islet Grafters',
    place: 'Hedge by the mill',
    site: 'Mill meadow',
    owner: 'Wren Ashby',
    leaveBy: 'the tenant',
    leaveUntil: '2028-10-31',
    told: 'the gate stays shut',
    plants: 'Twelve young pears on hawthorn',
    visits: [
      { on: '2027-05-02', tasks: 'loosen ties' },
      { on: '2027-06-10', tasks: 'take off what is bound' },
    ],
    keepOff: drawing,
    plan: null,
  };
  it.each(PAPERS)('is one page of %s with what stands there, the leave, and when somebody comes', async (paper) => {
    const pdf = await landSlipPdf(slip, paper);
    expect(pages(pdf)).toBe(1);
    const words = text(pdf);
    for (const part of [
      'For Wren Ashby, from Reed Islet Grafters.',
      'Twelve young pears on hawthorn',
      'The tenant gave leave until 31 Oct 2028.',
      'As agreed: the gate stays shut',
      '2 May 2027 loosen ties',
      'Local rules on trees, boundaries and plant health come first.',
    ])
      expect(words).toContain(part);
    expectWhole(pdf, paper);
  });
  it('says where no end was noted and no visit is planned, and shows the place where it was measured', async () => {
    const open = text(await landSlipPdf({ ...slip, leaveUntil: null, visits: [], told: '', plan: drawing }, 'A4'));
    expect(open).toContain('gave leave, with no end noted.');
    expect(open).toContain('No visit is planned yet; we ask before we come.');
    expect(open).not.toContain('As agreed');
    expect(open).toContain('The place from above');
    expect(text(await landSlipPdf(slip, 'A4'))).not.toContain('The place from above');
  });
  it('stays one page however often somebody comes', async () => {
    const visits = Array.from({ length: 40 }, (_, i) => ({ on: '2027-05-02', tasks: `task ${i} `.repeat(20) }));
    const pdf = await landSlipPdf({ ...slip, visits }, 'Letter');
    expect(pages(pdf)).toBe(1);
    expectWhole(pdf, 'Letter');
  });
});

describe('the sheet of a visit', () => {
  const sheet = (count: number): VisitSheet =>
    ({
      site: 'Boathouse orchard',
      on: '2027-05-02',
      minutes: 95,
      all: 40,
      tools: ['knife', 'tape'],
      rows: [],
      plants: Array.from({ length: count }, (_, i) => ({
        called: `K7M ${String(i).padStart(3, '0')}`,
        variety: 'Grey Heron',
        stockType: 'Reedmoor',
        tasks: [
          {
            name: 'Loosen the tie',
            place: i === 0 ? 'north limb' : '',
            alarm: i === 0,
            to: '2027-05-20',
            missed: 'it cuts in',
            method: 'Cleft',
          },
          { name: 'Rub off shoots below', place: '', alarm: false, to: '2027-06-01', missed: '', method: 'Cleft' },
        ],
      })),
    }) as unknown as VisitSheet;
  it.each(PAPERS)('has what to bring, and each plant with what is done and until when, on %s', async (paper) => {
    const pdf = await visitSheetPdf(sheet(30), paper);
    const words = text(pdf);
    expect(words).toContain('60 tasks on 30 plants, about 95 minutes');
    expect(words).toContain('Bring: knife, tape.');
    for (let i = 0; i < 30; i++) expect(words).toContain(`K7M ${String(i).padStart(3, '0')}`);
    expect(words).toContain('until 20 May 2027; otherwise: it cuts in');
    expect(pages(pdf)).toBeGreaterThan(1);
    expectWhole(pdf, paper);
  });
  it('has what is looked at along a row once, with all of its plants', async () => {
    const plants = Array.from({ length: 60 }, (_, i) => ({ unionId: `${i}`, occurrence: 0, called: `P2T ${100 + i}` }));
    const row = {
      task: 'first-crop',
      name: 'Note which bear',
      missed: '',
      to: '2028-09-04',
      workshop: 'Bench',
      plants,
    };
    const pdf = await visitSheetPdf({ ...sheet(2), rows: [row] }, 'A4');
    const words = text(pdf);
    expect(words).toContain('5 tasks on 2 plants');
    expect(words.match(/Note which bear/g)).toHaveLength(1);
    for (const { called } of plants) expect(words).toContain(called);
    expectWhole(pdf, 'A4');
  });
  it('says loudest what is past its last day, and on which limb', async () => {
    const words = text(await visitSheetPdf(sheet(2), 'A4'));
    expect(words).toContain('TAKE OFF NOW: Loosen the tie (north limb)');
    expect(words.match(/TAKE OFF NOW/g)).toHaveLength(1);
  });
  it('is worth going also where nothing is due', async () => {
    const words = text(await visitSheetPdf(sheet(0), 'A4'));
    expect(words).toContain('Nothing is due on that day but water, labels and a look.');
    expect(words).toContain('Blades closed or down before hands meet');
  });
});
