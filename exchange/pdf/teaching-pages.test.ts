import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { woodOf } from '@/core/methods/shown-technique';
import { defaultRule } from '@/core/score/rubric/judge-union';
import { stepSheets } from '@/core/teach/step-sheets';
import { layOut } from '@/core/teach/templates/lay-out';
import { SHEETS } from '@/core/units/paper';
import { templateSheetsSvg } from '../svg/template-sheet';
import { type StepBody, stepBodies } from '@/core/teach/step-bodies';
import { handoutPdf } from './handout';
import { templateSheetsPdf } from './template-sheets';

const DPI = 600;

/** A page of a PDF as grey pixels. */
function raster(pdf: Buffer): { width: number; height: number; at: (x: number, y: number) => number } {
  const folder = mkdtempSync(join(tmpdir(), 'pear-bench-'));
  try {
    writeFileSync(join(folder, 'in.pdf'), pdf);
    execFileSync('pdftoppm', ['-r', String(DPI), '-gray', '-singlefile', join(folder, 'in.pdf'), join(folder, 'out')]);
    const pgm = readFileSync(join(folder, 'out.pgm'));
    const header = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(pgm.subarray(0, 40).toString('latin1'))!;
    const [width, height] = [Number(header[1]), Number(header[2])];
    return { width, height, at: (x, y) => pgm[header[0].length + y * width + x]! };
  } finally {
    rmSync(folder, { recursive: true });
  }
}

function pagesOf(pdf: Buffer): number {
  return Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', ['-'], { input: pdf }).toString())![1]);
}

describe.each([
  ['A4', 'mm', 50],
  ['Letter', 'mm', 50],
  ['Letter', 'in', 2 * 25.4],
] as const)('cut templates on %s', (paper, unit, length) => {
  it(`have a check line of ${length} mm, measured on the rasterised page`, async () => {
    const method = METHODS[0]!;
    const image = raster(
      await templateSheetsPdf(
        layOut(method.template!({}, woodOf({ stock: 10, scion: 10 })), paper, unit),
        'Check',
        unit,
      ),
    );
    expect((image.width / DPI) * 25.4).toBeCloseTo(SHEETS[paper].width, 0);
    const row = Math.round((22 / 25.4) * DPI);
    let [longest, run] = [0, 0];
    for (let x = 0; x < Math.round((70 / 25.4) * DPI); x++) {
      run = image.at(x, row) < 128 ? run + 1 : 0;
      longest = Math.max(longest, run);
    }
    expect(Math.abs((longest / DPI) * 25.4 - length)).toBeLessThanOrEqual(0.2);
  });
});

describe('the SVG of templates', () => {
  it('is in millimetres, a user unit each', () => {
    const svg = templateSheetsSvg(
      layOut(METHODS[0]!.template!({}, woodOf({ stock: 10, scion: 10 })), 'A4', 'mm'),
      'Whip & <tongue>',
      'mm',
    );
    expect(svg).toContain('width="210mm"');
    expect(svg).toContain('viewBox="0 0 210 297.00"');
    expect(svg).toContain('M12 22H62');
    expect(svg).toContain('Whip &amp; &lt;tongue&gt;');
  });
});

describe.each(METHODS.map((method) => [method.id, method] as const))('the handout of %s', (_id, method) => {
  const wood = woodOf(method.shownWith);
  const steps = stepSheets(method, {}, wood, 'mm', 'paper');
  let bodies: StepBody[] = [];
  beforeAll(() => {
    bodies = stepBodies(method, {}, wood, 'mm', 'paper').map((draw) => draw());
  });
  it.each(['A4', 'Letter'] as const)('has two to four pages of %s with every step on them', async (paper) => {
    const pdf = await handoutPdf(
      {
        method,
        technique: method.technique({}, wood),
        steps,
        bodies,
        rule: { ...defaultRule(method), words: { label: { good: 'all four lines of our tag' } } },
        unit: 'mm',
        drawnFor: 'drawn for the usual pair',
      },
      paper,
    );
    expect(pagesOf(pdf)).toBeGreaterThanOrEqual(2);
    expect(pagesOf(pdf)).toBeLessThanOrEqual(4);
    const words = execFileSync('pdftotext', ['-raw', '-', '-'], { input: pdf }).toString().replace(/\s+/g, ' ');
    expect(words).toContain('all four lines of our tag');
    for (const { action } of steps) expect(words).toContain(action.split(' ').slice(0, 3).join(' '));
  });
});
