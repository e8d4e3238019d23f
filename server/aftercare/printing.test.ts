import { execFileSync } from 'node:child_process';
import { beforeAll, describe, expect, it } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { printHandout, printTemplate } from '@/server/teach/handouts';
import { changeKeepers } from './change-keepers';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { printScoreSheet } from '@/server/score/print-score-sheet';
import { printTags } from './print-tags';
import { putRubricEdits } from '@/server/score/rubric-editor';
import { refusalOf, testClub, testKeepers, type TestClub, type TestWorkshop } from '@/server/testing/test-club';
import { v7 as uuid } from 'uuid';

let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testKeepers(club);
});
const words = (pdf: Buffer): string => execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf }).toString();
const whip = METHODS[0]!;

describe('tags', () => {
  const sheet = { paper: 'A4', width: 60, height: 25 };
  it('are printed for all living keepers, or for one again', async () => {
    const keepers = await listKeepers(club.as('viewer'), workshop.id);
    const [first, second] = keepers;
    await changeKeepers(club.as('assistant'), workshop.id, { plantIds: [first!.id], voided: true });
    const living = (await listKeepers(club.as('viewer'), workshop.id)).filter(({ voidedAt }) => !voidedAt);
    const printed = words(await printTags(club.as('viewer'), workshop.id, sheet));
    for (const { code } of living) expect(printed).toContain(`${code.slice(0, 3)} ${code.slice(3)}`);
    const again = words(await printTags(club.as('viewer'), workshop.id, { ...sheet, code: second!.code }));
    expect(again).toContain(`${second!.code.slice(0, 3)} ${second!.code.slice(3)}`);
    expect(again).not.toContain(`${living.at(-1)!.code.slice(0, 3)} ${living.at(-1)!.code.slice(3)}`);
    // Initials of "Person 1", never the name.
    expect(again).toMatch(/P\. ?1\./);
    expect(again).not.toContain('Person');
  });
  it('are refused where they would be too small to read, and for a code that is none of this workshop', async () => {
    expect(await refusalOf(printTags(club.as('viewer'), workshop.id, { ...sheet, width: 5 }))).toMatchObject({
      refusal: 'invalid',
      fields: { width: expect.any(String) as string },
    });
    expect(await refusalOf(printTags(club.as('viewer'), workshop.id, { ...sheet, code: 'K7M4XQ' }))).toMatchObject({
      refusal: 'not-found',
    });
    expect(await refusalOf(printTags(club.as('viewer'), workshop.id, { ...sheet, paper: 'A9' }))).toMatchObject({
      refusal: 'invalid',
    });
  });
});

describe('what a rubric calls its points', () => {
  it('is on the score sheet and the handout as well', async () => {
    const edits = { words: { hold: { name: 'Grip', good: 'stays when swung' } } };
    await putRubricEdits(club.as('lead'), whip.id, { edits, version: 0, changeId: uuid() });
    expect(words(await printScoreSheet(club.as('viewer'), workshop.id, { paper: 'A4' }))).toContain('Grip');
    expect(words(await printHandout(club.as('viewer'), whip.id, {})).replace(/\s+/g, ' ')).toMatch(
      /Grip \d+: stays when swung/,
    );
  });
});

describe('handouts and templates', () => {
  it('are drawn for the calipers asked for, and say which', async () => {
    expect(
      words(await printHandout(club.as('viewer'), whip.id, { stock: '12', scion: '11', paper: 'Letter' })),
    ).toContain('drawn for 11 mm on 12 mm');
    const { bytes, type } = await printTemplate(club.as('viewer'), whip.id, {
      format: 'svg',
      stock: '12',
      scion: '12',
    });
    expect(type).toBe('image/svg+xml');
    expect(bytes).toContain('12 mm on 12 mm');
  });
  it('are refused with what to do instead: wood it is not done on, a method and a format there are not', async () => {
    expect(await refusalOf(printHandout(club.as('viewer'), whip.id, { stock: '80' }))).toMatchObject({
      refusal: 'invalid',
      fields: { stock: expect.stringMatching(/On 80 mm: take /) as string },
    });
    expect(await refusalOf(printHandout(club.as('viewer'), 'glue', {}))).toMatchObject({ refusal: 'not-found' });
    expect(await refusalOf(printTemplate(club.as('viewer'), whip.id, { format: 'dxf' }))).toMatchObject({
      refusal: 'invalid',
    });
  });
});
