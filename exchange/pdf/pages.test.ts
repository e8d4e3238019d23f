import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import jsQR from 'jsqr';
import { describe, expect, it } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { defaultRule } from '@/core/score/rubric/judge-union';
import { reportSlipsPdf } from './report-slips';
import { scoreSheetPdf } from './score-sheet';
import { LEAST_TAG } from '@/core/aftercare/tag-size';
import { tagsPdf, type Tag } from './tags';

const folder = mkdtempSync(join(tmpdir(), 'pdf-'));

function wordsOf(pdf: Buffer): string {
  const file = join(folder, 'page.pdf');
  writeFileSync(file, pdf);
  return execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
}

/** Boxes of words in points: left, top, right, bottom. */
function boxesOf(pdf: Buffer): { word: string; box: [number, number, number, number] }[] {
  const file = join(folder, 'boxes.pdf');
  writeFileSync(file, pdf);
  const html = execFileSync('pdftotext', ['-bbox', file, '-'], { encoding: 'utf8' });
  return [...html.matchAll(/xMin="([\d.]+)" yMin="([\d.]+)" xMax="([\d.]+)" yMax="([\d.]+)">([^<]*)</g)].map(
    (match) => ({
      word: match[5]!,
      box: [1, 2, 3, 4].map((i) => Number(match[i])) as [number, number, number, number],
    }),
  );
}

const DPI = 300;

/** The first tag of a sheet as RGBA pixels. */
function rasterised(
  pdf: Buffer,
  size: { width: number; height: number },
): { pixels: Uint8ClampedArray; columns: number } {
  const file = join(folder, 'tag.pdf');
  writeFileSync(file, pdf);
  const px = (mm: number): string => String(Math.round((mm / 25.4) * DPI));
  execFileSync('pdftoppm', [
    '-r',
    String(DPI),
    '-gray',
    '-singlefile',
    '-x',
    px(10),
    '-y',
    px(10),
    '-W',
    px(size.width),
    '-H',
    px(size.height),
    file,
    join(folder, 'tag'),
  ]);
  const pgm = readFileSync(join(folder, 'tag.pgm'));
  const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(pgm.subarray(0, 40).toString('latin1'))!;
  const grey = pgm.subarray(head[0].length);
  const pixels = new Uint8ClampedArray(grey.length * 4);
  grey.forEach((value, i) => pixels.set([value, value, value, 255], 4 * i));
  return { pixels, columns: Number(head[1]) };
}

const tag: Tag = {
  code: 'K7M4XQ',
  url: 'https://bench.example/u/K7M4XQ',
  variety: 'Žlutá Harbour of the far island',
  stock: 'Reedmoor quince, second year',
  made: 'Chip bud in late summer',
  date: '2027-03-06',
  initials: 'O. F.',
};
const MM = 72 / 25.4;

describe('tags', () => {
  it.each([
    [60, 25],
    [LEAST_TAG.width, LEAST_TAG.height],
    [90, 50],
  ])('of %d by %d mm hold every word within their edges', async (width, height) => {
    const boxes = boxesOf(await tagsPdf([tag], 'A4', { width, height }));
    for (const { word, box } of boxes) {
      expect(box[0], word).toBeGreaterThanOrEqual(10 * MM - 0.5);
      expect(box[2], word).toBeLessThanOrEqual((10 + width) * MM + 0.5);
      expect(box[3], word).toBeLessThanOrEqual((10 + height) * MM + 2);
    }
    const code = boxes.find(({ word }) => word === 'K7M')!;
    expect(code.box[3] - code.box[1]).toBeGreaterThanOrEqual(14);
    expect(boxes.map(({ word }) => word)).toEqual(
      expect.arrayContaining(['Žlutá', 'Reedmoor', 'Chip', 'summer', '2027', 'O.', 'F.']),
    );
  });
  it.each([
    [60, 25],
    [LEAST_TAG.width, LEAST_TAG.height],
  ])('of %d by %d mm carry a QR code of 15 mm or more that reads as the plant’s address', async (width, height) => {
    const { pixels, columns } = rasterised(await tagsPdf([tag], 'A4', { width, height }), { width, height });
    const found = jsQR(pixels, columns, pixels.length / 4 / columns);
    expect(found!.data).toBe('https://bench.example/u/K7M4XQ');
    const { topLeftCorner, topRightCorner } = found!.location;
    expect(((topRightCorner.x - topLeftCorner.x) / DPI) * 25.4).toBeGreaterThanOrEqual(14.9);
  });
  it('fill as many sheets as they need', async () => {
    const words = wordsOf(await tagsPdf(Array<Tag>(64).fill(tag), 'Letter', { width: 60, height: 25 }));
    expect(words.match(/K7M 4XQ/g)).toHaveLength(64);
    expect(words.split('\f').length - 1).toBe(3);
  });
});

describe('score sheets', () => {
  it('have a row for each seat, the points to ring, the place for the time, and the caution', async () => {
    const words = wordsOf(
      await scoreSheetPdf(
        {
          method: METHODS[0]!,
          rule: { ...defaultRule(METHODS[0]!), words: { hold: { name: 'Grip' } } },
          title: 'Bench day',
          date: '2027-03-06',
          seats: [{ number: 7, name: 'Ona Ferrel' }],
          unit: 'in',
        },
        'A4',
      ),
    );
    for (const part of [
      'Bench day',
      '7-',
      'Ona Ferrel',
      'Filled in on',
      'inches',
      'Tongue',
      'Safe hands',
      'Grip',
      'stock cut',
      'glove',
      'sheet 1 of 1',
    ])
      expect(words).toContain(part);
  });
});

describe('report slips', () => {
  const slip = {
    title: 'Ona Ferrel',
    intro: 'Bench day of 6 Mar 2027. Tick one box for each graft.',
    question: 'Is there a new shoot?',
    until: 'Best told by 20 May 2027.',
    answers: ['Yes', 'Not sure yet', 'Dead', 'Cannot find it'],
    link: '',
    readBy: 'Read by the instructors of Reed Islet Grafters, and by nobody else.',
    plants: [{ code: 'K7M4XQ', variety: 'Grey Heron', made: 'Chip bud in late summer', ribbon: 'blue, plain' }],
    url: null,
  };
  it('name the tags, the question, the answers and who reads them', async () => {
    const words = wordsOf(await reportSlipsPdf([slip], 'A4'));
    for (const part of [
      'Ona Ferrel',
      'K7M 4XQ',
      'Grey Heron',
      'blue, plain',
      'Is there a new shoot?',
      'Yes',
      'Not sure yet',
      'Dead',
      'Cannot find it',
      '20 May 2027',
      'nobody else',
    ])
      expect(words).toContain(part);
    expect(words).not.toContain('Or tell us here');
  });
  it('go on over the page for many plants, and say when there is nobody', async () => {
    const many = wordsOf(
      await reportSlipsPdf(
        [
          {
            ...slip,
            url: 'https://bench.example/r/x',
            link: 'Or tell us here:',
            plants: Array<(typeof slip.plants)[number]>(30).fill(slip.plants[0]!),
          },
        ],
        'A4',
      ),
    );
    expect(many.match(/K7M 4XQ/g)).toHaveLength(30);
    expect(many).toContain('Or tell us here');
    expect(wordsOf(await reportSlipsPdf([], 'A4'))).toContain('no slips to print');
  });
});
